// How long lists of recipes take: as they stand, after a price has changed under all of them, and a page of ten thousand.
import { manyRecipes } from './manyRecipes.mjs';
import { milliseconds, watched } from './watch.mjs';
import { asOwner } from '../../scripts/asOwner.mjs';

const [address] = process.argv.slice(2);
await asOwner(address);
const call = async (path, options) => {
  const answer = await fetch(`${address}/api${path}`, options);
  const text = await answer.text();
  if (!answer.ok) throw new Error(text.slice(0, 300));
  return text;
};
const json = (body, method = 'POST') => ({ method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

async function times(name, count, ask, before = () => undefined) {
  const took = [];
  let bytes = 0;
  const { longest } = await watched(address, async () => {
    for (let i = 0; i < count; i++) {
      await before(i);
      const began = performance.now();
      bytes = (await ask(i)).length;
      took.push(performance.now() - began);
    }
  });
  took.sort((a, b) => a - b);
  const at = (share) => milliseconds(took[Math.min(took.length - 1, Math.floor(share * took.length))]);
  console.log(
    `${name.padEnd(66)} ${at(0.5).padStart(8)} at the median, ${at(0.95).padStart(8)} at 95 %, ${(bytes / 1024).toFixed(0).padStart(5)} kB; health waits ${milliseconds(longest)} at most`,
  );
}

const ALL = 10_000;
const PART = 2_000;
await call('/imports/kitchen-file?there=keep', json(manyRecipes(1_000)));
const saved = JSON.parse(await call('/recipes/bench-7'));
const price = (i) => ({
  food: `bench-food-${i % 60}`,
  net: 500,
  unit: 'g',
  price: `${2 + (i % 9)}.05`,
  currency: 'EUR',
  shop: 'Bench',
  seen: '2026-11-02',
});
await times('GET /recipes of 1,000, the first time', 1, () => call('/recipes'));
await times('GET /recipes of 1,000', 100, () => call('/recipes'));
let { revision, document } = saved;
await times(
  'GET /recipes of 1,000, one of them just saved',
  40,
  () => call('/recipes'),
  async (i) => {
    ({ revision, document } = JSON.parse(
      await call('/recipes/bench-7', json({ revision, document: { ...document, title: `Dish ${i}` } }, 'PUT')),
    ));
  },
);
await times(
  'GET /recipes of 1,000, a price of 230 of them just changed',
  20,
  () => call('/recipes'),
  (i) => call('/packs', json({ document: price(i) })),
);
for (let from = 1_000; from < ALL; from += PART)
  await call('/imports/kitchen-file?there=keep', json(manyRecipes(Math.min(PART, ALL - from), from)));
await times('a first page of 10,000, nothing computed yet of 9,000', 1, () => call('/recipe-pages?count=100'));
await times('a page of 10,000', 60, (i) =>
  call(`/recipe-pages?count=100&order=${['series', 'protein', 'usedCost'][i % 3]}&from=${(i * 160) % 9_900}`),
);
await times('a page of 10,000, by words', 30, (i) => call(`/recipe-pages?count=100&words=dish%20${i}`));
