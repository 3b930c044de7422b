import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { responseBytes } from './responseBytes.js';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const DAL = '/api/recipes/smoky-lentil-and-squash-dal';

test('the page needs nothing from anywhere, and may run its own script alone, as a file too', async () => {
  const { text, headers } = await server.http.get(`${DAL}/card.html`).expect(200);
  expect(text.replace(/url\(data:|href="data:image\/jpeg/g, '')).not.toMatch(/url\(|src="|href="/);
  const policy = headers['content-security-policy'] ?? '';
  expect(policy).toMatch(/^default-src 'none'; script-src 'sha256-[^']+'; style-src/);
  const scripts = [...text.matchAll(/<script>(.*?)<\/script>/gs)].map(([, script = '']) => script);
  expect(scripts).toHaveLength(1);
  expect(policy).toContain(
    createHash('sha256')
      .update(scripts[0] ?? '')
      .digest('base64'),
  );
  const [, inPage = ''] = /<meta http-equiv="Content-Security-Policy" content="([^"]*)"/.exec(text) ?? [];
  expect(`${inPage.replace(/&#x27;/g, "'")}; frame-ancestors 'self'`).toBe(policy);
});

test('what the energy comes from is said to whom cannot see it', async () => {
  const { text } = await server.http.get(`${DAL}/card.html`).expect(200);
  const shares = [...(/aria-label="([^"]*% [^"]*)"/.exec(text)?.[1]?.matchAll(/(\d+) % /g) ?? [])].map(([, share]) => Number(share));
  expect(shares.length).toBeGreaterThan(2);
  expect(Math.abs(shares.reduce((sum, share) => sum + share, 0) - 100)).toBeLessThanOrEqual(2);
});

test('the page carries schema.org data', async () => {
  const { text } = await server.http.get(`${DAL}/card.html`).expect(200);
  const [, json = ''] = /<script type="application\/ld\+json">(.*?)<\/script>/s.exec(text) ?? [];
  expect(JSON.parse(json)).toMatchObject({
    '@type': 'Recipe',
    recipeYield: ['5', '5 boxes'],
    totalTime: 'PT55M',
    nutrition: { calories: '672 kcal' },
  });
});

test.each(['a5', 'a4'])('the %s PDF says the same as the page, every character of it', async (paper) => {
  const { body, headers } = (await server.http.get(`${DAL}/card.pdf?format=${paper}`).buffer(true).parse(responseBytes).expect(200)) as {
    body: Buffer;
    headers: Record<string, string>;
  };
  expect(headers['content-type']).toBe('application/pdf');
  const text = pdfText(body);
  for (const said of [
    'Smoky lentil and squash dal',
    '672',
    'at least 14',
    '€ 1.32',
    'red lentils, rinsed',
    '10 ½ oz',
    '°C',
    'not medical advice',
    'Night Watch, no. 7',
  ])
    expect(text).toContain(said);
});

test('thirds and accents survive the PDF', async () => {
  const document = {
    id: 'thirds',
    title: 'Crème brûlée, ⅓ and ⅔',
    servings: 1,
    parts: [{ id: 'm', name: 'M', lines: [{ food: 'honey', amount: 1 / 3, unit: 'cup', text: '1/3 cup honey' }] }],
  };
  await server.http.post('/api/recipes').send({ document }).expect(201);
  const { body } = (await server.http.get('/api/recipes/thirds/card.pdf').buffer(true).parse(responseBytes)) as { body: Buffer };
  const text = pdfText(body);
  for (const said of ['Crème brûlée', '⅓', '⅔']) expect(text).toContain(said);
});

test('a step says in the PDF which part it makes', async () => {
  const line = { food: 'honey', amount: 10, unit: 'g' };
  const document = {
    id: 'two-parts',
    title: 'Two parts',
    servings: 1,
    parts: [
      { id: 'glaze', name: 'Glaze', lines: [line] },
      { id: 'bowl', name: 'Bowl', lines: [line] },
    ],
    steps: ['Warm it all.', { text: 'Stir it thick.', part: 'glaze' }],
  };
  await server.http.post('/api/recipes').send({ document }).expect(201);
  const { body } = (await server.http.get('/api/recipes/two-parts/card.pdf').buffer(true).parse(responseBytes)) as { body: Buffer };
  const text = pdfText(body);
  expect(text).toContain('Glaze. Stir it thick.');
  expect(text).toMatch(/(?<!\. )Warm it all\./);
});

test('the same card as a sheet, a drawing and a picture, each page of it', async () => {
  const { text: sheet, headers } = await server.http.get(`${DAL}/card-sheet.html?format=6x4`).expect(200);
  expect(headers['content-security-policy']).toMatch(/default-src 'none'/);
  expect(sheet.match(/<section class="sheet"/g)).toHaveLength(2);
  expect(sheet).toContain('@page{size:432pt 288pt');
  expect(sheet.replace(/url\(data:/g, '')).not.toMatch(/url\(|src="|href="/);
  const [, told = ''] = /data-told="([^"]*)"/.exec(sheet) ?? [];
  expect(JSON.parse(told.replace(/&quot;/g, '"')) as object).toMatchObject({ pages: 2, torn: [], lacking: [] });
  const drawing = await server.http.get(`${DAL}/card.svg?format=6x4&page=2`).buffer(true).parse(responseBytes).expect(200);
  expect(drawing.headers['content-type']).toMatch(/^image\/svg\+xml/);
  expect((drawing.body as Buffer).toString()).toContain('<title>Smoky lentil and squash dal, brown rice</title>');
  const picture = await server.http.get(`${DAL}/card.png?format=square`).buffer(true).parse(responseBytes).expect(200);
  const png = picture.body as Buffer;
  expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([1080, 1080]);
  await server.http.get(`${DAL}/card.png?format=square&page=2`).expect(404);
  await server.http.get(`${DAL}/card.svg?format=a3`).expect(400);
});

test('what every card of the kitchen is signed with and printed by is kept, and taken back', async () => {
  await server.http.patch('/api/kitchen/settings').send({ card: null }).expect(200);
  const card = { publication: 'Night Suppers', address: 'night.example', mark: 'NS', choices: { rules: 'eu', numbers: 'de' } };
  const { body } = (await server.http.patch('/api/kitchen/settings').send({ card }).expect(200)) as { body: { card: object } };
  expect(body.card).toEqual(card);
  const { text } = await server.http.get(`${DAL}/card-sheet.html`).expect(200);
  for (const said of ['Night Suppers', 'night.example', 'NS', 'kJ, coming from', 'per 100 g']) expect(text).toContain(said);
  await server.http
    .patch('/api/kitchen/settings')
    .send({ card: { choices: { numbers: 'roman' } } })
    .expect(422);
  await server.http.patch('/api/kitchen/settings').send({ card: null }).expect(200);
  expect((await server.http.get(`${DAL}/card-sheet.html`).expect(200)).text).not.toContain('Night Suppers');
});

test('two who change different things of the cards at once take nothing from each other; null takes one thing away', async () => {
  const change = async (card: object) =>
    ((await server.http.patch('/api/kitchen/settings').send({ card }).expect(200)) as { body: { card: object } }).body.card;
  await server.http.patch('/api/kitchen/settings').send({ card: null }).expect(200);
  await Promise.all([
    change({ publication: 'P' }),
    change({ tolerances: { energyKcal: 3 } }),
    change({ tolerances: { protein: 5 } }),
    change({ choices: { rules: 'eu' } }),
    change({ series: [{ name: 'A', subtitle: 'a' }] }),
    change({ series: [{ name: 'B', about: 'b' }] }),
  ]);
  expect(await change({ mark: 'M' })).toMatchObject({
    publication: 'P',
    mark: 'M',
    tolerances: { energyKcal: 3, protein: 5 },
    choices: { rules: 'eu' },
    series: expect.arrayContaining([
      { name: 'A', subtitle: 'a' },
      { name: 'B', about: 'b' },
    ]) as object[],
  });
  expect(
    await change({ mark: null, tolerances: { protein: null }, choices: null, series: [{ name: 'A' }, { name: 'B', subtitle: 'c' }] }),
  ).toEqual({
    publication: 'P',
    tolerances: { energyKcal: 3 },
    series: [{ name: 'B', subtitle: 'c' }],
  });
  for (const wrong of [
    { mark: 'longer' },
    { tolerances: { energyKcal: 101 } },
    { series: [{ subtitle: 'x' }] },
    { series: 'x' },
    { strange: 1 },
    JSON.parse('{"__proto__": {"publication": "x"}}') as object,
  ])
    await server.http.patch('/api/kitchen/settings').send({ card: wrong }).expect(422);
  for (const wrong of ['x', 7, [], true]) await server.http.patch('/api/kitchen/settings').send({ card: wrong }).expect(422);
  await server.http.patch('/api/kitchen/settings').send({ card: null }).expect(200);
});

test('the card in short may be framed by a kitchen’s own site, runs nothing and asks for nothing', async () => {
  const { text, headers } = await server.http.get(`${DAL}/card-embed.html`).expect(200);
  expect(headers['content-security-policy']).toMatch(/^default-src 'none'.*frame-ancestors \*$/);
  expect(headers['x-frame-options']).toBeUndefined();
  for (const said of ['Smoky lentil and squash dal, brown rice', '672', '24 g', '€\u00a01.32', 'not medical advice'])
    expect(text).toContain(said);
  const piece = (await server.http.get(`${DAL}/card-embed.html?piece=1`).expect(200)).text;
  expect(piece).toMatch(/^<article style=/);
  expect(piece).not.toMatch(/<(?:script|link|img|iframe|style)|\son\w+=/);
  await server.http.get('/api/recipes/nothing/card-embed.html').expect(404);
});

test('another paper, or another recipe, is a clear no', async () => {
  await server.http.get(`${DAL}/card.pdf?format=a3`).expect(400);
  await server.http.get('/api/recipes/nothing/card.pdf').expect(404);
});

/** Collects an answer's body as it comes. */

function pdfText(pdf: Buffer): string {
  const file = join(mkdtempSync(join(tmpdir(), 'portiona-card-')), 'card.pdf');
  writeFileSync(file, pdf);
  return execFileSync('pdftotext', ['-raw', file, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ');
}

test('a published card keeps the values it was made from, says what drifted, and is published anew', async () => {
  const id = 'smoky-lentil-and-squash-dal';
  const { body: first } = (await server.http.post(`/api/recipes/${id}/published-cards`).expect(201)) as { body: Published };
  expect(first).toMatchObject({ recipe: id, issue: 1, drift: [] });
  const before = (await server.http.get(`/api/recipes/${id}/card.html?issue=1`).expect(200)).text;
  const { body: lentils } = (await server.http.get('/api/foods/red-lentils-weir-lane').expect(200)) as {
    body: { revision: number; document: { nutrients: { protein: number } } };
  };
  await server.http
    .put('/api/foods/red-lentils-weir-lane')
    .send({
      revision: lentils.revision,
      document: { ...lentils.document, nutrients: { ...lentils.document.nutrients, protein: lentils.document.nutrients.protein + 8 } },
    })
    .expect(200);
  expect((await server.http.get(`/api/recipes/${id}/card.html?issue=1`).expect(200)).text).toBe(before);
  expect((await server.http.get(`/api/recipes/${id}/card.html`).expect(200)).text).not.toBe(before);
  const { body: cards } = (await server.http.get('/api/published-cards').expect(200)) as { body: Published[] };
  expect(cards).toHaveLength(1);
  expect(cards[0]?.drift.map(({ name }) => name)).toContain('Protein');
  await server.http.get(`/api/recipes/${id}/card.pdf?issue=1`).expect(200);
  await server.http.get(`/api/recipes/${id}/card.html?issue=9`).expect(404);
  const { body: second } = (await server.http.post(`/api/recipes/${id}/published-cards`).expect(201)) as { body: Published };
  expect(second).toMatchObject({ issue: 2, drift: [] });
  await server.http.post('/api/recipes/nothing/published-cards').expect(404);
});

interface Published {
  readonly recipe: string;
  readonly issue: number;
  readonly drift: readonly { readonly name: string }[];
}
