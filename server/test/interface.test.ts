import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const DISH = {
  id: 'dish',
  title: 'Dish',
  servings: 2,
  parts: [{ id: 'main', name: 'Main', lines: [{ food: 'leek', amount: 2, unit: 'piece', text: '2 leeks' }] }],
};

/** A body the interface answers with. */
interface Body {
  readonly [key: string]: unknown;
  readonly revision: number;
  readonly faults: { readonly path: string; readonly message: string }[];
}

test('health says that the database answers', async () => {
  await server.http.get('/api/health').expect(200, { status: 'ok', database: 'up' });
});

test('the list says what a box delivers and costs', async () => {
  const { body } = (await server.http.get('/api/recipes').expect(200)) as { body: Record<string, { amount: number }>[] };
  const dal = body.find(({ id }) => (id as unknown) === 'smoky-lentil-and-squash-dal');
  expect(dal?.energyKcal?.amount).toBeCloseTo(671.9, 0);
  expect(dal?.fibre).toMatchObject({ atLeast: true });
});

test('the list says how sure a figure is, what a topping adds, what the till charges, and where energy comes from', async () => {
  const { body } = (await server.http.get('/api/recipes').expect(200)) as {
    body: {
      id: string;
      energyKcal: { amount: number; band: [number, number] };
      withTopping: { energyKcal: { amount: number } } | null;
      tillCost: { amount: number };
      usedCost: { amount: number };
      servings: number;
      energyShares: { share: number }[];
    }[];
  };
  const dal = body.find(({ id }) => id === 'smoky-lentil-and-squash-dal')!;
  expect(dal.energyKcal.band[0]).toBeCloseTo(614.65, 1);
  expect(dal.energyKcal.band[1]).toBeCloseTo(728.35, 0);
  expect(dal.withTopping?.energyKcal.amount).toBeGreaterThan(dal.energyKcal.amount);
  expect(dal.tillCost.amount).toBeCloseTo(23.8, 9);
  for (const { energyKcal, withTopping, tillCost, usedCost, servings, energyShares } of body) {
    expect(energyKcal.band[0]).toBeLessThan(energyKcal.amount);
    expect(energyKcal.band[1]).toBeGreaterThan(energyKcal.amount);
    expect(tillCost.amount).toBeGreaterThan(usedCost.amount * servings - 1e-9);
    expect(energyShares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    if (withTopping) expect(withTopping.energyKcal.amount).toBeGreaterThan(energyKcal.amount);
  }
  expect(body.some(({ withTopping }) => withTopping === null)).toBe(true);
});

test('a recipe is made, opened, saved and put away', async () => {
  await server.http.post('/api/recipes').send({ document: DISH }).expect(201);
  await server.http.post('/api/recipes').send({ document: DISH }).expect(409);
  const saved = (await server.http
    .put('/api/recipes/dish')
    .send({ revision: 1, document: { ...DISH, title: 'Renamed' } })
    .expect(200)) as { body: Body };
  expect(saved.body).toMatchObject({ revision: 2, document: { title: 'Renamed' } });
  await server.http.delete('/api/recipes/dish').expect(204);
  const { body } = (await server.http.get('/api/recipes')) as { body: { id: string }[] };
  expect(body.some(({ id }) => id === 'dish')).toBe(false);
  await server.http.post('/api/recipes/dish/restore').expect(204);
  await server.http.get('/api/recipes/dish').expect(200);
});

test('a save made on an old revision is told what is there, and writes nothing', async () => {
  const document = { ...DISH, id: 'twice' };
  await server.http.post('/api/recipes').send({ document }).expect(201);
  await server.http
    .put('/api/recipes/twice')
    .send({ revision: 1, document: { ...document, title: 'First' } })
    .expect(200);
  const { body } = (await server.http
    .put('/api/recipes/twice')
    .send({ revision: 1, document: { ...document, title: 'Second' } })
    .expect(409)) as { body: Body };
  expect(body).toMatchObject({ status: 409, current: { revision: 2, document: { title: 'First' } } });
});

test('of many saves at once on one revision, one is written', async () => {
  const document = { ...DISH, id: 'race' };
  await server.http.post('/api/recipes').send({ document }).expect(201);
  const answers = await Promise.all(
    Array.from({ length: 8 }, (_, i) =>
      server.http.put('/api/recipes/race').send({ revision: 1, document: { ...document, title: `Writer ${i}` } }),
    ),
  );
  expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
  expect(answers.filter(({ status }) => status === 409)).toHaveLength(7);
});

test.each<[string, object, string, RegExp]>([
  [
    'a negative amount',
    { ...DISH, parts: [{ ...DISH.parts[0], lines: [{ food: 'leek', amount: -3, unit: 'g' }] }] },
    'document.parts[0].lines[0].amount',
    /must be a number from 0/,
  ],
  [
    'an unknown unit',
    { ...DISH, parts: [{ ...DISH.parts[0], lines: [{ food: 'leek', amount: 3, unit: 'cupp' }] }] },
    'document.parts[0].lines[0].unit',
    /did you mean "cup"/,
  ],
  ['servings 0', { ...DISH, servings: 0 }, 'document.servings', /from 1/],
  [
    'an unknown food',
    { ...DISH, parts: [{ ...DISH.parts[0], lines: [{ food: 'leekk', amount: 3, unit: 'g' }] }] },
    'document.parts[0].lines[0].food',
    /unknown food "leekk"/,
  ],
  [
    'a recipe that holds itself',
    { ...DISH, id: 'self', parts: [{ ...DISH.parts[0], lines: [{ recipe: 'self', part: 'main', amount: 1, unit: 'g' }] }] },
    'document.parts[0].lines[0]',
    /would hold itself/,
  ],
  ['an unknown key', { ...DISH, servngs: 3 }, 'document.servngs', /did you mean "servings"/],
  ['a title of nothing', { ...DISH, title: ' ' }, 'document.title', /must not be empty/],
])('%s is refused by place and mend, and nothing is saved', async (_, document, path, message) => {
  const { body } = (await server.http
    .post('/api/recipes')
    .send({ document: { id: 'refused', ...document, ...((document as { id: string }).id === 'self' ? {} : { id: 'refused' }) } })
    .expect(422)) as { body: Body };
  expect(body.faults[0]?.path).toBe(path);
  expect(body.faults[0]?.message).toMatch(message);
  await server.http.get('/api/recipes/refused').expect(404);
});

test('a body that is no JSON, none at all, or 10 MB is refused, and the server stays up', async () => {
  await server.http.post('/api/recipes').set('content-type', 'application/json').send('{').expect(400);
  await server.http.post('/api/recipes').send({}).expect(422);
  // As a browser sends it: answered before all of it has gone, it still reads the answer.
  const answer = await fetch(`${server.kitchenAddress}/recipes`, {
    method: 'POST',
    headers: { ...server.headers, 'content-type': 'application/json' },
    body: JSON.stringify({ document: { ...DISH, lead: 'x'.repeat(10_000_000) } }),
  });
  expect(answer.status).toBe(413);
  expect(((await answer.json()) as Body).detail).toMatch(/more than 2 MB.*nothing was taken in/);
  await server.http.get('/api/health').expect(200);
});

test('text from outside is data: a title of markup reaches the page escaped', async () => {
  const title = '<script>alert(1)</script> & "soup"';
  await server.http
    .post('/api/recipes')
    .send({ document: { ...DISH, id: 'markup', title, steps: ['</script><script>alert(2)</script>'] } })
    .expect(201);
  const { text } = await server.http.get('/api/recipes/markup/card.html').expect(200);
  expect(text).toContain('&lt;script&gt;alert(1)&lt;/script&gt; &amp; &quot;soup&quot;');
  expect(text).not.toMatch(/<script>alert/);
  const { text: data } = await server.http.get('/api/recipes/markup/recipe.jsonld').expect(200);
  expect(data).not.toContain('<');
  expect((JSON.parse(data) as { name: string }).name).toBe(title);
  const [, json = ''] = /<script type="application\/ld\+json">(.*?)<\/script>/s.exec(text) ?? [];
  expect(JSON.parse(json)).toMatchObject({ name: title });
});

test('quotes and statements in a search for an id stay text', async () => {
  await server.http.get(`/api/recipes/${encodeURIComponent("x'; DROP TABLE recipes; --")}`).expect(404);
  await server.http.get('/api/recipes').expect(200);
});

test('foods and packs are added and saved on their revision', async () => {
  const food = { id: 'test-oats', name: 'Test oats', nutrients: { energyKcal: 370 } };
  await server.http.post('/api/foods').send({ document: food }).expect(201);
  await server.http.post('/api/foods').send({ document: food }).expect(409);
  await server.http
    .put('/api/foods/test-oats')
    .send({ revision: 1, document: { ...food, name: 'Oats' } })
    .expect(200);
  await server.http.put('/api/foods/test-oats').send({ revision: 1, document: food }).expect(409);
  await server.http
    .put('/api/foods/test-oats')
    .send({ revision: 2, document: { ...food, id: 'other' } })
    .expect(422);
  const pack = { food: 'test-oats', net: 1, unit: 'kg', price: '1.50', currency: 'EUR', shop: 'Harbour Stores', seen: '2026-11-01' };
  const made = (await server.http.post('/api/packs').send({ document: pack }).expect(201)) as { body: { id: string } };
  await server.http
    .put(`/api/packs/${made.body.id}`)
    .send({ revision: 1, document: { ...pack, price: '1.60' } })
    .expect(200);
  await server.http.put(`/api/packs/${made.body.id}`).send({ revision: 1, document: pack }).expect(409);
  await server.http
    .post('/api/packs')
    .send({ document: { ...pack, unit: 'crate' } })
    .expect(422);
  await server.http
    .post('/api/packs')
    .send({ document: { ...pack, food: 'nobody' } })
    .expect(422);
  await server.http.delete(`/api/packs/${made.body.id}`).expect(204);
  await server.http.delete(`/api/packs/${made.body.id}`).expect(404);
});

test('a food edited changes the recipes that use it', async () => {
  const energy = async () =>
    ((await server.http.get('/api/recipes')) as { body: { id: string; energyKcal: { amount: number } }[] }).body.find(
      ({ id }) => id === 'twice',
    )?.energyKcal.amount;
  const before = await energy();
  const { body } = (await server.http.get('/api/foods/leek')) as { body: Body & { document: { nutrients: Record<string, number> } } };
  await server.http
    .put('/api/foods/leek')
    .send({ revision: body.revision, document: { ...body.document, nutrients: { ...body.document.nutrients, energyKcal: 122 } } })
    .expect(200);
  expect(await energy()).toBeCloseTo(2 * (before ?? 0), 6);
});

test('an address of the interface that is none answers with a problem, not with a page', async () => {
  const { headers } = await server.http.get('/api/nothing').expect(404);
  expect(headers['content-type']).toMatch(/problem\+json/);
});

test('an import is whole or nothing', async () => {
  const file = {
    format: 'portiona/1',
    foods: [
      { id: 'brand-new', name: 'Brand new' },
      { id: 'leek', name: 'Leek again' },
    ],
  };
  await server.http.post('/api/imports/kitchen-file').send(file).expect(409);
  await server.http.get('/api/foods/brand-new').expect(404);
  await server.http.post('/api/imports/kitchen-file').send({ format: 'portiona/9' }).expect(422);
});

test('the whole kitchen leaves as a file, and comes in again as it left', async () => {
  const file = (await server.http.get('/api/exports/kitchen-file').expect(200)).body as { recipes: object[] };
  expect(file).toMatchObject({ format: 'portiona/1', settings: expect.any(Object) as object });
  expect(file.recipes.length).toBeGreaterThan(8);
  const other = await testServer({ demo: false });
  await other.http.post('/api/imports/kitchen-file').send(file).expect(201);
  expect((await other.http.get('/api/exports/kitchen-file').expect(200)).body).toEqual(file);
  await other.close();
});

test('settings change one by one; what cannot be is refused', async () => {
  await server.http.patch('/api/kitchen/settings').send({ rules: 'eu' }).expect(200);
  const { body } = (await server.http.patch('/api/kitchen/settings').send({ maxPriceAge: 400 }).expect(200)) as { body: object };
  expect(body).toMatchObject({ rules: 'eu', maxPriceAge: 400, currency: 'EUR' });
  const refused = (await server.http.patch('/api/kitchen/settings').send({ rules: 'eux' }).expect(422)) as { body: Body };
  expect(refused.body.faults).toEqual([{ path: 'rules', message: expect.stringMatching(/did you mean "eu"/) as string }]);
  await server.http.patch('/api/kitchen/settings').send({ rules: 'plain' }).expect(200);
  // Null takes back what may be left open, and nothing else.
  const open = (await server.http.patch('/api/kitchen/settings').send({ maxPriceAge: null }).expect(200)) as { body: object };
  expect(open.body).not.toHaveProperty('maxPriceAge');
  const none = (await server.http.patch('/api/kitchen/settings').send({ currency: null }).expect(422)) as { body: Body };
  expect(none.body.faults).toEqual([{ path: 'currency', message: 'cannot be null; write what it is to be' }]);
  expect(((await server.http.get('/api/kitchen').expect(200)) as { body: object }).body).toMatchObject({ currency: 'EUR' });
});

describe('distributions', () => {
  const path = '/api/recipes/beef-shin-and-barley/distributions';
  const wait = async (id: string): Promise<Record<string, unknown>> => {
    for (;;) {
      const { body } = (await server.http.get(`/api/distributions/${id}`).expect(200)) as { body: Record<string, unknown> };
      if (body.state !== 'running') return body;
      await new Promise((resolve) => setTimeout(resolve, 30));
    }
  };

  test('a run is drawn beside the server, and the same seed draws the same', async () => {
    const runs = await Promise.all(
      [5, 5].map(async (seed) => {
        const { body } = (await server.http.post(path).send({ figure: 'energyKcal', draws: 30_000, seed }).expect(202)) as {
          body: { id: string };
        };
        return wait(body.id);
      }),
    );
    expect(runs[0]).toMatchObject({ state: 'done', made: 30_000 });
    expect(runs[0]?.distribution).toEqual(runs[1]?.distribution);
    const { mean, quantiles } = runs[0]!.distribution as { mean: number; quantiles: number[] };
    expect(mean).toBeCloseTo(418.5, -1);
    expect(quantiles).toHaveLength(5);
  });

  test('a run is ended, and more than two at once are refused', async () => {
    const begun = [];
    for (let i = 0; i < 2; i++)
      begun.push((await server.http.post(path).send({ figure: 'protein', draws: 1_000_000 }).expect(202)).body as { id: string });
    await server.http.post(path).send({ figure: 'protein' }).expect(503);
    for (const { id } of begun) await server.http.delete(`/api/distributions/${id}`).expect(204);
    await server.http.get(`/api/distributions/${begun[0]?.id}`).expect(404);
    await server.http.post(path).send({ figure: 'protein', draws: 10 }).expect(202);
  });

  test('what cannot be drawn is refused', async () => {
    await server.http.post(path).send({ figure: 'beauty' }).expect(422);
    await server.http.post(path).send({ figure: 'protein', draws: 1e9 }).expect(422);
    await server.http.post('/api/recipes/none/distributions').send({ figure: 'protein' }).expect(404);
  });
});

test('recipes are held against a brief; their own stands in the list; a brief is kept in the settings', async () => {
  const brief = { targets: [{ figure: 'energyKcal', is: 'at most', amount: 350 }] };
  const { body: judged } = (await server.http.post('/api/briefs/judged').send({ brief }).expect(200)) as {
    body: { id: string; verdict: string; missed: number }[];
  };
  const verdictOf = (id: string) => judged.find((one) => one.id === id)?.verdict;
  expect(verdictOf('smoky-lentil-and-squash-dal')).toBe('misses');
  expect(judged.some(({ verdict }) => verdict === 'meets')).toBe(true);
  const { body: refused } = (await server.http
    .post('/api/briefs/judged')
    .send({ brief: { targets: [{ figure: 'energy', is: 'at most', amount: 1 }] } })
    .expect(422)) as { body: Body };
  expect(refused.faults.map(({ path }) => path)).toEqual(['brief.targets[0].figure']);

  const { body: dal } = (await server.http.get('/api/recipes/smoky-lentil-and-squash-dal').expect(200)) as {
    body: { revision: number; document: object };
  };
  await server.http
    .put('/api/recipes/smoky-lentil-and-squash-dal')
    .send({ revision: dal.revision, document: { ...dal.document, brief } })
    .expect(200);
  const { body: listed } = (await server.http.get('/api/recipes').expect(200)) as { body: { id: string; brief: string | null }[] };
  expect(listed.find(({ id }) => id === 'smoky-lentil-and-squash-dal')?.brief).toBe('misses');
  expect(listed.filter((one) => one.brief === null).length).toBeGreaterThan(3);

  await server.http
    .patch('/api/kitchen/settings')
    .send({ briefs: [{ name: 'Light', brief }] })
    .expect(200);
  expect((await server.http.get('/api/kitchen').expect(200)).body).toMatchObject({ briefs: [{ name: 'Light', brief }] });
  await server.http
    .patch('/api/kitchen/settings')
    .send({ briefs: [{ name: '', brief: {} }] })
    .expect(422);
});
