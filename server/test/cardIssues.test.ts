import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const STEW = '/api/recipes/chickpea-and-pepper-stew';
const CARDS = `${STEW}/published-cards`;

interface Issue {
  readonly issue: number;
  readonly changed: readonly { readonly name: string; readonly was: string; readonly is: string }[];
  readonly correction: string;
  readonly takenBack: string | null;
}

async function moreProtein(by: number): Promise<void> {
  const { body } = (await server.http.get('/api/foods/chickpeas-nine').expect(200)) as {
    body: { revision: number; document: { nutrients: { protein: number } } };
  };
  const { nutrients } = body.document;
  const document = { ...body.document, nutrients: { ...nutrients, protein: nutrients.protein + by } };
  await server.http.put('/api/foods/chickpeas-nine').send({ revision: body.revision, document }).expect(200);
}

const issues = async () => ((await server.http.get(CARDS).expect(200)) as { body: Issue[] }).body;

test('a correction is printed with the next issue, in every output; the issue before stays as it was', async () => {
  await server.http.post(CARDS).expect(201);
  const first = (await server.http.get(`${STEW}/card-sheet.html?issue=1`).expect(200)).text;
  await moreProtein(1.5);
  const correction = 'protein was 21 g, is 29 g: the label of the chickpeas changed <b>';
  await server.http.post(CARDS).send({ correction }).expect(201);
  expect((await issues()).map(({ issue, correction: said }) => [issue, said])).toEqual([
    [2, `Correction to issue 1: ${correction}`],
    [1, ''],
  ]);
  const { changed } = (await issues())[0]!;
  expect(changed.find(({ name }) => name === 'Protein')).toMatchObject({
    was: expect.stringMatching(/ g$/) as string,
    is: expect.stringMatching(/ g$/) as string,
  });
  for (const format of ['a5', 'a4', 'letter', '6x4']) {
    const { text } = await server.http.get(`${STEW}/card-sheet.html?format=${format}&issue=2`).expect(200);
    expect(text.replace(/<[^>]*>/g, ' ').replace(/[\s\u00a0]+/g, ' ')).toContain('Correction to issue 1: protein was 21 g, is 29 g');
    expect(text).not.toContain('changed <b>');
  }
  const { text: page } = await server.http.get(`${STEW}/card.html?issue=2`).expect(200);
  expect(page).toContain('the label of the chickpeas changed &lt;b&gt;</p>');
  expect((await server.http.get(`${STEW}/card-sheet.html?issue=1`).expect(200)).text).toBe(first);
  // Where nothing was published before, there is nothing to put right.
  await server.http.post('/api/recipes/egg-and-leek-muffins/published-cards').send({ correction: 'none' }).expect(201);
  expect((await server.http.get('/api/recipes/egg-and-leek-muffins/card.html?issue=1').expect(200)).text).not.toContain('Correction to');
});

test('an issue is taken back with a reason, is listed so, stays as it was, and is put out again', async () => {
  await server.http.post(`${CARDS}/2/taken-back`).send({ because: '' }).expect(422);
  await server.http.post(`${CARDS}/9/taken-back`).send({ because: 'wrong' }).expect(404);
  const before = (await server.http.get(`${STEW}/card-sheet.html?issue=2`).expect(200)).text;
  await server.http.post(`${CARDS}/2/taken-back`).send({ because: 'The label was read wrong.' }).expect(200);
  expect((await issues()).map(({ takenBack }) => takenBack)).toEqual(['The label was read wrong.', null]);
  const listed = async () =>
    ((await server.http.get('/api/published-cards').expect(200)) as { body: { recipe: string; takenBack: string | null }[] }).body.find(
      ({ recipe }) => recipe === 'chickpea-and-pepper-stew',
    )?.takenBack;
  expect(await listed()).toBe('The label was read wrong.');
  expect((await server.http.get(`${STEW}/card-sheet.html?issue=2`).expect(200)).text).toBe(before);
  await server.http.delete(`${CARDS}/2/taken-back`).expect(200);
  expect(await listed()).toBeNull();
  await server.http.get('/api/recipes/nothing/published-cards').expect(404);
});
