import { connect } from 'node:net';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { schemaOrgFaults } from '../../core/test/schemaOrgFaults.js';
import { responseBytes } from './responseBytes.js';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
const PLACE = '/read/saltmarsh-suppers';
const MUFFINS = `${PLACE}/cards/egg-and-leek-muffins`;
const OUTPUTS = [
  '',
  '/a5.pdf',
  '/a4.pdf',
  '/letter.pdf',
  '/6x4.pdf',
  '/portrait.png',
  '/square.png',
  '/dish.jpg',
  '/embed',
  '/recipe.jsonld',
];
const LISTS = ['', '?by=protein', '?by=newest', '/series/early-ferry', '/feed.atom', '/feed.json', '/sitemap.xml'];

const publish = (id: string, said: object = {}) => server.http.post(`/api/recipes/${id}/published-cards`).send(said).expect(201);
const turn = (on: boolean, name = 'saltmarsh-suppers') => server.http.put('/api/readers-address').send({ on, name });
const read = (path: string) => server.http.get(path).buffer(true).parse(responseBytes);
async function textOf(path: string, status = 200): Promise<string> {
  return ((await read(path).expect(status)) as { body: Buffer }).body.toString('utf8');
}

beforeAll(async () => {
  process.env.PORTIONA_READERS = 'https://cards.example';
  server = await testServer({ demo: true });
  for (const id of ['egg-and-leek-muffins', 'overnight-oats-plum-compote', 'white-bean-and-kale-soup']) await publish(id);
});
afterAll(async () => {
  await server.close();
  delete process.env.PORTIONA_READERS;
});

test('it is off until it is switched on, and then nobody can tell it from a kitchen that is not there', async () => {
  expect((await server.http.get('/api/readers-address').expect(200)).body).toEqual({
    on: false,
    name: 'saltmarsh-suppers',
    url: `https://cards.example${PLACE}`,
    cards: 3,
    takenBack: 0,
  });
  const nowhere = await textOf('/read/nobody', 404);
  for (const path of [...LISTS.map((list) => `${PLACE}${list}`), ...OUTPUTS.map((output) => `${MUFFINS}${output}`)])
    expect(await textOf(path, 404)).toBe(nowhere);
  expect((await server.http.get('/robots.txt').expect(200)).text).not.toContain('Sitemap');
  await turn(true).expect(200);
  for (const path of [...LISTS.map((list) => `${PLACE}${list}`), ...OUTPUTS.map((output) => `${MUFFINS}${output}`)])
    await read(path).expect(200);
  expect((await server.http.get('/robots.txt').expect(200)).text).toContain(`Sitemap: https://cards.example${PLACE}/sitemap.xml`);
  await turn(false).expect(200);
  expect(await textOf(MUFFINS, 404)).toBe(nowhere);
  await turn(true).expect(200);
});

test.each(['', 'Salt Marsh', '-', 'a--b', '-a', 'a-', '../api', 'a/b', 'ä', 'a'.repeat(61)])(
  'a name that cannot stand in an address is refused: %j',
  async (name) => {
    await turn(true, name).expect(422);
    await read(PLACE).expect(200);
  },
);

test('nothing but what is published is found: no draft, no dish that was never published, no other kitchen’s page', async () => {
  const index = await textOf(PLACE);
  for (const title of ['Egg and leek muffins', 'Overnight oats with plum compote', 'White bean and kale soup'])
    expect(index).toContain(title);
  expect(index).not.toContain('Smoky lentil');
  for (const path of [
    '/cards/smoky-lentil-and-squash-dal',
    '/cards/nothing',
    '/series/nothing',
    '/cards/egg-and-leek-muffins/card.html',
    '/what',
  ])
    await read(`${PLACE}${path}`).expect(404);
  // An edit is a draft until it is published.
  const { body } = (await server.http.get('/api/recipes/egg-and-leek-muffins')) as {
    body: { revision: number; document: { title: string } };
  };
  const document = { ...body.document, title: 'Something that nobody may read yet' };
  await server.http.put('/api/recipes/egg-and-leek-muffins').send({ revision: body.revision, document }).expect(200);
  for (const path of [PLACE, MUFFINS, `${MUFFINS}/recipe.jsonld`, `${PLACE}/feed.json`])
    expect(await textOf(path)).not.toContain('nobody may read');
  await server.http
    .put('/api/recipes/egg-and-leek-muffins')
    .send({ revision: body.revision + 1, document: body.document })
    .expect(200);
});

test('lists: by series and number, by figures, a feed of what is new, a map for search engines', async () => {
  const places = (page: string) => ['Egg and leek', 'Overnight oats', 'White bean'].map((title) => page.indexOf(title));
  const [muffins = 0, oats = 0, soup = 0] = places(await textOf(PLACE));
  expect([muffins < oats, oats < soup]).toEqual([true, true]);
  const [, oatsBy = 0, soupBy = 0] = places(await textOf(`${PLACE}?by=energy`));
  expect(soupBy).toBeLessThan(oatsBy);
  for (const [by, figure] of [
    ['protein', /<b>(\d+)<\/b> <small>g protein/g],
    ['energy', /<b>(\d+)<\/b> <small>kcal/g],
    ['cost', /<b>€\u00a0(\d+\.\d\d)<\/b>/g],
  ] as const) {
    const shown = [...(await textOf(`${PLACE}?by=${by}`)).matchAll(figure)].map(([, amount]) => Number(amount));
    expect(shown).toHaveLength(3);
    expect(shown).toEqual(shown.toSorted((a, b) => (by === 'protein' ? b - a : a - b)));
    expect(new Set(shown).size).toBeGreaterThan(1);
  }
  const series = await textOf(`${PLACE}/series/night-watch`);
  expect([series.includes('White bean'), series.includes('Overnight')]).toEqual([true, false]);

  const atom = await textOf(`${PLACE}/feed.atom`);
  expect(XMLValidator.validate(atom)).toBe(true);
  const { feed } = new XMLParser({ ignoreAttributes: false }).parse(atom) as {
    feed: { id: string; entry: { title: { '#text': string }; id: string; updated: string }[] };
  };
  expect(feed.id).toBe(`https://cards.example${PLACE}`);
  expect(feed.entry.map(({ title }) => title['#text'])).toEqual([
    'White bean and kale soup',
    'Overnight oats with plum compote',
    'Egg and leek muffins',
  ]);
  const json = JSON.parse(await textOf(`${PLACE}/feed.json`)) as {
    version: string;
    items: { id: string; url: string; title: string; content_html: string; date_modified: string }[];
  };
  expect(json.version).toMatch(/^https:\/\/jsonfeed\.org\/version\/1/);
  expect(json.items.map(({ url }) => url)).toContain(`https://cards.example${MUFFINS}`);
  expect(json.items[0]?.content_html).toContain('<article');
  const map = await textOf(`${PLACE}/sitemap.xml`);
  expect(XMLValidator.validate(map)).toBe(true);
  expect(map.match(/<loc>/g)).toHaveLength(1 + 2 + 3);
});

test('the data of a card has its addresses, pictures and both days, as the vocabulary has them', async () => {
  await publish('egg-and-leek-muffins', { correction: 'the eggs are larger' });
  const data = JSON.parse(await textOf(`${MUFFINS}/recipe.jsonld`)) as {
    url: string;
    image: string[];
    datePublished: string;
    dateModified: string;
  };
  expect(schemaOrgFaults(data, 'Recipe')).toEqual([]);
  expect(data).toMatchObject({
    url: `https://cards.example${MUFFINS}`,
    image: [`https://cards.example${MUFFINS}/portrait.png`, `https://cards.example${MUFFINS}/square.png`],
  });
  expect(data.datePublished <= data.dateModified).toBe(true);
  const page = await textOf(MUFFINS);
  expect(page).toContain('Correction to issue 1: the eggs are larger');
  expect(page).toContain(`<link rel="canonical" href="https://cards.example${MUFFINS}"`);
  expect(JSON.parse(await textOf(`${PLACE}/feed.json`))).toMatchObject({
    items: [{ id: `https://cards.example${MUFFINS}#issue-2` }, {}, {}],
  });
});

test('who has an answer already is told that it is the same, until it is not', async () => {
  for (const path of [PLACE, `${PLACE}/feed.atom`, MUFFINS, `${MUFFINS}/square.png`, '/read/-/reading.css']) {
    const { headers } = await read(path).expect(200);
    expect(headers['cache-control']).toBe('public, max-age=300, must-revalidate');
    await read(path)
      .set('If-None-Match', headers.etag ?? '')
      .expect(304);
    await read(path).set('If-None-Match', 'W/"another"').expect(200);
  }
  const before = (await read(PLACE)).headers.etag;
  await publish('white-bean-and-kale-soup');
  const after = (
    await read(PLACE)
      .set('If-None-Match', before ?? '')
      .expect(200)
  ).headers.etag;
  expect(after).not.toBe(before);
});

test('a card that was taken back says why at its address, and is in no list; put out again it is there', async () => {
  const back = '/api/recipes/overnight-oats-plum-compote/published-cards/1/taken-back';
  await server.http.post(back).send({ because: 'The <b>plums</b> were weighed with their stones.' }).expect(200);
  const told = await textOf(`${PLACE}/cards/overnight-oats-plum-compote`, 410);
  expect(told).toContain('The &lt;b&gt;plums&lt;/b&gt; were weighed with their stones.');
  await read(`${PLACE}/cards/overnight-oats-plum-compote/a5.pdf`).expect(410);
  for (const list of LISTS) expect(await textOf(`${PLACE}${list}`)).not.toContain('overnight-oats');
  expect((await server.http.get('/api/readers-address')).body).toMatchObject({ cards: 2, takenBack: 1 });
  await server.http.delete(back).expect(200);
  await read(`${PLACE}/cards/overnight-oats-plum-compote`).expect(200);
});

test('of a dish that was put away nothing is left to read', async () => {
  await publish('duck-leg-and-red-cabbage');
  await read(`${PLACE}/cards/duck-leg-and-red-cabbage`).expect(200);
  await server.http.delete('/api/recipes/duck-leg-and-red-cabbage').expect(204);
  await read(`${PLACE}/cards/duck-leg-and-red-cabbage`).expect(404);
  expect(await textOf(PLACE)).not.toContain('Duck');
});

test('each answer lets itself do what it needs and nothing else; pictures may be shown anywhere, and only the piece may be framed', async () => {
  const policyOf = async (path: string) => (await read(path)).headers['content-security-policy'] ?? '';
  for (const path of [PLACE, MUFFINS, `${MUFFINS}/embed`, `${PLACE}/feed.atom`, `${MUFFINS}/square.png`])
    expect(await policyOf(path)).toMatch(/^default-src 'none';/);
  expect(await policyOf(PLACE)).not.toMatch(/script|unsafe/);
  expect(await policyOf(MUFFINS)).not.toContain('unsafe');
  expect(await policyOf(MUFFINS)).toContain("frame-ancestors 'none'");
  expect(await policyOf(`${MUFFINS}/embed`)).toContain('frame-ancestors *');
  expect((await read(`${MUFFINS}/embed`)).headers['x-frame-options']).toBeUndefined();
  const asked = { 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'no-cors' };
  expect((await read(`${MUFFINS}/square.png`).set(asked).expect(200)).headers['cross-origin-resource-policy']).toBe('cross-origin');
  await server.http.get('/api/recipes').set(asked).expect(403);
  // Nothing is done by it.
  for (const method of ['post', 'put', 'delete'] as const) await server.http[method](PLACE).expect(404);
});

const HOSTILE = [
  '<script>alert(1)</script>',
  '"><img src=x onerror=alert(1)>',
  ']]></title><script>alert(1)</script>',
  '{{x}} & &lt; \u0001\u000b',
  '../../api',
  '漢字 🍲',
];

test.each(HOSTILE)('hostile text, %#, reaches every page, list and feed as text', async (text) => {
  const id = 'chickpea-and-pepper-stew';
  const { body } = (await server.http.get(`/api/recipes/${id}`)) as { body: { revision: number; document: object } };
  await server.http
    .patch('/api/kitchen/settings')
    .send({ card: { publication: text.slice(0, 80), address: text, mark: '<b>', series: [{ name: text, subtitle: text, about: text }] } })
    .expect(200);
  const document = { ...body.document, title: text, series: text, lead: text };
  const saved = (await server.http.put(`/api/recipes/${id}`).send({ revision: body.revision, document }).expect(200)) as {
    body: { revision: number };
  };
  await publish(id, { correction: text });
  const map = new XMLParser().parse(await textOf(`${PLACE}/sitemap.xml`)) as { urlset: { url: { loc: string }[] } };
  const paths = map.urlset.url.map(({ loc }) => loc.replace('https://cards.example', ''));
  expect(paths.length).toBeGreaterThan(4);
  for (const path of [...paths, `${PLACE}/cards/${id}/embed`]) {
    // Its own script and its data aside; what stands quoted in an attribute is text.
    const page = (await textOf(path))
      .replace(/<script>(?!alert).*?<\/script>|<script type="application\/.*?<\/script>/gs, '')
      .replace(/"[^"]*"/g, '""');
    expect(page).not.toMatch(/<script|<img src=x|<[^>]*\son\w+=/i);
  }
  const atom = await textOf(`${PLACE}/feed.atom`);
  expect(XMLValidator.validate(atom)).toBe(true);
  expect(atom.replace(/&lt;/g, '')).not.toMatch(/<script|<img src=x/);
  const json = JSON.parse(await textOf(`${PLACE}/feed.json`)) as { items: { title: string; content_html: string }[] };
  // eslint-disable-next-line no-control-regex -- just these are what XML cannot hold
  expect(json.items[0]?.title).toBe(text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/g, ''));
  expect(json.items[0]?.content_html).not.toMatch(/<script|<img/);
  await server.http.put(`/api/recipes/${id}`).send({ revision: saved.body.revision, document: body.document }).expect(200);
});

/** A request with a path just as it is written. */
function asked(port: number, path: string, method = 'GET'): Promise<number> {
  return new Promise((resolve, reject) => {
    const socket = connect(port, '127.0.0.1');
    socket.write(`${method} ${path} HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`);
    let answer = '';
    socket.on('data', (chunk) => (answer += chunk.toString('latin1')));
    socket.on('error', reject);
    socket.on('close', () => resolve(Number(/^HTTP\/1\.1 (\d+)/.exec(answer)?.[1])));
  });
}

test('a port for readers alone answers what they read, and nothing else however it is asked for', async () => {
  const { listenForReaders } = await import('../src/http/listenForReaders.js');
  const seen: string[] = [];
  const readers = await listenForReaders((request, response) => {
    seen.push(request.url ?? '');
    response.end('read');
  }, '127.0.0.1:0');
  const { port } = readers!.address() as { port: number };
  for (const path of ['/read/a', '/read/a/cards/b/a5.pdf', '/robots.txt', '/read/a?by=x']) expect(await asked(port, path)).toBe(200);
  const other = [
    '/',
    '/api/recipes',
    '/recipes',
    '/readers',
    '/read',
    '//read/a',
    '/robots.txt/..',
    'http://x/read/a',
    '/api/recipes?/read/',
    '/assets/x.js',
  ];
  for (const path of other) expect(await asked(port, path)).toBe(404);
  for (const method of ['POST', 'PUT', 'DELETE', 'OPTIONS']) expect(await asked(port, '/read/a', method)).toBe(404);
  expect(seen).toHaveLength(4);
  readers!.close();
  for (const wrong of ['x', '0.0.0.0', '1:2:x', '99999'])
    await expect(listenForReaders(() => undefined, wrong)).rejects.toThrow('PORTIONA_READERS_LISTEN');
  expect(await listenForReaders(() => undefined, ' ')).toBeUndefined();
  // What Express is given, it does not take for another address.
  const { port: own } = new URL(server.address);
  for (const path of ['/read/../api/recipes', '/read/%2e%2e/api/recipes', '/read/x/../../api/kitchen'])
    expect(await asked(Number(own), path)).toBe(404);
});

test('the address that is stated must be one', async () => {
  const { statedOrigin } = await import('../src/reading/readersOrigin.js');
  expect(statedOrigin('https://cards.example/')?.origin).toBe('https://cards.example');
  expect(statedOrigin('')).toBeUndefined();
  for (const wrong of ['cards.example', 'ftp://cards.example', 'https://cards.example/path', 'https://u:p@cards.example'])
    expect(() => statedOrigin(wrong)).toThrow('PORTIONA_READERS');
});
