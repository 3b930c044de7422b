import { createCanvas, loadImage } from '@napi-rs/canvas';
import { Client } from 'pg';
import { responseBytes } from './responseBytes.js';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const STEW = '/api/recipes/chickpea-and-pepper-stew';

interface Opened {
  readonly revision: number;
  readonly document: { readonly photo?: { readonly id: string } };
}

/** Left half red, right half green. */
async function bring(): Promise<string> {
  const canvas = createCanvas(800, 600);
  const pen = canvas.getContext('2d');
  pen.fillStyle = '#dc1e1e';
  pen.fillRect(0, 0, 400, 600);
  pen.fillStyle = '#1eb428';
  pen.fillRect(400, 0, 400, 600);
  const sent = server.http.post('/api/photos').set('content-type', 'application/octet-stream');
  const { body } = (await sent.send(await canvas.encode('jpeg', 90)).expect(201)) as { body: { id: string } };
  return body.id;
}

async function save(change: object) {
  const { body } = (await server.http.get(STEW).expect(200)) as { body: Opened };
  return server.http.put(STEW).send({ revision: body.revision, document: { ...body.document, ...change } });
}

/** The colour of a picture's pixel: what of red, green and blue is most. */
async function hueAt(path: string, x: number, y: number): Promise<string> {
  const { body } = (await server.http.get(path).buffer(true).parse(responseBytes).expect(200)) as { body: Buffer };
  const picture = await loadImage(body);
  const canvas = createCanvas(picture.width, picture.height);
  const pen = canvas.getContext('2d');
  pen.drawImage(picture, 0, 0);
  const [red = 0, green = 0, blue = 0] = pen.getImageData(x, y, 1, 1).data;
  return red > green + 60 && red > blue + 60 ? 'red' : green > red + 60 && green > blue + 60 ? 'green' : 'other';
}

test('a dish shows its photo on its card, cut as it was drawn for each shape, and goes out with its file', async () => {
  const id = await bring();
  expect((await save({ photo: { id, alt: 'Stew in a box' } })).status).toBe(200);
  const portrait = `${STEW}/card.png?format=portrait`;
  expect([await hueAt(portrait, 40, 40), await hueAt(portrait, 1040, 40)]).toEqual(['red', 'green']);
  // Cut to its right half, it is green from edge to edge; another shape is as before.
  await save({ photo: { id, alt: 'Stew in a box', crops: { upright: { x: 0.5, y: 0, width: 0.5, height: 1 } } } });
  expect([await hueAt(portrait, 40, 40), await hueAt(portrait, 1040, 40)]).toEqual(['green', 'green']);
  expect(await hueAt(`${STEW}/card.png?format=square`, 40, 40)).toBe('red');
  const { text: svg } = await server.http.get(`${STEW}/card-sheet.html?format=a4`).expect(200);
  expect(svg).toContain('aria-label="Stew in a box"');
  const { text: page } = await server.http.get(`${STEW}/card.html`).expect(200);
  expect(page).toContain('aria-label="Stew in a box"');
  const file = JSON.parse((await server.http.get('/api/exports/recipes/chickpea-and-pepper-stew/kitchen-file').expect(200)).text) as {
    photos: { id: string }[];
  };
  expect(file.photos.map((photo) => photo.id)).toEqual([id]);
});

test('a photo that is not there is refused by its place, and one that a published card shows is never let go', async () => {
  const missing = await save({ photo: { id: 'nowhere' } });
  expect(missing.status).toBe(422);
  expect((missing.body as { faults: { path: string }[] }).faults).toEqual([expect.objectContaining({ path: 'document.photo.id' })]);
  const id = await bring();
  await save({ photo: { id } });
  const { body: published } = (await server.http.post(`${STEW}/published-cards`).expect(201)) as { body: { issue: number } };
  await save({ photo: undefined });
  const client = new Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  await client.query(`UPDATE photos SET brought_at = now() - interval '9 days'`);
  await client.end();
  const other = createCanvas(90, 60);
  await server.http
    .post('/api/photos')
    .set('content-type', 'application/octet-stream')
    .send(await other.encode('jpeg', 90))
    .expect(201);
  await server.http.get(`/api/photos/${id}`).expect(200);
  expect(await hueAt(`${STEW}/card.png?format=portrait&issue=${published.issue}`, 40, 40)).toBe('red');
  // What it was computed from can still be read: its sizes are there.
  const { text } = await server.http.get(`${STEW}/card.html?issue=${published.issue}`).expect(200);
  expect(text).toContain('"servings":9');
});
