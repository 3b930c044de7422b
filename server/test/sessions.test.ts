import { Kitchen, packKey, shoppingFor, type Food, type Pack, type Recipe, type Session, type StockItem } from '@portiona/core';
import { innerServer } from './innerServer.js';

type Server = Awaited<ReturnType<typeof innerServer>>;
let server: Server;
beforeAll(async () => {
  server = await innerServer({ demo: false });
});
afterAll(() => server.close());

interface Saved {
  readonly id: string;
  readonly revision: number;
  readonly document: Session;
  readonly titles?: string[];
  readonly recipes?: Recipe[];
}
interface Tick {
  readonly pack: string;
  readonly state: string;
  readonly count: number;
  readonly paid?: string;
  readonly putAway: boolean;
}
interface Shopping {
  readonly needs: { food: string; need: number; stock: number; buy: number; dishes: { session: string; title: string; grams: number }[] }[];
  readonly foods: Food[];
  readonly packs: Pack[];
  readonly ticks: Tick[];
  readonly currency: string;
  readonly date: string;
  readonly trip: string;
}

const OATS = { id: 'oats', name: 'Rolled oats', measures: { scoop: 40 } };
const MILK = { id: 'milk', name: 'Milk', density: 1.03 };
const PACK = { food: 'oats', net: 500, unit: 'g', price: '0.95', currency: 'EUR', shop: 'Quay Market', seen: '2026-01-05' };
const recipe = (id: string, title: string) => ({
  id,
  title,
  servings: 4,
  parts: [
    {
      id: 'pot',
      name: 'Pot',
      lines: [
        { food: 'oats', amount: 240, unit: 'g' },
        { food: 'milk', amount: 1, unit: 'l' },
      ],
    },
  ],
  steps: [
    { text: 'Measure.', minutes: 3, uses: [] },
    { text: 'Simmer on the hob.', minutes: 12, hands: 12 },
  ],
});
const session = (over: Partial<Session> = {}): Session => ({ id: 'sunday', date: '2026-12-06', dishes: [{ recipe: 'porridge' }], ...over });
const body = <T>(response: unknown) => (response as { body: T }).body;

beforeAll(async () => {
  for (const document of [OATS, MILK]) await server.http.post('/api/foods').send({ document }).expect(201);
  await server.http.post('/api/packs').send({ document: PACK }).expect(201);
  await server.http
    .post('/api/recipes')
    .send({ document: recipe('porridge', 'Porridge') })
    .expect(201);
});

test('a session is kept, listed by day with its dishes, opened with its recipes, and saved on its revision alone', async () => {
  await server.http
    .post('/api/sessions')
    .send({ document: session({ id: 'later', date: '2026-12-20' }) })
    .expect(201);
  const made = body<Saved>(await server.http.post('/api/sessions').send({ document: session() }).expect(201));
  expect(made.revision).toBe(1);
  const listed = body<Saved[]>(await server.http.get('/api/sessions').expect(200));
  expect(listed.map(({ id, titles }) => [id, titles])).toEqual([
    ['sunday', ['Porridge']],
    ['later', ['Porridge']],
  ]);
  const opened = body<Saved>(await server.http.get('/api/sessions/sunday').expect(200));
  expect(opened.recipes?.map(({ id }) => id)).toEqual(['porridge']);
  const cooks = session({ cooks: 2, name: 'Sunday prep' });
  await server.http.put('/api/sessions/sunday').send({ revision: 1, document: cooks }).expect(200);
  const stale = body<{ current: Saved }>(
    await server.http.put('/api/sessions/sunday').send({ revision: 1, document: session() }).expect(409),
  );
  expect([stale.current.revision, stale.current.document]).toEqual([2, cooks]);
  await server.http.post('/api/sessions').send({ document: session() }).expect(409);
});

test('a session that speaks of what is not there is refused with its place, and nothing is written', async () => {
  const sent = session({ id: 'wrong', dishes: [{ recipe: 'porrige' }], done: [{ dish: 2, step: 1, start: 0 }] });
  const told = body<{ errors?: { path: string }[] }>(await server.http.post('/api/sessions').send({ document: sent }).expect(422));
  expect(JSON.stringify(told)).toContain('document.dishes[0].recipe');
  expect(JSON.stringify(told)).toContain('document.done[0].dish');
  await server.http.get('/api/sessions/wrong').expect(404);
});

test('put away and taken out again', async () => {
  await server.http.delete('/api/sessions/later').expect(204);
  expect(body<Saved[]>(await server.http.get('/api/sessions').expect(200)).map(({ id }) => id)).toEqual(['sunday']);
  await server.http.post('/api/sessions/later/restore').expect(204);
  expect(body<Saved[]>(await server.http.get('/api/sessions').expect(200))).toHaveLength(2);
});

test('what a session notes of a step that is gone since says nothing, and the kitchen’s file is sound', async () => {
  await server.http
    .post('/api/recipes')
    .send({ document: recipe('gruel', 'Gruel') })
    .expect(201);
  const noted = session({ id: 'noted', dishes: [{ recipe: 'gruel' }], pinned: [{ dish: 1, step: 2, start: 30 }] });
  await server.http.post('/api/sessions').send({ document: noted }).expect(201);
  const { revision } = body<{ revision: number }>(await server.http.get('/api/recipes/gruel').expect(200));
  const shorter = { ...recipe('gruel', 'Gruel'), steps: [{ text: 'Measure.' }] };
  await server.http.put('/api/recipes/gruel').send({ revision, document: shorter }).expect(200);
  const file = JSON.parse((await server.http.get('/api/exports/kitchen-file').expect(200)).text) as { sessions: Session[] };
  expect(file.sessions.find(({ id }) => id === 'noted')).toEqual({ ...noted, pinned: [] });
  const other = await innerServer({ demo: false });
  try {
    const taken = body<{ sessions: number }>(await other.http.post('/api/imports/kitchen-file').send(file).expect(201));
    expect(taken.sessions).toBe(3);
  } finally {
    await other.close();
  }
  await server.http.delete('/api/sessions/noted').expect(204);
});

test('shopping: what sessions need less what is in stock, and the basket is kept once, the later tick before the earlier', async () => {
  await server.http
    .post('/api/stock')
    .send({
      items: [
        { food: 'oats', amount: 3, unit: 'scoop', place: 'cupboard' },
        { food: 'milk', amount: 0.5, unit: 'l', bestBefore: '2026-12-05' },
      ],
    })
    .expect(201);
  const shopping = async () => body<Shopping>(await server.http.get('/api/shopping?sessions=later,sunday').expect(200));
  const before = await shopping();
  expect(before.needs.map(({ food, need, stock, buy }) => [food, need, stock, buy])).toEqual([
    ['milk', 2060, 0, 2060],
    ['oats', 480, 120, 360],
  ]);
  expect(before.needs[1]!.dishes.map(({ session: of, title, grams }) => [of, title, grams])).toEqual([
    ['sunday', 'Porridge', 240],
    ['later', 'Porridge', 240],
  ]);
  // What the page does with it.
  const kitchen = new Kitchen({
    settings: { currency: before.currency, date: before.date, measures: 'metric', rules: 'plain', staples: 'counted' },
    foods: before.foods,
    packs: before.packs,
    recipes: [],
  });
  const list = shoppingFor({ foods: before.needs.map((need) => ({ ...need, dishes: [], taken: new Map() })), unmatched: [] }, kitchen);
  expect([list.cost.toNumber(), list.atLeast]).toEqual([0.95, true]);
  const pack = packKey({ food: 'oats', net: 500, unit: 'g', shop: 'Quay Market' });
  const tick = async (state: string, at: string, count = 1) =>
    body<Tick[]>(
      await server.http
        .post('/api/shopping/ticks')
        .send({ sessions: ['sunday', 'later'], ticks: [{ pack, state, count, at, paid: '0.99' }] })
        .expect(200),
    );
  await tick('bought', '2026-12-01T10:05:00Z');
  expect((await tick('missing', '2026-12-01T10:01:00Z')).map(({ state }) => state)).toEqual(['bought']);
  const put = body<{ added: number }>(await server.http.post('/api/shopping/put-away?sessions=later,sunday').expect(200));
  expect(put.added).toBe(1);
  // Put away once: a second press adds nothing, and no tick that comes late takes it out again.
  expect(body<{ added: number }>(await server.http.post('/api/shopping/put-away?sessions=sunday,later').expect(200)).added).toBe(0);
  expect(await tick('open', '2026-12-01T11:00:00Z')).toEqual([expect.objectContaining({ state: 'bought', putAway: true })]);
  const after = await shopping();
  expect(after.needs[1]).toMatchObject({ stock: 480, buy: 0 });
});

test('a list as text, as a sheet that holds no formula, as a PDF; sessions as a calendar; what uses up what is left', async () => {
  const at = '?sessions=sunday';
  await server.http
    .post('/api/foods')
    .send({ document: { id: 'trap', name: '=HYPERLINK("x")' } })
    .expect(201);
  await server.http
    .post('/api/recipes')
    .send({
      document: {
        ...recipe('oat-bar', 'Oat bar'),
        parts: [
          {
            id: 'pot',
            name: 'Pot',
            lines: [
              { food: 'oats', amount: 900, unit: 'g' },
              { food: 'trap', amount: 5, unit: 'g' },
            ],
          },
        ],
      },
    })
    .expect(201);
  await server.http
    .post('/api/sessions')
    .send({ document: session({ id: 'bars', name: 'Bars, and more', dishes: [{ recipe: 'oat-bar' }] }) })
    .expect(201);
  const text = (await server.http.get('/api/exports/shopping.txt?sessions=bars').expect(200)).text;
  expect(text).toContain('  1 × 500 g Rolled oats, 0.95 EUR');
  const sheet = (await server.http.get('/api/exports/shopping.csv?sessions=bars').expect(200)).text;
  expect(sheet).toContain('no price that counts');
  expect(sheet).not.toMatch(/(?:^|,)"?=HYPERLINK/m);
  const pdf = (await server.http.get(`/api/exports/shopping.pdf${at}`).responseType('blob').expect(200)) as { body: Buffer };
  expect(pdf.body.subarray(0, 5).toString()).toBe('%PDF-');
  const calendar = (await server.http.get('/api/exports/sessions.ics').expect(200)).text;
  expect(calendar).toContain('SUMMARY:Bars\\, and more');
  // Fifteen minutes from nine, by the kitchen's own clock.
  expect(calendar).toMatch(/DTSTART:20261206T090000\r?\nDTEND:20261206T091500/);
  const uses = body<{ recipe: string; foods: { name: string; takes: number; all: boolean }[] }[]>(
    await server.http.get('/api/shopping/uses-up?sessions=bars').expect(200),
  );
  expect(uses.map(({ recipe: of }) => of)).toContain('porridge');
  await server.http.get('/api/exports/shopping.csv?sessions=nobody').expect(404);
});

test('a batch takes what it used out of stock once, and says what lacked', async () => {
  await server.http
    .post('/api/batches')
    .send({ document: { id: 'cooked', recipe: 'porridge', date: '2026-12-06', servings: 2 } })
    .expect(201);
  const take = async () =>
    body<{ taken: number; lacking: string[]; before: boolean }>(await server.http.post('/api/batches/cooked/take-stock').expect(200));
  const amounts = async () =>
    body<{ items: { document: StockItem }[] }>(await server.http.get('/api/stock').expect(200)).items.map(
      ({ document: { food, amount, unit } }) => `${food} ${amount} ${unit}`,
    );
  expect(await amounts()).toEqual(['milk 0.5 l', 'oats 3 scoop', 'oats 500 g']);
  // 120 g of oats are the three scoops; half a litre of milk is all there is.
  expect(await take()).toEqual({ taken: 2, lacking: [], before: false });
  expect(await amounts()).toEqual(['oats 500 g']);
  expect(await take()).toEqual({ taken: 0, lacking: [], before: true });
  await server.http.post('/api/batches/nobody/take-stock').expect(404);
  await server.http
    .post('/api/stock')
    .send({
      items: [
        { food: 'oats', amount: 3, unit: 'scoop', place: 'cupboard' },
        { food: 'milk', amount: 0.5, unit: 'l', bestBefore: '2026-12-05' },
      ],
    })
    .expect(201);
});

test('stock is counted by hand on its revision; a food merged into another takes its stock along', async () => {
  const listed = body<{ items: { id: string; revision: number; document: StockItem }[] }>(await server.http.get('/api/stock').expect(200));
  expect(listed.items.map(({ document }) => document.food)).toEqual(['milk', 'oats', 'oats']);
  const { id, document } = listed.items.find(({ document: { unit } }) => unit === 'scoop')!;
  const fewer = { ...document, amount: 2 };
  await server.http.put(`/api/stock/${id}`).send({ revision: 1, document: fewer }).expect(200);
  await server.http.put(`/api/stock/${id}`).send({ revision: 1, document }).expect(409);
  await server.http
    .put(`/api/stock/${id}`)
    .send({ revision: 2, document: { ...fewer, unit: 'bag' } })
    .expect(422);
  await server.http
    .post('/api/stock')
    .send({
      items: [
        { food: 'oats', amount: 1, unit: 'kg' },
        { food: 'gold', amount: 1, unit: 'kg' },
      ],
    })
    .expect(422);
  await server.http
    .post('/api/foods')
    .send({ document: { id: 'oat-flakes', name: 'Oat flakes', measures: { scoop: 30 } } })
    .expect(201);
  await server.http.post('/api/merges').send({ kept: 'oat-flakes', gone: 'oats' }).expect(201);
  const merged = body<{ items: { document: StockItem }[] }>(await server.http.get('/api/stock').expect(200));
  // Three hundred grams stay what they are, whatever either food calls a scoop.
  expect(merged.items.map(({ document: { food, amount, unit } }) => [food, amount, unit]).sort()).toEqual([
    ['milk', 0.5, 'l'],
    ['oat-flakes', 500, 'g'],
    ['oat-flakes', 80, 'g'],
  ]);
  await server.http.delete(`/api/stock/${id}`).expect(204);
  await server.http.delete(`/api/stock/${id}`).expect(404);
  await server.http.delete('/api/stock/not-an-id').expect(404);
  await server.http.get('/api/shopping?sessions=nobody').expect(404);
});

test('what stands in for a food is told with its packs, and a tick keeps whose place it takes', async () => {
  const grain = (id: string, name: string) => ({ id, name, aisle: 'grains', state: 'dry', nutrients: { energyKcal: 360, protein: 10 } });
  for (const document of [grain('rye', 'Rye flakes'), grain('spelt', 'Spelt flakes')])
    await server.http.post('/api/foods').send({ document }).expect(201);
  for (const food of ['rye', 'spelt'])
    await server.http
      .post('/api/packs')
      .send({ document: { ...PACK, food } })
      .expect(201);
  const dish = { ...recipe('rye', 'Rye porridge'), parts: [{ id: 'pot', name: 'Pot', lines: [{ food: 'rye', amount: 300, unit: 'g' }] }] };
  await server.http.post('/api/recipes').send({ document: dish }).expect(201);
  await server.http
    .post('/api/sessions')
    .send({ document: session({ id: 'rye', dishes: [{ recipe: 'rye' }] }) })
    .expect(201);
  interface WithStandIns extends Shopping {
    readonly standIns: { of: string; foods: { food: string; shared: number }[] }[];
  }
  const found = body<WithStandIns>(await server.http.get('/api/shopping?sessions=rye').expect(200));
  expect(found.standIns).toMatchObject([{ of: 'rye', foods: [{ food: 'spelt', shared: 1 }] }]);
  expect(found.foods.map(({ id }) => id).sort()).toEqual(['rye', 'spelt']);
  expect(found.packs.map(({ food }) => food).sort()).toEqual(['rye', 'spelt']);
  const pack = packKey({ food: 'spelt', net: 500, unit: 'g', shop: 'Quay Market' });
  const ticks = [{ pack, state: 'bought', count: 1, at: '2026-12-01T12:00:00Z', instead: 'rye' }];
  const kept = body<object[]>(
    await server.http
      .post('/api/shopping/ticks')
      .send({ sessions: ['rye'], ticks })
      .expect(200),
  );
  expect(kept).toMatchObject([{ pack, state: 'bought', instead: 'rye' }]);
});

test('what is in stock and spoils soon is told with the dishes that would use it up', async () => {
  await server.http.patch('/api/kitchen/settings').send({ date: '2026-12-01' }).expect(200);
  const dish = { ...recipe('spelt', 'Spelt'), parts: [{ id: 'pot', name: 'Pot', lines: [{ food: 'spelt', amount: 300, unit: 'g' }] }] };
  await server.http.post('/api/recipes').send({ document: dish }).expect(201);
  const items = [
    { food: 'rye', amount: 200, unit: 'g', bestBefore: '2026-12-04' },
    { food: 'spelt', amount: 900, unit: 'g', bestBefore: '2027-06-01' },
  ];
  await server.http.post('/api/stock').send({ items }).expect(201);
  const found = body<{ recipe: string; before: string | null; foods: { name: string; all: boolean }[] }[]>(
    await server.http.get('/api/shopping/uses-up?sessions=').expect(200),
  );
  expect(found[0]).toMatchObject({ recipe: 'rye', before: '2026-12-04', foods: [{ name: 'Rye flakes', all: true }] });
  // In half a year it is not yet to be thought of.
  expect(found.find(({ recipe: id }) => id === 'spelt')).toMatchObject({ before: null, foods: [{ name: 'Spelt flakes' }] });
});

test('a plan is looked for in a thread: told as it gets better, the last one finished, and refused with the place', async () => {
  const lines = (await server.http.get('/api/sessions/sunday/plan?seconds=2').expect(200)).text.trimEnd().split('\n');
  const plans = lines.map(
    (line) => JSON.parse(line) as { session: string; minutes: number; bound: number; proven: boolean; finished: boolean },
  );
  expect(plans.at(-1)).toMatchObject({ session: 'sunday', minutes: 15, bound: 15, proven: true, finished: true });
  expect(plans.slice(0, -1).every(({ finished }) => !finished)).toBe(true);
  await server.http.get('/api/sessions/nowhere/plan').expect(404);
  expect((await server.http.get('/api/sessions/sunday/plan?now=-1').expect(422)).text).toContain('whole number from 0');
  const { document, revision } = body<Saved>(await server.http.get('/api/sessions/sunday').expect(200));
  const without = { ...document, equipment: [{ name: 'hob', count: 0 }] };
  await server.http.put('/api/sessions/sunday').send({ revision, document: without }).expect(200);
  expect((await server.http.get('/api/sessions/sunday/plan').expect(422)).text).toContain('hob');
});

test('whoever goes away ends the search: the next one has its turn at once', async () => {
  // Too much to be proven in a minute: ten dishes of eight steps that wait for each other's ring.
  const steps = Array.from({ length: 8 }, (_, i) => ({
    text: `Step ${i}`,
    minutes: 3 + ((i * 7) % 11),
    hands: 1 + (i % 3),
    uses: ['hob'],
  }));
  await server.http
    .post('/api/recipes')
    .send({ document: { ...recipe('long', 'Long'), steps } })
    .expect(201);
  const dishes = Array.from({ length: 10 }, () => ({ recipe: 'long' }));
  const equipment = [{ name: 'hob', count: 3 }];
  await server.http
    .post('/api/sessions')
    .send({ document: session({ id: 'hard', cooks: 2, equipment, dishes }) })
    .expect(201);
  await server.http
    .post('/api/sessions')
    .send({ document: session({ id: 'quick' }) })
    .expect(201);
  const given = new AbortController();
  const address = (await server.app.getUrl()).replace('[::1]', '127.0.0.1');
  const answer = await fetch(`${address}${server.kitchen}/sessions/hard/plan?seconds=60`, {
    headers: server.headers,
    signal: given.signal,
  });
  const first = await answer.body!.getReader().read();
  expect(Buffer.from(first.value ?? []).toString()).toContain('"finished":false');
  given.abort();
  const from = performance.now();
  await server.http.get('/api/sessions/quick/plan?seconds=1').expect(200);
  expect(performance.now() - from).toBeLessThan(20_000);
}, 90_000);
