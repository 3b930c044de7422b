import type { BoxPool, Person, PlannedMeal, Session, Week } from '@portiona/core';
import { innerServer } from './innerServer.js';

type Server = Awaited<ReturnType<typeof innerServer>>;
let server: Server;
beforeAll(async () => {
  server = await innerServer({ demo: false });
  await server.http.patch('/api/kitchen/settings').send({ date: '2031-03-09' }).expect(200);
});
afterAll(() => server.close());

interface Saved<Document> {
  readonly id: string;
  readonly revision: number;
  readonly document: Document;
}
interface Open {
  readonly week: Saved<Week> | null;
  readonly people: Saved<Person>[];
  readonly others: PlannedMeal[];
  readonly gone: { count: number }[];
  readonly pools: BoxPool[];
  readonly leftOut: { kind: string; batch?: string }[];
  readonly sessions: { id: string; start: string }[];
  readonly dishes: { id: string; title: string }[];
  readonly till: { sessions: string[]; cost: string; atLeast: boolean; leftWorth: number } | null;
}

const body = <T>(response: unknown) => (response as { body: T }).body;
const BEAN = { id: 'bean', name: 'White beans', nutrients: { energyKcal: 300, protein: 20 }, source: 'table' };
const PACK = { food: 'bean', net: 500, unit: 'g', price: '1.50', currency: 'EUR', shop: 'Quay Market', seen: '2031-03-01' };
const recipe = {
  ...{ id: 'stew', title: 'Bean stew', servings: 4 },
  parts: [{ id: 'pot', name: 'Pot', lines: [{ food: 'bean', amount: 400, unit: 'g' }] }],
};
const session: Session = { id: 'prep', date: '2031-03-09', name: 'Prep', start: '10:30', dishes: [{ recipe: 'stew', boxes: 8 }] };
const ann: Person = { id: 'ann', name: 'Ann', targets: [{ figure: 'energyKcal', is: 'at least', amount: 500 }] };
const box = { session: 'prep', dish: 1 };
const meal = (date: string, over: Partial<PlannedMeal> = {}): PlannedMeal => ({ person: 'ann', date, meal: 'main', box, ...over });
const week = (over: Partial<Week> = {}): Week => ({ id: 'week-2031-03-10', from: '2031-03-10', meals: [], ...over });
const open = async (from = '2031-03-10') => body<Open>(await server.http.get(`/api/weeks?from=${from}`).expect(200));

beforeAll(async () => {
  await server.http.post('/api/foods').send({ document: BEAN }).expect(201);
  await server.http.post('/api/packs').send({ document: PACK }).expect(201);
  await server.http.post('/api/recipes').send({ document: recipe }).expect(201);
  await server.http.post('/api/sessions').send({ document: session }).expect(201);
});

test('people are kept on their revision, one of a name', async () => {
  await server.http.post('/api/people').send({ document: ann }).expect(201);
  await server.http.post('/api/people').send({ document: ann }).expect(409);
  const told = await server.http
    .post('/api/people')
    .send({ document: { id: 'ann-2', name: ' ann' } })
    .expect(422);
  expect(told.text).toContain('document.name');
  await server.http
    .post('/api/people')
    .send({ document: { id: 'bo', name: 'Bo', meals: [{ meal: 'lunch' }] } })
    .expect(422);
  await server.http
    .post('/api/people')
    .send({ document: { id: 'bo', name: 'Bo' } })
    .expect(201);
  const bo = { id: 'bo', name: 'Bo', meals: [{ meal: 'main' }] };
  await server.http.put('/api/people/bo').send({ revision: 1, document: bo }).expect(200);
  const stale = body<{ current: Saved<Person> }>(await server.http.put('/api/people/bo').send({ revision: 1, document: bo }).expect(409));
  expect(stale.current.revision).toBe(2);
});

test('a week opens with who eats, the boxes to come and what they cost, before anything is given', async () => {
  const { week: none, people, pools, sessions, dishes, till } = await open();
  expect(none).toBeNull();
  expect(people.map(({ document }) => document.name)).toEqual(['Ann', 'Bo']);
  expect(pools).toMatchObject([
    { box, count: 8, cooked: '2031-03-09', planned: true, fridgeUntil: '2031-03-11', freezerUntil: '2031-06-09' },
  ]);
  // 8 boxes of 800 g: 300 kcal each, 1.50 for 500 g, two packs for 800.
  expect(pools[0]!.contents[0]!.figures.energyKcal).toMatchObject({ amount: 300 });
  expect(pools[0]!.contents[0]).toMatchObject({ till: 0.375, figures: { usedCost: { amount: 0.3 } } });
  expect(till).toEqual({ sessions: ['prep'], cost: '3', atLeast: false, leftWorth: expect.closeTo(0.6, 9) as number });
  expect(sessions).toEqual([{ id: 'prep', name: 'Prep', date: '2031-03-09', start: '10:30' }]);
  expect(dishes).toEqual([{ id: 'stew', title: 'Bean stew' }]);
  const told = await server.http.get('/api/weeks?from=soon').expect(422);
  expect(told.text).toContain('2031-02-03');
});

test('a week is made once, saved on its revision, and refused with its places', async () => {
  const made = body<Saved<Week>>(
    await server.http
      .post('/api/weeks')
      .send({ document: week({ meals: [meal('2031-03-10')] }) })
      .expect(201),
  );
  expect(made.revision).toBe(1);
  // Who gives the first boxes second is shown what is there.
  const second = body<{ current: Saved<Week> }>(await server.http.post('/api/weeks').send({ document: week() }).expect(409));
  expect(second.current.document.meals).toHaveLength(1);
  const put = (revision: number, document: Week) => server.http.put('/api/weeks/week-2031-03-10').send({ revision, document });
  await put(1, week({ meals: [meal('2031-03-10'), meal('2031-03-14')] })).expect(200);
  await put(1, week()).expect(409);
  const told = await put(2, week({ meals: [meal('2031-03-20', { box: { session: 'prp', dish: 1 } })] })).expect(422);
  expect(told.text).toContain('document.meals[0].date');
  expect(told.text).toContain('document.meals[0].box.session');
  await put(2, week({ from: '2031-03-17' })).expect(422);
  expect((await open()).week).toMatchObject({ revision: 2, document: { meals: [{ date: '2031-03-10' }, { date: '2031-03-14' }] } });
});

test('another week sees what this one takes', async () => {
  const gone = [{ box, count: 1 }];
  await server.http
    .post('/api/weeks')
    .send({ document: week({ id: 'week-2031-03-17', from: '2031-03-17', meals: [meal('2031-03-18', { person: 'bo' })], gone }) })
    .expect(201);
  const here = await open();
  expect(here.others).toEqual([meal('2031-03-18', { person: 'bo' })]);
  expect(here.gone).toEqual(gone);
  // Its session was shopped for in the week before.
  expect((await open('2031-03-17')).till).toBeNull();
});

test('the calendar reminds of what is to thaw and to freeze, and the kitchen’s file holds people and weeks', async () => {
  const calendar = (await server.http.get('/api/exports/sessions.ics').expect(200)).text.replaceAll('\r\n ', '');
  expect(calendar).toContain('SUMMARY:Into the freezer: 6 Bean stew');
  expect(calendar).toContain('DTSTART:20310313T200000\r\n');
  expect(calendar).toContain('SUMMARY:Into the fridge: 1 Bean stew');
  expect(calendar).toContain('BEGIN:VALARM');
  const file = JSON.parse((await server.http.get('/api/exports/kitchen-file').expect(200)).text) as { people: Person[]; weeks: Week[] };
  expect(file.people.map(({ id }) => id)).toEqual(['ann', 'bo']);
  expect(file.weeks.map(({ meals }) => meals.length)).toEqual([2, 1]);
  const other = await innerServer({ demo: false });
  try {
    const taken = body<{ people: number; weeks: number }>(await other.http.post('/api/imports/kitchen-file').send(file).expect(201));
    expect(taken).toMatchObject({ people: 2, weeks: 2 });
    const again = JSON.parse((await other.http.get('/api/exports/kitchen-file').expect(200)).text) as typeof file;
    expect([again.people, again.weeks]).toEqual([file.people, file.weeks]);
    const kept = await other.http.post('/api/imports/kitchen-file?there=keep').send(file).expect(201);
    expect(kept.body).toMatchObject({ people: 0, weeks: 0 });
  } finally {
    await other.close();
  }
});

test('who eats no more gives back what is to come; what they ate stays gone', async () => {
  const answer = await server.http.delete('/api/people/bo').expect(200);
  expect(answer.body).toEqual({ boxes: 1 });
  const next = await open('2031-03-17');
  expect(next.week).toMatchObject({ revision: 2, document: { meals: [] } });
  expect(next.people.map(({ id }) => id)).toEqual(['ann']);
  await server.http.delete('/api/people/nobody').expect(404);
  // A window that is open elsewhere does not bring them back.
  await server.http
    .put('/api/people/bo')
    .send({ revision: 2, document: { id: 'bo', name: 'Bo' } })
    .expect(404);
});

test('what somebody has eaten before they leave stays eaten', async () => {
  await server.http
    .post('/api/people')
    .send({ document: { id: 'cy', name: 'Cy' } })
    .expect(201);
  const meals = [meal('2031-03-18', { person: 'cy' }), meal('2031-03-20', { person: 'cy' })];
  const { revision, document } = (await open('2031-03-17')).week!;
  await server.http
    .put(`/api/weeks/${document.id}`)
    .send({ revision, document: { ...document, meals } })
    .expect(200);
  await server.http.patch('/api/kitchen/settings').send({ date: '2031-03-19' }).expect(200);
  const answer = await server.http.delete('/api/people/cy').expect(200);
  expect(answer.body).toEqual({ boxes: 1 });
  expect((await open('2031-03-17')).week!.document.meals).toEqual([meals[0]]);
  await server.http.patch('/api/kitchen/settings').send({ date: '2031-03-09' }).expect(200);
});

test('a batch in boxes stands for its session; a week that spoke of the session can still be saved, and new boxes are asked for', async () => {
  const boxes = [{ name: 'Ann', count: 3, grams: { pot: 100 }, keep: 'freezer' }];
  const batch = { id: 'stew-1', recipe: 'stew', date: '2031-03-09', servings: 8, parts: [{ part: 'pot', net: 1600 }], boxes };
  await server.http.post('/api/batches').send({ document: batch }).expect(201);
  const { pools, leftOut, week: there } = await open();
  expect(pools.map((pool) => pool.box)).toEqual([{ batch: 'stew-1', name: 'Ann', keep: 'freezer' }]);
  expect(leftOut).toMatchObject([{ kind: 'cooked', batch: 'stew-1' }]);
  await server.http.delete('/api/sessions/prep').expect(204);
  const { revision, document } = there!;
  const more = { ...document, meals: [...document.meals, meal('2031-03-15')] };
  // The session is put away: what was given before may stay, a new box of it may not come.
  await server.http
    .put('/api/weeks/week-2031-03-10')
    .send({ revision, document: { ...document, off: [{ person: 'ann', date: '2031-03-16' }] } })
    .expect(200);
  await server.http
    .put('/api/weeks/week-2031-03-10')
    .send({ revision: revision + 1, document: more })
    .expect(422);
  const file = JSON.parse((await server.http.get('/api/exports/kitchen-file').expect(200)).text) as { weeks: Week[] };
  expect(file.weeks[0]!.meals).toEqual([]);
});
