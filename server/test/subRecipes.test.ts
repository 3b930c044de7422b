import { testServer } from './testServer.js';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const OATS = 'overnight-oats-plum-compote';
const POTS = 'yoghurt-pots-plum-compote';

interface Document {
  readonly id: string;
  readonly title: string;
  readonly parts: readonly { readonly id: string; readonly lines: readonly object[] }[];
}
interface Open {
  readonly revision: number;
  readonly document: Document;
  readonly subRecipes: readonly Document[];
  readonly usedIn: readonly object[];
}
const open = async (id: string) => (await server.http.get(`/api/recipes/${id}`).expect(200)).body as Open;
const put = (id: string, revision: number, document: object) => server.http.put(`/api/recipes/${id}`).send({ revision, document });

interface Figures {
  readonly energyKcal: number;
}
interface Moved {
  readonly before: Figures;
  readonly now: Figures;
}

test('a recipe opens with what it is built on, and with the dishes built on it', async () => {
  const pots = await open(POTS);
  expect(pots.subRecipes.map(({ id }) => id)).toEqual([OATS]);
  expect(pots.usedIn).toEqual([]);
  expect((await open(OATS)).usedIn).toEqual([{ id: POTS, title: 'Yoghurt pots, plum compote', parts: ['compote'] }]);
});

test('every part can be taken, but none of a recipe that is built on the one that takes it, nor its own', async () => {
  const parts = async (of: string) =>
    (await server.http.get(`/api/reusable-parts?for=${of}`).expect(200)).body as { recipe: string; part: string; cooked: number }[];
  const forPots = await parts(POTS);
  expect(forPots.map(({ recipe, part }) => `${recipe}/${part}`)).toContain(`${OATS}/compote`);
  expect(forPots.some(({ recipe }) => recipe === POTS)).toBe(false);
  // 645 g at a yield of 0.85
  expect(forPots.find(({ part }) => part === 'compote')?.cooked).toBeCloseTo(0.85 * (600 + 42 + 2.6), -1);
  expect((await parts(OATS)).some(({ recipe }) => recipe === POTS || recipe === OATS)).toBe(false);
});

test('a base that is edited moves the dish, and the dish says so until it is taken', async () => {
  const upstream = async () =>
    (await server.http.get(`/api/recipes/${POTS}/upstream-changes`).expect(200)).body as Moved & { moved: object[] };
  expect((await upstream()).moved).toEqual([]);
  const { revision, document } = await open(OATS);
  const lines = [{ food: 'plum', amount: 600, unit: 'g' }];
  const edited = { ...document, steps: [], parts: document.parts.map((part) => (part.id === 'compote' ? { ...part, lines } : part)) };
  await put(OATS, revision, edited).expect(200);
  const moved = await upstream();
  expect(moved.moved).toMatchObject([{ kind: 'recipe', id: OATS, name: 'Overnight oats with plum compote' }]);
  expect(moved.now.energyKcal).toBeLessThan(moved.before.energyKcal - 10);
  const [dish] = (await server.http.get(`/api/recipes/${OATS}/dishes`).expect(200)).body as (Moved & { id: string; taken: object[] })[];
  expect(dish).toMatchObject({ id: POTS, taken: [{ part: 'compote', grams: 400 }], before: moved.before, now: moved.now });

  // A save of the dish agrees to nothing; taking it does.
  const pots = await open(POTS);
  await put(POTS, pots.revision, pots.document).expect(200);
  expect((await upstream()).moved).toHaveLength(1);
  await server.http.post(`/api/recipes/${POTS}/upstream-changes`).expect(204);
  expect(await upstream()).toMatchObject({ moved: [], before: moved.now, now: moved.now });

  // Another title moves no figure.
  const again = await open(OATS);
  await put(OATS, again.revision, { ...again.document, title: 'Overnight oats' }).expect(200);
  expect((await upstream()).moved).toEqual([]);
});

test('a part that came to a base after it was agreed to is held against nothing older', async () => {
  const { revision, document } = await open(OATS);
  const more = { id: 'seeds', name: 'Seeds', lines: [{ food: 'hazelnuts', amount: 100, unit: 'g' }] };
  await put(OATS, revision, { ...document, parts: [...document.parts, more] }).expect(200);
  const pots = await open(POTS);
  const [first, ...others] = pots.document.parts;
  const taken = { ...first, lines: [...(first?.lines ?? []), { recipe: OATS, part: 'seeds', amount: 50, unit: 'g' }] };
  await put(POTS, pots.revision, { ...pots.document, parts: [taken, ...others] }).expect(200);
  const upstream = (await server.http.get(`/api/recipes/${POTS}/upstream-changes`).expect(200)).body as Moved;
  expect(upstream.now.energyKcal).toBeCloseTo(upstream.before.energyKcal, 9);
});

test('a part that a dish takes stays; a recipe cannot be built on itself through another', async () => {
  const { revision, document } = await open(OATS);
  const without = { ...document, parts: document.parts.filter(({ id }) => id !== 'compote') };
  const refused = await put(OATS, revision, without).expect(422);
  expect(JSON.stringify(refused.body)).toContain('\\"Yoghurt pots, plum compote\\" takes its part \\"compote\\"');
  const line = { recipe: POTS, part: 'pots', amount: 100, unit: 'g' };
  const circle = { ...document, parts: document.parts.map((part) => (part.id === 'compote' ? { ...part, lines: [line] } : part)) };
  await put(OATS, revision, circle).expect(422);
  expect((await open(OATS)).revision).toBe(revision);
  await server.http.get('/api/recipes').expect(200);
});

test('a dish with a variant built on another recipe is found by it, and no longer once the variant is gone', async () => {
  const { revision, document } = await open('egg-and-leek-muffins');
  const line = { recipe: OATS, part: 'oats', amount: 50, unit: 'g' };
  const variants = [{ name: 'odd', changes: [{ part: 'muffins', line }] }];
  await put(document.id, revision, { ...document, variants }).expect(200);
  const dishes = async () => (await open(OATS)).usedIn.map((dish) => (dish as Document).id);
  expect(await dishes()).toEqual([document.id, POTS]);
  await put(document.id, revision + 1, document).expect(200);
  expect(await dishes()).toEqual([POTS]);
  await server.http.get('/api/recipes/nobody/dishes').expect(404);
});
