import { Client } from 'pg';
import { innerServer } from './innerServer.js';

type Server = Awaited<ReturnType<typeof innerServer>>;
let server: Server;
/** What the database was asked since it was last looked at. */
let asked: string[] = [];

const line = (food: string) => ({ food, amount: 100, unit: 'g' });
const base = {
  id: 'base',
  title: 'Base',
  servings: 4,
  parts: [{ id: 'p', name: 'P', lines: [line('leek')] }],
};
const taking = (id: string, of: string) => ({
  id,
  title: id,
  servings: 4,
  parts: [{ id: 'p', name: 'P', lines: [{ recipe: of, part: 'p', amount: 50, unit: 'g' }, line('leek')] }],
});
const DISHES = 50;
/** More than a request should ever ask, whatever it is about. */
/** Twelve for the recipe, and beside them who asks, in which kitchen, and the log. */
const MOST = 16;

beforeAll(async () => {
  server = await innerServer({ demo: true });
  // Deep, and wide: a chain of twelve, and fifty dishes that take the first of them.
  const chain = Array.from({ length: 12 }, (_, i) => (i === 0 ? base : taking(`base-${i}`, i === 1 ? 'base' : `base-${i - 1}`)));
  const dishes = Array.from({ length: DISHES }, (_, i) => taking(`dish-${i}`, 'base'));
  for (const document of [...chain, ...dishes, taking('top', 'base-11')])
    await server.http.post('/api/recipes').send({ document }).expect(201);
  jest.spyOn(Client.prototype, 'query').mockImplementation(function (this: Client, ...given: unknown[]) {
    const [statement] = given as [string | { text: string }];
    asked.push(typeof statement === 'string' ? statement : statement.text);
    return (query as (...given: unknown[]) => unknown).apply(this, given) as never;
  });
});
// oxlint-disable-next-line typescript/unbound-method -- called on the client that it was taken from
const query = Client.prototype.query;
afterAll(async () => {
  jest.restoreAllMocks();
  await server.close();
});
/**
 * Statements that ask or write something: where a transaction begins and ends is not counted, nor what the server asks by itself now
 * and then: whether lists are up to date, whether a job waits.
 */
async function countOf(work: () => PromiseLike<{ body: unknown }>) {
  asked = [];
  const { body } = await work();
  const statements = asked.filter((one) => !/^(?:START|BEGIN|COMMIT|ROLLBACK|SET|SELECT 1)\b|AS unsettled$|\bjobs\./i.test(one.trim()));
  return { body, count: statements.length, statements };
}

interface Saved {
  readonly revision: number;
  readonly document: { readonly title: string };
}

test.each(['base', 'top', 'dish-7', 'base-11'])('opening %s and saving it asks the database twelve times at most', async (id) => {
  const opened = await countOf(() => server.http.get(`/api/recipes/${id}`).expect(200));
  expect(opened.statements.slice(MOST)).toEqual([]);
  const { revision, document } = opened.body as Saved;
  const saved = await countOf(() =>
    server.http
      .put(`/api/recipes/${id}`)
      .send({ revision, document: { ...document, title: `${document.title}.` } })
      .expect(200),
  );
  expect(saved.statements.length > MOST ? saved.statements : []).toEqual([]);
  const upstream = await countOf(() => server.http.post(`/api/recipes/${id}/upstream-changes`).expect(204));
  expect(upstream.statements.slice(MOST)).toEqual([]);
});
