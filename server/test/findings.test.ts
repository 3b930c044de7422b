import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

interface Found {
  readonly recipe: string;
  readonly title: string;
  readonly open: readonly { readonly code: string; readonly at: string; readonly severity: string }[];
  readonly left: number;
  readonly uncomputed: string | null;
}
const findings = async () => (await server.http.get('/api/findings').expect(200)).body as Found[];
const of = async (recipe: string) => (await findings()).find((one) => one.recipe === recipe);
const CODES = (found: Found | undefined) => found?.open.map(({ code, at }) => `${code} ${at}`) ?? [];

const DISH = {
  id: 'late-pot',
  title: 'Late pot',
  servings: 4,
  servingName: 'box',
  parts: [{ id: 'pot', name: 'Pot', lines: [{ food: 'leek', amount: 800, unit: 'g' }] }],
  steps: ['Stew the leeks for 20 minutes, until soft. Leave on the worktop overnight.', 'Share into 4 boxes.'],
};
const publish = (id = 'late-pot') => server.http.post(`/api/recipes/${id}/published-cards`);
const save = async (change: object) => {
  const { body } = (await server.http.get('/api/recipes/late-pot').expect(200)) as { body: { revision: number; document: object } };
  await server.http
    .put('/api/recipes/late-pot')
    .send({ revision: body.revision, document: { ...body.document, ...change } })
    .expect(200);
};

test('the demo is clean by its own rules, its reasons kept', async () => {
  expect((await findings()).filter(({ open }) => open.length > 0).map(({ recipe }) => recipe)).toEqual([]);
});

test('what Check finds is listed dish by dish, and follows what is saved', async () => {
  await server.http.post('/api/recipes').send({ document: DISH }).expect(201);
  expect(CODES(await of('late-pot'))).toEqual(['cooled-late step/1']);
  await save({ steps: ['Stew the leeks for 20 minutes, until soft. Stir in the honey.', 'Share into 4 boxes.'] });
  // A food at hand that no line lists is known of, whoever asks.
  expect(CODES(await of('late-pot'))).toEqual(['step-unlisted step/1']);
  await save({ steps: DISH.steps });
});

test('something wrong is not published until it is mended or left with a reason', async () => {
  const { body } = (await publish().expect(409)) as { body: { type: string; findings: { code: string }[] } };
  expect([body.type, body.findings.map(({ code }) => code)]).toEqual(['urn:portiona:open-findings', ['cooled-late']]);
  expect(((await server.http.get('/api/published-cards').expect(200)).body as { recipe: string }[]).map(({ recipe }) => recipe)).toEqual(
    [],
  );
  await save({ accepted: [{ code: 'cooled-late', at: 'step/1', because: 'the worktop is in the cold store' }] });
  expect((await of('late-pot'))?.open ?? []).toEqual([]);
  const { body: card } = (await publish().expect(201)) as { body: { title: string; printed: { name: string; unit: string }[] } };
  expect([card.title, card.printed.map(({ name, unit }) => `${name} ${unit}`)]).toEqual([
    'Late pot',
    ['Energy kcal', 'Protein g', 'Costs, used €'],
  ]);
  expect((await server.http.get('/api/published-cards').expect(200)).body).toMatchObject([{ ...card, drift: [] }]);
});

test('a card holds while all that a reader sees is as it was: words, keeping and minutes too', async () => {
  const drift = async () =>
    (
      (await server.http.get('/api/published-cards').expect(200)).body as {
        recipe: string;
        drift: { name: string; was: string; is: string }[];
      }[]
    ).find(({ recipe }) => recipe === 'late-pot')?.drift;
  expect(await drift()).toEqual([]);
  await save({
    lead: 'Leeks, and no more.',
    totalMinutes: 40,
    storage: { fridgeDays: 2 },
    steps: [DISH.steps[0], 'Share into 4 boxes, hot.'],
  });
  expect((await drift())?.map(({ name }) => name)).toEqual(['Lead', 'In all', 'Step 2', 'Fridge']);
  expect(CODES(await of('late-pot'))).toEqual(['published-differs serving']);
  await save({ lead: undefined, totalMinutes: undefined, storage: undefined, steps: DISH.steps });
  expect(await drift()).toEqual([]);
});

test('words too long to be read are said to be so, and keep no list from the others', async () => {
  const steps = Array.from({ length: 25 }, () => '5 min: '.repeat(280));
  await server.http
    .post('/api/recipes')
    .send({ document: { ...DISH, id: 'long-pot', steps } })
    .expect(201);
  expect(await of('long-pot')).toMatchObject({ open: [], uncomputed: expect.stringContaining('too long to be checked') as string });
  expect((await of('late-pot'))?.open ?? []).toEqual([]);
  const { body } = (await publish('long-pot').expect(422)) as { body: { detail: string } };
  expect(body.detail).toContain('too long to be checked');
});
