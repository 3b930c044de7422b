import { readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { FileKeeper } from '../src/files/fileKeeper.service.js';
import { KitchensService } from '../src/kitchens/kitchens.service.js';
import { Database } from '../src/database/database.js';
import { within } from '../src/database/wall.js';
import { TableImportEntity } from '../src/tables/tableImport.entity.js';
import { innerServer } from './innerServer.js';
import { madeUpFigureRows, madeUpTable } from './madeUpTable.js';

type Server = Awaited<ReturnType<typeof innerServer>>;
let server: Server;
beforeAll(async () => {
  server = await innerServer({ demo: true });
});
afterAll(() => server.close());

interface Table {
  readonly id: string;
  readonly state: string;
  readonly message: string | null;
  readonly result: Record<string, number> | null;
  readonly progress: { readonly rows: number; readonly share: number } | null;
}
interface Look {
  readonly columns: { heading: string; samples: string[] }[];
  readonly mapping: {
    encoding: string;
    delimiter: string;
    decimal: string;
    headingLines: number;
    columns: { heading: string; target: string; unit?: string }[];
    figureRows?: { food: string; figure: string; value: string; unit?: string };
  };
  readonly ownHeadings: string[];
  readonly fromKept: string | null;
  readonly missing: string[];
}
interface Problem {
  readonly detail: string;
  readonly faults?: { path: string; message: string }[];
}

async function bring(content: string | Buffer, fileName = 'island.csv', status = 201): Promise<Table & Problem> {
  const { body } = (await server.http
    .post(`/api/food-tables?fileName=${fileName}`)
    .set('content-type', 'text/csv')
    .send(content)
    .expect(status)) as { body: Table & Problem };
  return body;
}

async function look(id: string, query = ''): Promise<Look> {
  return ((await server.http.get(`/api/food-tables/${id}/look${query}`).expect(200)) as { body: Look }).body;
}

async function tablesHere(): Promise<(Table & { bytes: number })[]> {
  return (await server.http.get('/api/food-tables').expect(200)).body as (Table & { bytes: number })[];
}

async function filesOf(folder: string): Promise<string[]> {
  return Promise.resolve(readdirSync(join(process.env.PORTIONA_HOME ?? '', folder)));
}

async function ended(id: string): Promise<Table> {
  for (let i = 0; i < 600; i++) {
    const { body } = (await server.http.get(`/api/food-tables/${id}`).expect(200)) as { body: Table };
    if (body.state !== 'running') return body;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('it did not end');
}

async function take(content: string | Buffer, name: string, over: object = {}): Promise<Table> {
  const { id } = await bring(content);
  const { mapping } = await look(id);
  await server.http
    .post(`/api/food-tables/${id}/start`)
    .send({ name, mapping: { ...mapping, ...over }, keepMapping: true })
    .expect(202);
  return ended(id);
}

interface FoundRow {
  readonly food: {
    readonly id: string;
    readonly revision: number;
    readonly document: { readonly name: string; readonly nutrients: object };
  };
  readonly fromTable: string;
}

async function foodsOf(words: string): Promise<FoundRow[]> {
  const answer = await server.http.get(`/api/found-foods?limit=50&q=${encodeURIComponent(words)}`).expect(200);
  return answer.body as FoundRow[];
}

const counts = async () => {
  const { body } = (await server.http.get('/api/kitchen').expect(200)) as { body: object };
  const found = await foodsOf('sorrel');
  return { body, found: found.length };
};

test('a table is looked at, mapped by guess, tried, taken in, and its nutrients land in the right units', async () => {
  const { id } = await bring(madeUpTable(60));
  const { mapping, columns } = await look(id);
  expect(mapping).toMatchObject({ encoding: 'utf-8', delimiter: ';', decimal: ',', headingLines: 3 });
  expect(columns.map(({ heading }) => heading)).toContain('Sodium g');
  expect(mapping.columns).toEqual([
    { heading: 'Code', target: 'code' },
    { heading: 'Food', target: 'name' },
    { heading: 'Group', target: 'group' },
    { heading: 'Energy kcal', target: 'energy', unit: 'kcal' },
    { heading: 'Protein g', target: 'protein', unit: 'g' },
    { heading: 'Fat g', target: 'fat', unit: 'g' },
    { heading: 'Carbohydrate, available g', target: 'carbohydrateAvailable', unit: 'g' },
    { heading: 'Fibre g', target: 'fibre', unit: 'g' },
    { heading: 'Sodium g', target: 'sodium', unit: 'g' },
    { heading: 'Vitamin D µg', target: 'vitaminD', unit: 'ug' },
  ]);
  const preview = (await server.http.post(`/api/food-tables/${id}/preview`).send({ name: 'Island', mapping }).expect(200)) as {
    body: Record<string, unknown>;
  };
  expect(preview.body).toMatchObject({ rows: 60, added: 60, changed: 0, unchanged: 0, leftOut: 0, faults: 0, soundness: '' });
  expect(await foodsOf('sorrel north bank')).toEqual([]);
  await server.http.post(`/api/food-tables/${id}/start`).send({ name: 'Island', mapping, keepMapping: true }).expect(202);
  expect(await ended(id)).toMatchObject({ state: 'done', result: { rows: 60, added: 60, leftOut: 0 } });
  const [first] = await foodsOf('sorrel of the north bank no 0');
  expect(first).toMatchObject({
    fromTable: 'Island',
    food: {
      id: 'island-s00000',
      document: {
        name: 'Sorrel of the north bank no. 0, raw',
        state: 'raw',
        source: 'table',
        nutrients: { protein: 0.5, sodium: 0, vitaminD: 0.1 },
      },
    },
  });
  const [second] = await foodsOf('sea beet north bank no 1');
  expect(second?.food.document.nutrients).toEqual({
    energyKcal: expect.any(Number) as number,
    protein: 1.5,
    fat: 0.5,
    carbohydrate: 1.25,
    fibre: 0.5,
    sodium: 20,
  });
});

test('the next edition updates by code, leaves what is the same and what was made one’s own', async () => {
  expect((await take(madeUpTable(60), 'Island')).result).toMatchObject({ added: 0, changed: 0, unchanged: 60 });
  const [mine] = await foodsOf('sorrel of the north bank no 0');
  await server.http
    .put(`/api/foods/${mine!.food.id}`)
    .send({ revision: 1, document: { ...mine!.food.document, source: 'label' } })
    .expect(200);
  const [measured] = await foodsOf('sea beet north bank no 1');
  await server.http
    .put(`/api/foods/${measured!.food.id}`)
    .send({ revision: 1, document: { ...measured!.food.document, measures: { bunch: 120 } } })
    .expect(200);
  expect((await take(madeUpTable(62, { change: 4 }), 'Island')).result).toMatchObject({
    rows: 62,
    added: 2,
    changed: 59,
    unchanged: 0,
    own: 1,
  });
  const [after] = await foodsOf('sea beet north bank no 1');
  expect(after).toMatchObject({ food: { revision: 3, document: { measures: { bunch: 120 } } } });
  const history = (await server.http.get(`/api/foods/${after!.food.id}/history`).expect(200)) as { body: unknown[] };
  expect(history.body).toHaveLength(3);
});

test('a mapping is kept under its name and finds its columns in another order', async () => {
  const table = 'x|Protein g|Food|Code|Energy kcal\nv|1|Kept leek|K1|22\nv|2|Kept sorrel|K2|23\n';
  const { id } = await bring(table);
  const { mapping, fromKept, missing } = await look(id, '?kept=Island&delimiter=|&headingLines=1');
  expect(fromKept).toBe('Island');
  expect(mapping.columns.map(({ heading }) => heading)).toEqual(['Code', 'Food', 'Energy kcal', 'Protein g']);
  expect(missing).toContain('Fat g');
  const { body } = (await server.http.get('/api/food-tables/mappings').expect(200)) as { body: { name: string }[] };
  expect(body.map(({ name }) => name)).toEqual(['Island']);
  await server.http.get(`/api/food-tables/${id}/look?kept=Nowhere`).expect(404);
});

test.each([
  ['UTF-8 with a mark', Buffer.from('\ufeffCode;Food;Protein g;Fat g\n1;Crème of sorrel;1,5;2,5\n'), 'utf-8'],
  [
    'UTF-16, little end first, with a mark',
    Buffer.from('\ufeffCode\tFood\tProtein g\tFat g\n1\tCrème of sorrel\t1.5\t2.5\n', 'utf16le'),
    'utf-16le',
  ],
  ['UTF-16 without a mark', Buffer.from('Code\tFood\tProtein g\tFat g\n1\tCrème of sorrel\t1.5\t2.5\n', 'utf16le'), 'utf-16le'],
  ['UTF-16, big end first', swapped('\ufeffCode,Food,Protein g,Fat g\n1,Crème of sorrel,1.5,2.5\n'), 'utf-16be'],
  ['Windows-1252', Buffer.from('Code;Food;Protein g;Fat g\n1;Crème of sorrel;1,5;2,5\n', 'latin1'), 'windows-1252'],
])('%s is read as such', async (_, content, encoding) => {
  const { id } = await bring(content);
  const { mapping } = await look(id);
  expect(mapping.encoding).toBe(encoding);
  const { body } = (await server.http.post(`/api/food-tables/${id}/preview`).send({ name: 'Letters', mapping }).expect(200)) as {
    body: { sample: { document: { name: string; nutrients: object } }[] };
  };
  expect(body.sample[0]?.document).toMatchObject({ name: 'Crème of sorrel', nutrients: { protein: 1.5, fat: 2.5 } });
});

function swapped(text: string): Buffer {
  return Buffer.from(text, 'utf16le').swap16();
}

test('headings that run over lines, quoted line ends, tildes and carets', async () => {
  const { id } = await bring('~Code~^~Food~^~Protein\n(g)~^~Fat (g)~\n~1~^~Leek ^ raw~^1.5^.3\n');
  const { mapping } = await look(id);
  expect(mapping).toMatchObject({ delimiter: '^', quote: '~', headingLines: 1 });
  const { body } = (await server.http.post(`/api/food-tables/${id}/preview`).send({ name: 'T', mapping }).expect(200)) as {
    body: { sample: { document: object }[] };
  };
  expect(body.sample[0]?.document).toMatchObject({ name: 'Leek ^ raw', nutrients: { protein: 1.5, fat: 0.3 } });
});

test('row faults say where and what; what cannot be taken is left out, the rest can be taken', async () => {
  const { id } = await bring(
    'Code,Food,Protein g,Fat g\n1,Good leek,1,2\n2,"=HYPERLINK(""x"")",1,2\n1,Again,1,2\n3,,1,2\n4,Odd leek,abc,2000\n\nPulses,,,\n',
  );
  const { mapping } = await look(id);
  const { body } = (await server.http.post(`/api/food-tables/${id}/preview`).send({ name: 'Faults', mapping }).expect(200)) as {
    body: { rows: number; leftOut: number; firstFaults: { row: number; heading: string; message: string }[] };
  };
  expect(body).toMatchObject({ rows: 6, leftOut: 4, added: 2 });
  expect(body.firstFaults.map(({ row, heading }) => [row, heading])).toEqual([
    [3, 'Food'],
    [4, 'Code'],
    [5, 'Food'],
    [6, 'Protein g'],
    [6, 'Fat g'],
    [8, 'Food'],
  ]);
  expect(body.firstFaults[0]?.message).toContain('formula');
});

test('a mapping that cannot make foods of the table is refused by place', async () => {
  const { id } = await bring(madeUpTable(3));
  const { mapping } = await look(id);
  const refused = async (columns: object[]) => {
    const { body } = (await server.http
      .post(`/api/food-tables/${id}/start`)
      .send({ name: 'No', mapping: { ...mapping, columns } })
      .expect(422)) as { body: Problem };
    return body.faults?.map(({ path }) => path);
  };
  expect(await refused([{ heading: 'Nowhere', target: 'name' }])).toEqual(['mapping.columns[0].heading', 'mapping.columns']);
  expect(
    await refused([
      { heading: 'Food', target: 'name' },
      { heading: 'Code', target: 'name' },
    ]),
  ).toEqual(['mapping.columns']);
  expect(
    await refused([
      { heading: 'Food', target: 'name' },
      { heading: 'Fat g', target: 'fat', unit: 'kcal' },
    ]),
  ).toEqual(['mapping.columns[1].unit']);
  expect(await refused([{ heading: 'Food', target: 'rubbish' }])).toEqual(['mapping.columns[0].target']);
});

test.each([
  ['an empty file', Buffer.alloc(0), /empty/],
  ['a workbook', Buffer.concat([Buffer.from([0x50, 0x4b, 3, 4]), Buffer.alloc(200, 7)]), /workbook/],
  ['a packed file', Buffer.from([0x1f, 0x8b, 8, 0, 0, 0]), /packed/],
  ['NULs at the beginning', Buffer.from('Code,Food\n1,Le\0\0\0ek\n'), /NUL/],
  ['NULs far into it', Buffer.concat([Buffer.from(madeUpTable(200)), Buffer.from('\nx;a\0b;c')]), /NUL/],
])('%s is refused, with what to do', async (_, content, why) => {
  const { detail } = await bring(content, 'bad.csv', 422);
  expect(detail).toMatch(why);
  expect(detail).toContain('Nothing was taken in');
});

test('ten thousand columns, a quote without end, three hundred megabytes: refused, and the server goes on', async () => {
  const wide = await bring(`Code,Food,${Array.from({ length: 10_000 }, (_, i) => `c${i}`).join(',')}\n1,Leek,${'1,'.repeat(9_999)}1\n`);
  const { body: tooWide } = (await server.http.get(`/api/food-tables/${wide.id}/look`).expect(422)) as { body: Problem };
  expect(tooWide.detail).toContain('10002 columns');
  const open = await bring(`Code,Food,Protein g\n1,"Leek,1\n${'2,Sorrel,3\n'.repeat(100_000)}`);
  const { body: noEnd } = (await server.http.get(`/api/food-tables/${open.id}/look`).expect(422)) as { body: Problem };
  expect(noEnd.detail).toMatch(/no end|never closed/);
  const { body: large } = (await server.http
    .post('/api/food-tables')
    .set('content-type', 'text/csv')
    .set('content-length', String(300 * 1024 * 1024))
    .send('Code,Food')
    .expect(413)) as { body: Problem };
  expect(large.detail).toContain('100 MB');
  await server.http.get('/api/health').expect(200);
});

test('a table being taken in is stopped: nothing of it is there; another at the same time waits', async () => {
  const before = await counts();
  const { id } = await bring(madeUpTable(20_000));
  const { mapping } = await look(id);
  await server.http.post(`/api/food-tables/${id}/start`).send({ name: 'Stopped', mapping }).expect(202);
  const other = await bring(madeUpTable(10));
  await server.http.post(`/api/food-tables/${other.id}/start`).send({ name: 'Other', mapping }).expect(503);
  await server.http.get('/api/found-foods?q=leek').expect(200);
  // How far it is is a share of the file: no more than all of it, and not all of it while it goes on.
  const { body: under } = (await server.http.get(`/api/food-tables/${id}`).expect(200)) as {
    body: Table & { progress: { share: number } };
  };
  expect(under.progress.share).toBeGreaterThanOrEqual(0);
  expect(under.progress.share).toBeLessThan(1);
  await server.http.delete(`/api/food-tables/${id}`).expect(204);
  expect(await ended(id)).toMatchObject({ state: 'cancelled', message: 'Stopped. Nothing was written.' });
  expect(await counts()).toEqual(before);
  await server.http.post(`/api/food-tables/${other.id}/start`).send({ name: 'Other', mapping }).expect(202);
  expect(await ended(other.id)).toMatchObject({ state: 'done' });
});

test('a file that nobody took in is kept a week, no longer', async () => {
  const { id } = await bring(madeUpTable(3));
  const brought = async (days: number) => {
    const { id: kitchenId } = (await server.app.get(KitchensService).scopes()).map(({ kitchenId: own }) => ({ id: own }))[0]!;
    await server.app
      .get(Database)
      .within(kitchenId, () =>
        server.app
          .get(Database)
          .manager.query(`UPDATE table_imports SET made_at = now() - make_interval(days => $2) WHERE id = $1`, [id, days]),
      );
    await server.app.get(FileKeeper).tidy();
  };
  await brought(6);
  expect((await look(id)).columns.length).toBeGreaterThan(3);
  await brought(8);
  await server.http.get(`/api/food-tables/${id}/look`).expect(404);
  expect(await filesOf('tables')).not.toContain(`${id}.table`);
});

test('an identifier of nothing is not there', async () => {
  await server.http.get('/api/food-tables/nonsense').expect(404);
  await server.http.get('/api/food-tables/00000000-0000-0000-0000-000000000000/look').expect(404);
});

interface Sample {
  readonly sample: { document: { name: string; nutrients: object } }[];
  readonly rows: number;
  readonly soundness: string;
}

async function tried(id: string, mapping: object): Promise<Sample> {
  return ((await server.http.post(`/api/food-tables/${id}/preview`).send({ name: 'Tried', mapping }).expect(200)) as { body: Sample }).body;
}

test('a table with a row for each figure, sorted by figure, gives the foods the same table with a row a food gives', async () => {
  const [wide, long] = [await bring(madeUpTable(80)), await bring(madeUpFigureRows(80))];
  const looked = await look(long.id);
  expect(looked.mapping.figureRows).toEqual({ food: 'Food code', figure: 'Nutrient', value: 'Amount', unit: 'Unit' });
  expect(looked.mapping.columns).toContainEqual({ heading: 'Sodium (g)', target: 'sodium', unit: 'g' });
  expect(looked.ownHeadings).toEqual(['Food code', 'Food name', 'Nutrient', 'Unit', 'Amount', 'Method']);
  const [fromWide, fromLong] = [await tried(wide.id, (await look(wide.id)).mapping), await tried(long.id, looked.mapping)];
  expect(fromLong).toMatchObject({ rows: 80, soundness: '' });
  const figures = ({ sample }: Sample) => sample.map(({ document: { name, nutrients } }) => ({ name, nutrients }));
  expect(figures(fromLong)).toEqual(figures(fromWide));
});

test('a table with a row for each figure is taken in, kept as a mapping, and updated by code', async () => {
  expect(await take(madeUpFigureRows(40), 'Long island')).toMatchObject({ state: 'done', result: { rows: 40, added: 40 } });
  const [found] = await foodsOf('sea beet north bank no 1');
  expect(found?.food.document.nutrients).toMatchObject({ protein: 1.5, fat: 0.5, carbohydrate: 1.25 });
  const again = await bring(madeUpFigureRows(41));
  const { mapping, missing } = await look(again.id, '?kept=Long%20island');
  expect(missing).toEqual([]);
  expect(mapping.figureRows?.figure).toBe('Nutrient');
  await server.http.post(`/api/food-tables/${again.id}/start`).send({ name: 'Long island', mapping }).expect(202);
  expect((await ended(again.id)).result).toMatchObject({ rows: 41, added: 1, unchanged: 40 });
});

test('whether a row is a food or a figure is the person’s to say, and wrong columns are told by place', async () => {
  const { id } = await bring(madeUpFigureRows(4));
  expect((await look(id, '?rowsFor=food')).mapping.figureRows).toBeUndefined();
  const said = await look(id, '?rowsFor=figure&food=Food%20name&unit=');
  expect(said.mapping.figureRows).toEqual({ food: 'Food name', figure: 'Nutrient', value: 'Amount' });
  const wrong = { ...said.mapping, figureRows: { food: 'Food', figure: 'Nutrient', value: 'Nutrient' } };
  const { body } = (await server.http.post(`/api/food-tables/${id}/preview`).send({ name: 'x', mapping: wrong }).expect(422)) as {
    body: Problem;
  };
  expect(body.faults?.map(({ path }) => path)).toEqual(['mapping.figureRows.food', 'mapping.figureRows.value']);
  const many = ['food\tfigure\tvalue', ...Array.from({ length: 1200 }, (_, i) => `a\tfigure ${i}\t1`)].join('\n');
  const bomb = await bring(many);
  const answer = (await server.http
    .get(`/api/food-tables/${bomb.id}/look?rowsFor=figure&food=food&figure=figure&value=value`)
    .expect(422)) as { body: Problem };
  expect(answer.body.detail).toMatch(/more than 1000 names in “figure”/);
});

test('files that belong to nothing are taken away once nothing told of them twice; those that wait stay', async () => {
  const folder = join(process.env.PORTIONA_HOME ?? '', 'tables');
  const { id } = await bring(madeUpTable(3));
  writeFileSync(join(folder, 'broken-off.part'), 'name;kcal');
  writeFileSync(join(folder, 'nobody-knows.table'), 'name;kcal');
  const strange = () => readdirSync(folder).filter((name) => /broken-off|nobody-knows/.test(name));
  await server.app.get(FileKeeper).tidy();
  // What has only just come has no row yet.
  expect(strange()).toHaveLength(2);
  await server.app.get(FileKeeper).tidy();
  expect(strange()).toEqual([]);
  expect((await look(id)).columns.length).toBeGreaterThan(3);
  await server.http.delete(`/api/food-tables/${id}`).expect(204);
});

test('a table that is forgotten while it is looked at is not there, and that is all', async () => {
  const { id } = await bring(madeUpTable(2_000));
  const { mapping } = await look(id);
  const asked = Array.from({ length: 12 }, (_, i) =>
    i % 2
      ? server.http.get(`/api/food-tables/${id}/look`)
      : server.http.post(`/api/food-tables/${id}/preview`).send({ name: 'x', mapping }),
  );
  const answers = Promise.all(asked.map((one) => one.then(({ status }) => status)));
  await server.http.delete(`/api/food-tables/${id}`).expect(204);
  for (const status of await answers) expect([200, 404]).toContain(status);
});

test('all files brought together have a cap; one that is forgotten makes room', async () => {
  const folder = join(process.env.PORTIONA_HOME ?? '', 'tables');
  const held = (await tablesHere()).filter(({ state }) => state !== 'done').reduce((sum, { bytes }) => sum + bytes, 0);
  process.env.PORTIONA_UPLOADS_MB = String(held / 1024 / 1024 + 0.5);
  try {
    const large = madeUpTable(6_000);
    expect(large.length).toBeGreaterThan(262_144);
    expect(large.length).toBeLessThan(524_288);
    const { id } = await bring(large);
    const refused = await server.http.post('/api/food-tables').set('content-type', 'text/csv').send(large);
    expect(refused.status).toBe(507);
    expect((refused.body as { detail: string }).detail).toMatch(/forget one of them/);
    // Nothing of what was refused stays, and what does not say how large it is counts as the largest there may be.
    expect(readdirSync(join(folder, '../coming'))).toEqual([]);
    await server.http.delete(`/api/food-tables/${id}`).expect(204);
    const { id: second } = await bring(large);
    await server.http.delete(`/api/food-tables/${second}`).expect(204);
  } finally {
    delete process.env.PORTIONA_UPLOADS_MB;
  }
});

test('a name that is cut where a letter is two units is taken in whole, with its table', async () => {
  const name = `${'x'.repeat(199)}🍲 and more`;
  const { id } = await bring(`code;name;Energy (kcal);Protein (g)\na1;${name};100;5\na2;Cre\u0300me;200;3\n`);
  const { mapping } = await look(id);
  await server.http.post(`/api/food-tables/${id}/start`).send({ name: 'Cut', mapping }).expect(202);
  expect(await ended(id)).toMatchObject({ state: 'done', result: { added: 2 } });
  const { body } = (await server.http.get(`/api/found-foods?q=${'x'.repeat(199)}`)) as {
    body: { food: { document: { name: string } } }[];
  };
  expect(body[0]?.food.document.name).toBe('x'.repeat(199));
  const { body: creams } = (await server.http.get('/api/found-foods?q=creme')) as { body: { food: { document: { name: string } } }[] };
  expect(creams.map(({ food }) => food.document.name)).toContain('Crème');
});

test('many files brought at once are no more than may be, and a receipt is read beside them', async () => {
  const before = ((await server.http.get('/api/food-tables')).body as Table[]).filter(({ state }) => state !== 'done').map(({ id }) => id);
  const send = () => server.http.post('/api/food-tables').set('content-type', 'text/csv').send('code;name;Energy (kcal)\na;Sorrel;22\n');
  const answers = await Promise.all(Array.from({ length: 130 }, send));
  const brought = answers.filter(({ status }) => status === 201).map(({ body }) => (body as Table).id);
  expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([201, 507]));
  expect(readdirSync(join(process.env.PORTIONA_HOME ?? '', 'tables')).length).toBeLessThanOrEqual(100);
  expect(brought.length + before.length).toBeLessThanOrEqual(100);
  await server.http.post('/api/receipts/read').set('content-type', 'text/csv').send('item;price\nLeek;1.20\n').expect(200);
  for (const id of brought) await server.http.delete(`/api/food-tables/${id}`).expect(204);
});

describe('what a table does not say, and rows that cannot be right', () => {
  const UNSAID = [
    'Ref,Food,Reference quantity,Energy,Protein,Fat,Carbohydrate,Saturates,Calcium,Iron,Vitamin D',
    'K1,"Milk, whole",100 g,268,3.4,3.6,4.6,2.3,0.12,0.03,0.1',
    'K2,"Spinach, raw",1 kg,960,29,4,14,0.6,0.99,27,0',
    'K3,"Egg, whole, raw",100 g,582,12.6,9.5,0.7,3.1,0.056,1.8,',
    'K4,"Butter, unsalted",100 g,3117,0.6,82.2,0.6,52.1,0.018,0,',
    'K5,Dune pea,100 g,1280,22,2,50,0.3,0.1,5,',
    'K6,Oil of dune thistle,100 g,0,0,99.9,0,9,0,0,',
    'K7,Sea beet crisps,100 g,2200,6,33,50,41,0.1,1,',
    'K8,Marsh root,a handful,300,2,0.1,16,0,0.01,1,',
  ].join('\n');

  test('units come from values, with what shows it; what nothing shows is asked', async () => {
    const { id } = await bring(UNSAID);
    const { mapping, units } = (await look(id)) as unknown as {
      mapping: { columns: { heading: string; target: string; unit?: string }[] };
      units: { heading: string; unit?: string; from: string; evidence: string }[];
    };
    const unitOf = (heading: string) => mapping.columns.find((one) => one.heading === heading)?.unit;
    expect(mapping.columns).toContainEqual({ heading: 'Reference quantity', target: 'basis' });
    expect(mapping.columns).toContainEqual({ heading: 'Ref', target: 'code' });
    expect(unitOf('Energy')).toBe('kJ');
    expect(unitOf('Calcium')).toBe('g');
    expect(unitOf('Iron')).toBe('mg');
    expect(unitOf('Vitamin D')).toBeUndefined();
    expect(units.find(({ heading }) => heading === 'Energy')).toMatchObject({
      from: 'values',
      evidence: expect.stringContaining('four times') as string,
    });
    expect(units.find(({ heading }) => heading === 'Vitamin D')).toMatchObject({ from: 'nothing' });
    const { body } = (await server.http.post(`/api/food-tables/${id}/preview`).send({ name: 'Unsaid', mapping }).expect(422)) as {
      body: object;
    };
    expect(body).toMatchObject({
      faults: [{ path: 'mapping.columns[10].unit', message: expect.stringContaining('does not say the unit of “Vitamin D”') as string }],
    });
  });

  test('rows that cannot be right are listed, and nothing is taken until it is said what becomes of them', async () => {
    const { id } = await bring(UNSAID);
    const { mapping: guessed } = (await look(id)) as unknown as { mapping: { columns: { heading: string }[] } };
    const mapping = { ...guessed, columns: guessed.columns.filter(({ heading }) => heading !== 'Vitamin D') };
    const { body } = (await server.http.post(`/api/food-tables/${id}/preview`).send({ name: 'Unsaid', mapping }).expect(200)) as {
      body: object;
    };
    expect(body).toMatchObject({
      rows: 8,
      added: 5,
      leftOut: 3,
      doubtful: [
        { kind: 'energy', ways: ['out', 'factored', 'asIs'], rows: 1, first: [{ row: 7, name: 'Oil of dune thistle' }] },
        { kind: 'parts', ways: ['out', 'asIs'], rows: 1, first: [{ row: 8, name: 'Sea beet crisps' }] },
      ],
      firstFaults: [{ row: 9, heading: 'Reference quantity', message: expect.stringContaining('“a handful”') as string }],
    });
    await server.http
      .post(`/api/food-tables/${id}/start`)
      .send({ name: 'Unsaid', mapping, doubtful: { energy: 'factored' } })
      .expect(202);
    expect(await ended(id)).toMatchObject({ state: 'failed', message: expect.stringContaining('row 8, Sea beet crisps') as string });
    expect(await foodsOf('dune thistle')).toEqual([]);
    const { kitchenId } = (await server.app.get(KitchensService).scopes())[0]!;
    const { manager } = server.app.get(Database);
    const attempts = () => within(kitchenId, async () => (await manager.findOneByOrFail(TableImportEntity, { id, kitchenId })).attempt);
    const before = await attempts();
    await server.http
      .post(`/api/food-tables/${id}/start`)
      .send({ name: 'Unsaid', mapping, doubtful: { energy: 'factored', parts: 'out' } })
      .expect(202);
    expect(await ended(id)).toMatchObject({ state: 'done', result: { rows: 8, added: 6, leftOut: 2 } });
    // Begun again it is another run: what was at the one before writes nothing of it, and its hold is nobody's.
    expect(await attempts()).toBe(before + 2);
    expect((await foodsOf('dune thistle'))[0]?.food.document).toMatchObject({
      energyIs: 'factored',
      nutrients: { energyKcal: 899.1, fat: 99.9 },
    });
    expect((await foodsOf('spinach')).find(({ fromTable }) => fromTable === 'Unsaid')?.food.document).toMatchObject({
      per: { amount: 1000, unit: 'g' },
      nutrients: { energyKj: 960, calcium: 990, iron: 27 },
    });
  });
});
