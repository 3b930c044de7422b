// How long a table of 50,000 foods takes to come in, and then a search as it is typed among them, through HTTP.
import { asOwner } from '../../scripts/asOwner.mjs';
const [address] = process.argv.slice(2);
await asOwner(address);
const FOODS = 50_000;

const KINDS =
  'lentils beans rice oats barley beef chicken salmon yoghurt cheese potato carrot cabbage apple plum almond tomato onion pepper spinach pasta bread'.split(
    ' ',
  );
const WAYS = 'raw boiled roasted canned dried frozen smoked pickled steamed fresh grilled salted sweetened unsalted'.split(' ');
const WHENCE = 'north south harbour meadow valley ridge island mill orchard lowland upland river'.split(' ');
const MORE = 'red white green black brown young ripe large small whole sliced ground'.split(' ');
let state = 5;
const random = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
const oneOf = (list) => list[Math.floor(random() * list.length)];

const call = async (path, options) => {
  const answer = await fetch(`${address}/api${path}`, options);
  if (!answer.ok) throw new Error(await answer.text());
  return answer.status === 204 ? undefined : answer.json();
};
const json = (body) => ({ method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

const lines = ['Code;Food;Energy kcal;Protein g;Fat g;Carbohydrate g;Fibre g;Sodium mg'];
for (let i = 0; i < FOODS; i++)
  // A row whose energy and macros disagree is asked about, and nothing is taken in until that is answered.
  lines.push(
    `${i};${oneOf(MORE)} ${oneOf(KINDS)}, ${oneOf(WAYS)}, ${oneOf(WHENCE)} ${i};${Math.round(4 * ((i % 9) + 0.5) + 9 * 1.2 + 4 * (i % 13))};${i % 9},5;1,2;${i % 13};tr;<5`,
  );
for (const edition of ['new', 'again, nothing changed']) {
  const { id } = await call('/food-tables', { method: 'POST', headers: { 'content-type': 'text/csv' }, body: lines.join('\n') });
  const { mapping } = await call(`/food-tables/${id}/look`);
  const began = performance.now();
  await call(`/food-tables/${id}/start`, json({ name: 'Bench', mapping }));
  const waits = [];
  for (;;) {
    const asked = performance.now();
    const { state, result, message } = await call(`/food-tables/${id}`);
    waits.push(performance.now() - asked);
    if (state !== 'running') {
      if (state !== 'done') throw new Error(`the table was not taken in: ${message}`);
      waits.sort((a, b) => a - b);
      console.log(
        `table of ${FOODS} foods, ${edition.padEnd(22)} ${((performance.now() - began) / 1000).toFixed(1)} s (${message ?? JSON.stringify(result)}); others waited at most ${waits.at(-1).toFixed(0)} ms`,
      );
      break;
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

/** As typed: whole, begun, in another order, with a slip. */
const TYPED = {
  'whole words': () => `${oneOf(MORE)} ${oneOf(KINDS)}`,
  'a word begun': () => oneOf(KINDS).slice(0, 4),
  'other order': () => `${oneOf(WAYS)} ${oneOf(KINDS)} ${oneOf(WHENCE)}`,
  'with a slip': () => {
    const word = oneOf(KINDS.filter((one) => one.length > 5));
    return `${oneOf(WAYS)} ${word.slice(0, 2)}${word.slice(3)}`;
  },
};
for (let i = 0; i < 40; i++) await fetch(`${address}/api/found-foods?q=${encodeURIComponent(Object.values(TYPED)[i % 4]())}`);
for (const [what, typed] of Object.entries(TYPED)) {
  const taken = [];
  let found = 0;
  for (let i = 0; i < 120; i++) {
    const words = encodeURIComponent(typed());
    const started = performance.now();
    const answer = await (await fetch(`${address}/api/found-foods?q=${words}`)).json();
    taken.push(performance.now() - started);
    if (answer.length > 0) found++;
  }
  taken.sort((a, b) => a - b);
  console.log(
    `${FOODS} foods, ${what.padEnd(13)} median ${taken[60].toFixed(1).padStart(6)} ms, 95 % ${taken[114].toFixed(1).padStart(6)} ms, found something for ${found} of 120`,
  );
}
