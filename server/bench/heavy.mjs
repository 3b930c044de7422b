// Heavy things, one after another, and how long a health request waits beside each of them.
import { manyRecipes } from './manyRecipes.mjs';
import { megabytes, memoryOf, milliseconds, pause, watched } from './watch.mjs';

const JSON_TYPE = { 'content-type': 'application/json' };

/** A dish of so many parts and lines. */
function largeDish(id, parts, lines) {
  const part = (p) => ({
    id: `p${p}`,
    name: `Part ${p}`,
    lines: Array.from({ length: lines }, (_, l) => ({
      food: `bench-food-${(p + l) % 60}`,
      amount: 10 + l,
      unit: 'g',
      note: 'finely chopped',
    })),
  });
  return {
    id,
    title: 'A large dish',
    servings: 10,
    parts: Array.from({ length: parts }, (_, p) => part(p)),
    steps: Array.from({ length: 200 }, (_, s) => `Cook part ${s} for 10 minutes, until soft.`),
  };
}

function table(rows) {
  let text = 'code;name;Energy (kcal);Protein (g);Fat (g);Carbohydrate (g);Fibre (g);Sodium (mg)\n';
  for (let i = 0; i < rows; i++)
    text += `b${i};Table food number ${i};${100 + (i % 300)};${i % 20};${i % 10};${i % 60};${i % 7};${i % 400}\n`;
  return text;
}

/** @param server address and pid of a server with the demo kitchen */
export async function heavyThings({ address, pid }) {
  const post = (path, body, headers = JSON_TYPE) => fetch(`${address}/api${path}`, { method: 'POST', headers, body });
  const get = async (path) => {
    const answer = await fetch(`${address}/api${path}`);
    await answer.arrayBuffer();
    return answer.status;
  };
  const status = async (answering) => {
    const answer = await answering;
    await answer.arrayBuffer();
    return answer.status;
  };
  await get('/recipes'); // the threads are up
  let worst = 0;
  const row = async (name, work, size) => {
    await pause(200);
    const before = memoryOf(pid);
    const { made, took, longest, usual } = await watched(address, work);
    const after = memoryOf(pid);
    worst = Math.max(worst, longest);
    const grown = Math.max(0, after.most - before.most);
    console.log(
      `${name.padEnd(44)} ${String(made).padEnd(10)} ${milliseconds(took).padStart(8)}   health waits ${milliseconds(longest)} at most, ${milliseconds(usual)} at 95 %` +
        (size ? `   memory's height grew ${megabytes(grown)}, ${(grown / size).toFixed(1)} x the body` : ''),
    );
  };
  const sized = (name, path, body) => row(name, () => status(post(path, body)), body.length);
  await sized('2 MB of empty parts', '/recipes', `{"document":{"id":"a","title":"a","servings":1,"parts":[${'{},'.repeat(690_000)}{}]}}`);
  await sized(
    '1.9 MB of 160,000 unknown keys',
    '/recipes',
    `{"document":{${Array.from({ length: 160_000 }, (_, i) => `"k${i}":1`).join(',')}}}`,
  );
  await sized('31 MB of empty foods', '/imports/kitchen-file', `{"format":"portiona/1","foods":[${'{},'.repeat(10_300_000)}{}]}`);
  await sized(
    '31 MB of foods that lack all but an id',
    '/imports/kitchen-file',
    `{"format":"portiona/1","foods":[${Array.from({ length: 1_200_000 }, (_, i) => `{"id":"f${i}","x":{}}`).join(',')}]}`,
  );
  await sized('500 recipes as a kitchen file', '/imports/kitchen-file', JSON.stringify(manyRecipes(500)));
  await row('GET /recipes, 515 recipes', () => get('/recipes'));
  await row(
    'GET /recipes, 20 at once',
    async () => new Set(await Promise.all(Array.from({ length: 20 }, () => get('/recipes')))).size === 1 && 200,
  );
  await row('swap of a food in all of them', () => get('/food-swaps?from=bench-food-1&to=bench-food-2'));
  await row('what parts can be taken', () => get('/reusable-parts'));
  await row('the kitchen as a file', () => get('/exports/kitchen-file'));
  await row('all recipes as a sheet', () => get('/exports/recipes.csv'));
  await row('a dish of 200 parts and 5,000 lines, saved', () =>
    status(post('/recipes', JSON.stringify({ document: largeDish('large', 200, 25) }))),
  );
  await row('its figures, page and Markdown', async () =>
    [await get('/recipes/large/card.html'), await get('/recipes/large/card.md'), await get('/exports/recipes/large/lines.csv')].join(' '),
  );
  await row('its card as a PDF', () => get('/recipes/large/card.pdf'));
  await row('a dish of 200 parts with a line each, saved', () =>
    status(post('/recipes', JSON.stringify({ document: largeDish('parts', 200, 1) }))),
  );
  await row('its card as a PDF', () => get('/recipes/parts/card.pdf'));
  await row(
    'a card of 14 lines as a PDF, 10 at once',
    async () => new Set(await Promise.all(Array.from({ length: 10 }, () => get('/recipes/bench-1/card.pdf')))).size === 1 && 200,
  );
  const brought = await (await post('/food-tables?fileName=bench.csv', table(50_000), { 'content-type': 'text/csv' })).json();
  const look = await (await fetch(`${address}/api/food-tables/${brought.id}/look`)).json();
  const take = JSON.stringify({ name: 'Bench', mapping: look.mapping });
  await row('a table of 50,000 foods, tried', () => status(post(`/food-tables/${brought.id}/preview`, take)));
  await row('the same, taken in', async () => {
    // Rows whose energy and macros disagree are asked about, and nothing is taken in until that is answered.
    const doubtful = { energy: 'asIs', parts: 'asIs' };
    await status(post(`/food-tables/${brought.id}/start`, JSON.stringify({ ...JSON.parse(take), doubtful })));
    for (;;) {
      const { state, message } = await (await fetch(`${address}/api/food-tables/${brought.id}`)).json();
      if (state !== 'running' && state !== 'done') throw new Error(`the table was not taken in: ${message}`);
      if (state === 'done') return state;
      await pause(100);
    }
  });
  return worst;
}
