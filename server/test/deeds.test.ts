import { createHash } from 'node:crypto';
import http from 'node:http';
import { Client } from 'pg';
import type supertest from 'supertest';
import { joined, stranger, type Server } from './house.js';
import { testServer } from './testServer.js';

let server: Server;
let database: Client;
beforeAll(async () => {
  server = await testServer({ demo: true });
  database = new Client({ connectionString: process.env.DATABASE_URL });
  await database.connect();
});
afterAll(async () => {
  await database.end();
  await server.close();
});

interface Entry {
  readonly seq: number;
  readonly does: string;
  readonly to: string;
  readonly named?: string;
  readonly revision?: number;
  readonly by: { readonly name: string };
  readonly through: string;
  readonly hash: string;
}
const log = async () => ((await server.http.get('/api/audit').expect(200)).body as { entries: Entry[] }).entries;
const dish = (id: string, title = id) => ({ id, title, servings: 1, parts: [{ id: 'm', name: 'M', lines: [] }] });

test('what is done is noted with who, what and from where, in the transaction that does it; what is refused or only asked is not', async () => {
  const editor = await joined(server, 'editor', { name: 'Ash' });
  await editor.http
    .post('/api/recipes')
    .send({ document: dish('noted', 'Noted dish') })
    .expect(201);
  await editor.http
    .put('/api/recipes/noted')
    .send({ revision: 1, document: dish('noted', 'Noted again') })
    .expect(200);
  await editor.http
    .put('/api/recipes/noted')
    .send({ revision: 1, document: dish('noted', 'Stale') })
    .expect(409);
  await editor.http.post('/api/briefs/judged').send({ name: 'x' });
  await editor.http.get('/api/recipes').expect(200);
  const [second, first] = await log();
  expect(first).toMatchObject({ does: 'createRecipe', to: 'recipes/noted', named: 'Noted dish', by: { name: 'Ash' }, through: 'page' });
  expect(second).toMatchObject({ does: 'saveRecipe', to: 'recipes/noted', named: 'Noted again', revision: 1 });
  expect(second?.seq).toBe((first?.seq ?? 0) + 1);
});

test('work that a thread does is noted once, too; so is what needs no transaction', async () => {
  const before = (await log())[0]?.seq ?? 0;
  await server.http.post('/api/recipes/smoky-lentil-and-squash-dal/published-cards').send({}).expect(201);
  const lines = Array.from({ length: 900 }, (_, i) => ({ text: `line ${i} ${'of a long recipe '.repeat(10)}` }));
  await server.http
    .post('/api/recipes')
    .send({ document: { ...dish('long'), parts: [{ id: 'm', name: 'M', lines }] } })
    .expect(201);
  const { id } = (
    await server.http
      .post('/api/tokens')
      .send({ name: 't', rights: ['read'], days: 1 })
      .expect(201)
  ).body as { id: string };
  await server.http.delete(`/api/tokens/${id}`).expect(204);
  expect((await log()).filter(({ seq }) => seq > before).map(({ does }) => does)).toEqual([
    'endToken',
    'makeToken',
    'createRecipe',
    'publishCard',
  ]);
});

test('many at once are chained one behind the other, and the chain is gone over', async () => {
  await Promise.all(
    Array.from({ length: 20 }, (_, i) =>
      server.http
        .post('/api/recipes')
        .send({ document: dish(`at-once-${i}`) })
        .expect(201),
    ),
  );
  const { body } = (await server.http.get('/api/audit/check').expect(200)) as { body: object };
  expect(body).toMatchObject({ brokenAt: null });
  expect((body as { entries: number }).entries).toBe((await log())[0]?.seq);
});

test('taken out as a file, anybody can go over it: each hash is of the one before and the entry', async () => {
  const { text } = await server.http
    .get('/api/audit/log.jsonl')
    .buffer(true)
    .parse(asText)
    .expect(200)
    .then(({ body }) => ({ text: body as string }));
  let before = '0'.repeat(64);
  const lines = text.trim().split('\n');
  expect(lines.length).toBe((await log())[0]?.seq);
  for (const line of lines) {
    const { entry, hash } = JSON.parse(line) as { entry: string; hash: string };
    expect(createHash('sha256').update(`${before}\n${entry}`).digest('hex')).toBe(hash);
    before = hash;
  }
});

function asText(answer: supertest.Response, done: (error: Error | null, text: string) => void): void {
  let text = '';
  const pieces = answer as unknown as NodeJS.ReadableStream;
  pieces.on('data', (piece: Buffer) => (text += piece.toString()));
  pieces.on('end', () => done(null, text));
}

test('an entry that is changed or taken out by whoever owns the database breaks the chain from there on', async () => {
  const of = `chain = (SELECT id::text FROM kitchens WHERE key = '${server.kitchen.split('/')[3]}')`;
  const { rows } = await database.query<{ entry: string }>(`SELECT entry FROM audit_entries WHERE ${of} AND seq = 5`);
  await database.query(`UPDATE audit_entries SET entry = replace(entry, '"does"', '"done"') WHERE ${of} AND seq = 5`);
  expect((await server.http.get('/api/audit/check').expect(200)).body).toMatchObject({ entries: 4, brokenAt: 5 });
  await database.query(`UPDATE audit_entries SET entry = $1 WHERE ${of} AND seq = 5`, [rows[0]?.entry]);
  await database.query('BEGIN');
  await database.query(`DELETE FROM audit_entries WHERE ${of} AND seq = 7`);
  await database.query('COMMIT');
  expect((await server.http.get('/api/audit/check').expect(200)).body).toMatchObject({ entries: 6, brokenAt: 7 });
});

/** A line of events: what it has said, by kind. */
async function listening(headers: Readonly<Record<string, string>>, kitchen = server.kitchen) {
  const said: { type: string; data: Record<string, unknown> }[] = [];
  const request = http.get(server.address + kitchen + '/events', { headers: { ...headers } });
  const answer = await new Promise<http.IncomingMessage>((resolve, reject) => request.once('response', resolve).once('error', reject));
  let text = '';
  answer.on('data', (piece: Buffer) => {
    text += piece.toString();
    const whole = text.split('\n\n');
    text = whole.pop() ?? '';
    for (const one of whole) {
      const fields = Object.fromEntries(
        one.split('\n').map((line) => [line.slice(0, line.indexOf(':')), line.slice(line.indexOf(':') + 2)]),
      );
      if (fields.event !== undefined) said.push({ type: fields.event, data: JSON.parse(fields.data ?? '{}') as Record<string, unknown> });
    }
  });
  const ended = new Promise<void>((resolve) => answer.once('close', () => resolve()));
  const until = async (holds: (one: (typeof said)[number]) => boolean) => {
    for (let i = 0; i < 300 && !said.some(holds); i++) await new Promise((resolve) => setTimeout(resolve, 20));
    return said.find(holds);
  };
  return { status: answer.statusCode, said, until, ended, end: () => request.destroy() };
}

test('what is done is told at once to who looks at the kitchen, and to nobody else', async () => {
  const viewer = await joined(server, 'viewer', { name: 'Vic' });
  const other = await stranger(server, 'Sam');
  const [here, there] = [await listening(viewer.headers), await listening(other.headers, other.kitchen)];
  expect([here.status, there.status]).toEqual([200, 200]);
  expect((await listening(other.headers)).status).toBe(404);
  await here.until(({ type }) => type === 'hello');
  await server.http
    .put('/api/recipes/noted')
    .set('X-Portiona-Tab', 'tab-1')
    .send({ revision: 2, document: dish('noted', 'Told') })
    .expect(200);
  const told = await here.until(({ type, data }) => type === 'deed' && data.to === 'recipes/noted');
  expect(told?.data).toMatchObject({ does: 'saveRecipe', by: { name: 'Owner' }, tab: 'tab-1' });
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect(there.said.filter(({ type }) => type === 'deed')).toEqual([]);
  here.end();
  there.end();
});

test('who is at a dish is told, until they go; nobody says it for another', async () => {
  const [one, two] = [await joined(server, 'viewer', { name: 'Uno' }), await joined(server, 'viewer', { name: 'Due' })];
  const line = await listening(two.headers);
  await one.http.post('/api/present').send({ tab: 'tab-of-one', recipe: 'noted' }).expect(204);
  const names = (data: unknown) => (data as { name: string; recipe: string }[]).map(({ name, recipe }) => `${name} ${recipe}`);
  expect(await line.until(({ type, data }) => type === 'present' && names(data).includes('Uno noted'))).toBeDefined();
  await two.http.post('/api/present').send({ tab: 'tab-of-one', recipe: 'long' }).expect(204);
  expect(names((await two.http.get('/api/present').expect(200)).body)).toEqual(['Uno noted']);
  await two.http.post('/api/present').send({ tab: 'tab-of-one' }).expect(204);
  expect(names((await two.http.get('/api/present').expect(200)).body)).toEqual(['Uno noted']);
  await one.http.post('/api/present').send({ tab: 'tab-of-one' }).expect(204);
  expect(await line.until(({ type, data }) => type === 'present' && names(data).length === 0)).toBeDefined();
  line.end();
});

test('notes stand at places, call members, and are their writer’s', async () => {
  const [tester, viewer] = [await joined(server, 'tester', { name: 'Tia' }), await joined(server, 'viewer', { name: 'Vio' })];
  const other = await stranger(server, 'Sol');
  const note = { place: 'line/m/salt', about: 'salt, 10 g', text: ' Half of it? ', mentions: [viewer.id, other.id, 'nobody'] };
  const at = '/api/recipes/noted/notes';
  await viewer.http.post(at).send(note).expect(403);
  await tester.http
    .post(at)
    .send({ ...note, place: 'anywhere' })
    .expect(422);
  await tester.http.post('/api/recipes/none/notes').send(note).expect(404);
  const [made] = (await tester.http.post(at).send(note).expect(201)).body as {
    id: string;
    text: string;
    mentions: string[];
    own: boolean;
  }[];
  expect(made).toMatchObject({ text: 'Half of it?', mentions: [viewer.id], own: true });
  const calling = async () =>
    ((await viewer.http.get('/api/notes-calling').expect(200)).body as { title: string }[]).map(({ title }) => title);
  expect(await calling()).toEqual(['Told']);
  await viewer.http.post(`${at}/seen`).expect(204);
  expect(await calling()).toEqual([]);
  const editor = await joined(server, 'editor', { name: 'Edd' });
  await editor.http.patch(`/api/notes/${made!.id}`).send({ text: 'Mine now' }).expect(403);
  await editor.http.delete(`/api/notes/${made!.id}`).expect(403);
  expect((await editor.http.patch(`/api/notes/${made!.id}`).send({ done: true }).expect(200)).body).toMatchObject([
    { doneBy: 'Edd', text: 'Half of it?' },
  ]);
  await tester.http.patch(`/api/notes/${made!.id}`).send({ text: 'A third', done: false }).expect(200);
  await other.http.get(server.kitchen + '/recipes/noted/notes').expect(404);
  await tester.http.delete(`/api/notes/${made!.id}`).expect(204);
  expect((await viewer.http.get(at).expect(200)).body).toEqual([]);
});

test('a line of events ends when who listens may no longer', async () => {
  const one = await joined(server, 'viewer', { name: 'Out' });
  const line = await listening(one.headers);
  await line.until(({ type }) => type === 'hello');
  await server.http.delete(`/api/members/${one.id}`).expect(204);
  await line.ended;
}, 60_000);
