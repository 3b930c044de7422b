import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { LABEL_SHEETS, labelBytes, rowBytes, type LabelBitmap } from '@portiona/core';
import { responseBytes } from './responseBytes.js';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const BATCH = '/api/batches/dal-2026-11-12';
const faultsOf = (body: unknown) => (body as { faults?: readonly { path: string; message: string }[] }).faults ?? [];
const pdfOf = async (query: string) =>
  (await server.http.get(`${BATCH}/labels.pdf?${query}`).buffer(true).parse(responseBytes).expect(200)).body as Buffer;

/** Words of a PDF, page by page, with where each stands in millimetres. */
function wordsOf(pdf: Buffer) {
  const file = join(mkdtempSync(join(tmpdir(), 'portiona-labels-')), 'labels.pdf');
  writeFileSync(file, pdf);
  const html = execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8' });
  return html
    .split('<page ')
    .slice(1)
    .map((page) =>
      [...page.matchAll(/<word xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">(.*?)<\/word>/g)].map(
        ([, xMin, yMin, xMax, yMax, text]) => ({
          ...{ left: mm(xMin), top: mm(yMin), right: mm(xMax), bottom: mm(yMax) },
          text: (text ?? '').replaceAll('&amp;', '&'),
        }),
      ),
    );
}
const mm = (points = '0') => (Number(points) * 25.4) / 72;

test.each(LABEL_SHEETS.map((sheet) => [sheet.name, sheet] as const))('on %s each label is whole, within its cell', async (name, sheet) => {
  const pages = wordsOf(await pdfOf(`sheet=${encodeURIComponent(name)}&start=2`));
  const cells = pages.flatMap((words, page) =>
    Array.from({ length: sheet.columns * sheet.rows }, (_, cell) => {
      const left = sheet.margin.left + (cell % sheet.columns) * (sheet.cell.width + sheet.gap.across);
      const top = sheet.margin.top + Math.floor(cell / sheet.columns) * (sheet.cell.height + sheet.gap.down);
      const inside = words.filter(
        (word) => word.left >= left && word.left < left + sheet.cell.width && word.top >= top - 0.5 && word.top < top + sheet.cell.height,
      );
      // Nothing reaches over the edge of its label.
      for (const word of inside) {
        expect(word.right).toBeLessThanOrEqual(left + sheet.cell.width);
        expect(word.bottom).toBeLessThanOrEqual(top + sheet.cell.height);
      }
      return { page, cell, text: inside.map(({ text }) => text).join(' ') };
    }),
  );
  const used = cells.filter(({ text }) => text !== '');
  expect(used.map(({ page, cell }) => page * sheet.columns * sheet.rows + cell)).toEqual([1, 2, 3, 4, 5]);
  const whose = used.map(({ text }) => /Tilde|Bram/.exec(text)?.[0]);
  expect(whose).toEqual(['Tilde', 'Bram', 'Tilde', 'Bram', 'Tilde']);
  for (const [i, { text }] of used.entries()) {
    expect(text).toMatch(/^Smoky lentil and squash dal, brown rice/);
    expect(text).toMatch(/Night Watch, no\. 7 · \w+ · cooked 12 Nov 2026/);
    expect(text).toContain(i % 2 === 0 ? '565' : '803');
    expect(text).toContain('Contains celery');
    expect(text).toMatch(
      [/Eat today 12 Nov 2026/, /Eat today/, /Use by 13 Nov 2026/, /Use by/, /Freeze, eat by 12 Feb 2027/][i] ?? /never/,
    );
  }
});

test('single labels have the size asked for, and one can be printed alone', async () => {
  const [page, ...more] = wordsOf(await pdfOf('width=62&height=50&only=5'));
  expect(more).toEqual([]);
  expect(page?.map(({ text }) => text).join(' ')).toMatch(/Freeze, eat by 12 Feb 2027/);
});

test('what cannot be printed is told: no such sheet, no such cell, too small for what must be on it', async () => {
  const told = async (query: string) => faultsOf((await server.http.get(`${BATCH}/labels.pdf?${query}`).expect(422)).body);
  const [sheet] = LABEL_SHEETS;
  const name = encodeURIComponent(sheet?.name ?? '');
  expect(await told('sheet=none')).toEqual([{ path: 'sheet', message: 'there is no sheet "none"' }]);
  expect(await told(`sheet=${name}&start=9`)).toEqual([{ path: 'start', message: 'the sheet has cells 1 to 8' }]);
  expect(await told(`sheet=${name}&only=6`)).toEqual([{ path: 'only', message: 'there are labels 1 to 5, not 6' }]);
  expect(await told(`sheet=${name}&only=x`)).toMatchObject([{ path: 'only' }]);
  expect(await told('width=20&height=15')).toEqual([
    { path: 'sheet', message: expect.stringMatching(/has no room on 20 x 15 mm/) as string },
  ]);
  expect(await told('width=62')).toMatchObject([{ path: 'sheet' }]);
  expect(faultsOf((await server.http.get('/api/batches/dal-2026-11-26/labels.pdf?width=62&height=50').expect(422)).body)).toEqual([
    { path: 'boxes', message: 'no boxes are listed; portion the batch, then print its labels' },
  ]);
  await server.http.get('/api/batches/none/labels.pdf?width=62&height=50').expect(404);
});

test('a sheet of the kitchen’s own is kept with its settings and printed on; one that cannot be is told', async () => {
  const own = {
    name: 'Roll of two',
    page: { width: 120, height: 60 },
    columns: 2,
    rows: 1,
    cell: { width: 58, height: 60 },
    margin: { left: 1, top: 0 },
    gap: { across: 2, down: 0 },
  };
  await server.http
    .patch('/api/kitchen/settings')
    .send({ labelSheets: [own], guideline: 'us', vessels: [{ name: 'Pot', kind: 'pot', weight: 900 }] })
    .expect(200);
  const { body } = (await server.http.get('/api/kitchen').expect(200)) as { body: object };
  expect(body).toMatchObject({ labelSheets: [own], guideline: 'us', vessels: [{ name: 'Pot', kind: 'pot', weight: 900 }] });
  expect(wordsOf(await pdfOf('sheet=Roll%20of%20two'))).toHaveLength(3);
  await server.http
    .patch('/api/kitchen/settings')
    .send({ vessels: [{ name: 'Pot', kind: 'bath' }] })
    .expect(422);
  await server.http
    .patch('/api/kitchen/settings')
    .send({ labelSheets: [{ ...own, columns: 3 }] })
    .expect(200);
  const { body: over } = (await server.http.get(`${BATCH}/labels.pdf?sheet=Roll%20of%20two`).expect(422)) as { body: unknown };
  expect(faultsOf(over)).toEqual([{ path: 'sheet', message: '3 columns take 179.0 mm, the page has 120' }]);
  await server.http.patch('/api/kitchen/settings').send({ labelSheets: null, guideline: null, vessels: null }).expect(200);
});

test('the label printer prints what it is sent, dot by dot; what it cannot print it says', async () => {
  const label: LabelBitmap = {
    width: 20,
    height: 3,
    dotsPerInch: 203,
    copies: 2,
    rows: Uint8Array.from([1, 2, 0xf0, 4, 5, 0x10, 7, 8, 0x20]),
  };
  const send = (body: Uint8Array) =>
    fetch(`${server.kitchenAddress}/label-printer/labels`, {
      method: 'POST',
      headers: { ...server.headers, 'content-type': 'application/octet-stream' },
      body: body as Uint8Array<ArrayBuffer>,
    });
  expect((await send(labelBytes(label))).status).toBe(204);
  const state = async () =>
    (await server.http.get('/api/label-printer').expect(200)).body as {
      out: readonly { number: number; rows: string }[];
      trouble?: string;
    };
  const { out } = await state();
  expect(out.map(({ number }) => number)).toEqual([2, 1]);
  expect([...Buffer.from(out[0]?.rows ?? '', 'base64')]).toEqual([...label.rows]);
  const wide = { ...label, width: 600, rows: new Uint8Array(rowBytes(600) * 3) };
  const refused = await send(labelBytes(wide));
  expect([refused.status, ((await refused.json()) as { detail: string }).detail]).toEqual([
    409,
    'The label was not printed: the label is 600 dots wide, the printer takes 496.',
  ]);
  expect((await send(labelBytes({ ...label, dotsPerInch: 300 }))).status).toBe(409);
  expect((await send(labelBytes(label).slice(1))).status).toBe(422);
  expect((await send(new Uint8Array(2_200_000))).status).toBe(422);
  await server.http.put('/api/label-printer').send({ trouble: 'it has run out of labels' }).expect(204);
  const empty = await send(labelBytes(label));
  expect(((await empty.json()) as { detail: string }).detail).toBe('The label was not printed: it has run out of labels.');
  await server.http.put('/api/label-printer').send({}).expect(204);
  expect((await send(labelBytes(label))).status).toBe(204);
});
