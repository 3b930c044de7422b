// Two hundred requests at once of every route that writes: each ends, done or told, and health is answered beside them.
import { milliseconds, watched } from './watch.mjs';

const JSON_TYPE = { 'content-type': 'application/json' };
const AT_ONCE = 200;

const line = { food: 'flood-food', amount: 2, unit: 'g' };
const dish = (id) => ({ id, title: 'Flood', servings: 2, parts: [{ id: 'main', name: 'Main', lines: [line] }] });
const pack = (i) => ({ food: 'flood-food', net: 1, unit: 'kg', price: `1.${100 + i}`, currency: 'EUR', shop: 'Flood', seen: '2026-11-01' });

/** A request of each writing route; the number tells the ones sent at once apart. */
const FLOODS = [
  ['POST', () => '/imports/starter-pantry'],
  [
    'POST',
    () => '/imports/kitchen-file?there=keep',
    () => ({ format: 'portiona/1', foods: [{ id: 'flood-food', name: 'Flood food' }], recipes: [dish('flood-dish')] }),
  ],
  ['POST', () => '/price-refreshes'],
  ['POST', () => '/foods', (i) => ({ document: { id: `flood-${i}`, name: `Flood ${i}` } })],
  ['PUT', () => '/foods/flood-food', () => ({ revision: 1, document: { id: 'flood-food', name: 'Flood food, again' } })],
  ['POST', (i) => `/foods/flood-${i}/archive`],
  ['POST', (i) => `/foods/flood-${i}/restore`],
  ['DELETE', (i) => `/foods/flood-${i}`],
  ['POST', () => '/packs', (i) => ({ document: { ...pack(i), id: `flood-pack-${i}` } })],
  ['PUT', (i) => `/packs/flood-pack-${i}`, (i) => ({ revision: 1, document: { ...pack(i), net: 2 } })],
  ['DELETE', (i) => `/packs/flood-pack-${i}`],
  ['POST', () => '/receipts/prices', (i) => ({ prices: [{ document: pack(i), item: 'flood' }] })],
  ['POST', () => '/recipes', (i) => ({ document: dish(`flood-dish-${i}`) })],
  ['PUT', () => '/recipes/flood-dish', (i) => ({ revision: 1, document: { ...dish('flood-dish'), title: `Flood ${i}` } })],
  ['POST', () => '/recipes/flood-dish/published-cards'],
  ['POST', () => '/recipes/flood-dish/upstream-changes'],
  ['POST', () => '/recipes/flood-dish/distributions', () => ({ figure: 'energyKcal', draws: 1000 })],
  ['DELETE', (i) => `/recipes/flood-dish-${i}`],
  ['POST', (i) => `/recipes/flood-dish-${i}/restore`],
  ['POST', () => '/merges', (i) => (i % 2 ? { kept: 'leek', gone: 'flood-food' } : { kept: 'flood-food', gone: 'leek' })],
  ['PATCH', () => '/kitchen/settings', () => ({ measures: 'metric' })],
  ['POST', () => '/food-tables?fileName=flood.csv', () => 'code;name;Energy (kcal)\na;Flood;100\n', 'text/csv'],
  ['POST', () => '/receipts/read', () => 'item;price\nleek;1.20\n', 'text/csv'],
];

/** @returns the longest wait for health, and how many requests were broken or never ended */
export async function floods({ address }) {
  let longest = 0;
  let broken = 0;
  for (const [method, path, body, type] of FLOODS) {
    const ask = async (i) => {
      const sent = body?.(i);
      const answer = await fetch(`${address}/api${path(i)}`, {
        method,
        headers: type ? { 'content-type': type } : JSON_TYPE,
        signal: AbortSignal.timeout(60_000),
        ...(sent === undefined ? {} : { body: type ? sent : JSON.stringify(sent) }),
      });
      await answer.arrayBuffer();
      return answer.status;
    };
    const asked = () => Promise.all(Array.from({ length: AT_ONCE }, (_, i) => ask(i).catch((error) => String(error))));
    const { made, took, longest: waited } = await watched(address, asked);
    const counts = {};
    for (const status of made) counts[status] = (counts[status] ?? 0) + 1;
    broken += made.filter((status) => typeof status !== 'number' || status === 500).length;
    longest = Math.max(longest, waited);
    console.log(
      `${method.padEnd(6)} ${path(0).padEnd(44)} ${JSON.stringify(counts).padEnd(32)} ${milliseconds(took).padStart(8)}   health waits ${milliseconds(waited)} at most`,
    );
  }
  return { longest, broken };
}
