// How long a search takes as it is typed, in a pantry of 50,000 foods, through HTTP.
const [address] = process.argv.slice(2);
const FOODS = 50_000;
const AT_ONCE = 5_000;

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

for (let from = 0; from < FOODS; from += AT_ONCE) {
  const foods = Array.from({ length: AT_ONCE }, (_, i) => ({
    id: `bench-${from + i}`,
    name: `${oneOf(MORE)} ${oneOf(KINDS)}, ${oneOf(WAYS)}, ${oneOf(WHENCE)} ${from + i}`,
    source: 'table',
    nutrients: { energyKcal: 100 },
  }));
  const answer = await fetch(`${address}/api/imports/kitchen-file`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ format: 'portiona/1', foods }),
  });
  if (!answer.ok) throw new Error(await answer.text());
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
// The database tidies up after so many rows at once; nobody searches while it does.
await new Promise((resolve) => setTimeout(resolve, 8_000));
for (let i = 0; i < 40; i++) await fetch(`${address}/api/foods/search?q=${encodeURIComponent(Object.values(TYPED)[i % 4]())}`);
for (const [what, typed] of Object.entries(TYPED)) {
  const taken = [];
  let found = 0;
  for (let i = 0; i < 120; i++) {
    const words = encodeURIComponent(typed());
    const started = performance.now();
    const answer = await (await fetch(`${address}/api/foods/search?q=${words}`)).json();
    taken.push(performance.now() - started);
    if (answer.length > 0) found++;
  }
  taken.sort((a, b) => a - b);
  console.log(
    `${FOODS} foods, ${what.padEnd(13)} median ${taken[60].toFixed(1).padStart(6)} ms, 95 % ${taken[114].toFixed(1).padStart(6)} ms, found something for ${found} of 120`,
  );
}
