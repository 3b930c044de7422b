import { withNumbers, type Recipe } from '@portiona/core';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

interface Saved {
  readonly revision: number;
  readonly document: Recipe;
}
const DISH = {
  id: 'numbered',
  title: 'Numbered',
  servings: 2,
  parts: [
    {
      id: 'm',
      name: 'M',
      lines: [
        { food: 'leek', amount: 100, unit: 'g' },
        { food: 'oil-olive-extra-virgin', amount: 10, unit: 'g', scaling: { ratioTo: 'm/1', share: 0.1 } },
      ],
    },
  ],
  steps: ['Fry {m/1 leek}.'],
};

test('what is written by number is kept by id, and the same line keeps its id through saves that know none', async () => {
  const { body: made } = (await server.http.post('/api/recipes').send({ document: DISH }).expect(201)) as { body: Saved };
  const [leek, oil] = made.document.parts[0]?.lines ?? [];
  expect(leek?.id).toMatch(/^l--/);
  expect(oil?.scaling).toEqual({ ratioTo: `m/${leek?.id}`, share: 0.1 });
  expect(withNumbers(made.document)).toEqual(DISH);

  const [first, second] = DISH.parts[0]?.lines ?? [];
  const turned = {
    ...DISH,
    parts: [{ id: 'm', name: 'M', lines: [{ ...second, scaling: { ratioTo: 'm/2', share: 0.1 } }, first] }],
    steps: ['Fry {m/2 leek}.'],
  };
  const { body: saved } = (await server.http.put('/api/recipes/numbered').send({ revision: 1, document: turned }).expect(200)) as {
    body: Saved;
  };
  expect(saved.document.parts[0]?.lines.map(({ id }) => id)).toEqual([oil?.id, leek?.id]);
  expect(saved.document.steps).toEqual([{ id: expect.any(String) as string, text: `Fry {m/${leek?.id} leek}.` }]);
  const { body: again } = (await server.http.put('/api/recipes/numbered').send({ revision: 2, document: saved.document }).expect(200)) as {
    body: Saved;
  };
  expect(again.document).toEqual(saved.document);
});

test('a file that has no ids comes out of the kitchen without', async () => {
  const { text } = await server.http.get('/api/exports/recipes/numbered/kitchen-file');
  const { recipes } = JSON.parse(text) as { recipes: Recipe[] };
  expect(recipes[0]?.parts[0]?.lines.every((line) => !('id' in line))).toBe(true);
  expect(text).not.toContain('l--');
});

test('an id that is a number, or used twice in a part, is refused where it stands', async () => {
  const lines = [
    { id: 'same', food: 'leek', amount: 1, unit: 'g' },
    { id: 'same', food: 'leek', amount: 2, unit: 'g' },
  ];
  const document = { ...DISH, id: 'twice', parts: [{ id: 'm', name: 'M', lines }], steps: [] };
  const { text } = await server.http.post('/api/recipes').send({ document }).expect(422);
  expect(text).toMatch(/document\.parts\[0\]\.lines\[1\]\.id/);
});
