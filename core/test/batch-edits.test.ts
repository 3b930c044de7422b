import fc from 'fast-check';
import { batchEditFaults, type Batch, BATCH_EDITS, editedBatch, type BatchEdit, foodsOfBatch } from '../src/index.js';

const BATCH: Batch = { id: 'b', recipe: 'pot', date: '2026-11-20', cooking: { begun: '2026-11-20T10:00:00Z', step: 0 } };
const timer = { id: 't1', name: 'Rice', minutes: 28, started: '2026-11-20T10:05:00Z', step: 3 };
const pack = { food: 'barley', net: 500, unit: 'g', price: '1.20', shop: 'Quay' };

/** One of each kind, as a device sends it. */
const ONE_OF_EACH: Readonly<Record<BatchEdit['do'], BatchEdit>> = {
  line: { do: 'line', line: { at: 'main/1', grams: 302, trimmedFrom: 340 } },
  'as planned': { do: 'as planned', at: 'main/1' },
  more: { do: 'more', line: { part: 'main', food: 'leek', grams: 20 } },
  'no more': { do: 'no more', line: { part: 'main', food: 'leek', grams: 20 } },
  part: { do: 'part', part: { part: 'main', gross: 3468, tare: 1158 } },
  unmeasured: { do: 'unmeasured', part: 'main' },
  discard: { do: 'discard', part: 'main', food: 'fat', grams: 31 },
  paid: { do: 'paid', pack },
  unpaid: { do: 'unpaid', pack },
  boxes: {
    do: 'boxes',
    boxes: [{ name: 'A', count: 2, grams: { main: 400 }, keep: 'fridge', eye: ['main'], holds: 750, aim: { atLeast: 400 } }],
  },
  left: { do: 'left', part: 'main', to: 'tonight' },
  temperature: { do: 'temperature', reading: { step: 3, celsius: 74.2, at: '2026-11-20T11:00:00Z' } },
  photo: { do: 'photo', photo: { id: 'p1', alt: 'A pot of barley' } },
  'no photo': { do: 'no photo' },
  say: { do: 'say', head: { rating: 4, note: 'good', leaveOut: true } },
  step: { do: 'step', step: 2 },
  'step done': { do: 'step done', step: 1, done: true },
  ready: { do: 'ready', at: 'main/2', ready: true },
  way: { do: 'way', step: 3, way: 'air fryer' },
  timer: { do: 'timer', timer },
  'timer stopped': { do: 'timer stopped', id: 't1' },
  finish: { do: 'finish', minutes: { total: 64 } },
  resume: { do: 'resume', begun: '2026-11-20T12:00:00Z' },
};

test.each(BATCH_EDITS)('“%s” is of a shape that is taken, and said twice it is as said once', (kind) => {
  const edit = ONE_OF_EACH[kind];
  expect(batchEditFaults(edit, 'edit')).toEqual([]);
  const once = editedBatch(BATCH, edit);
  if (kind !== 'more' && kind !== 'paid') expect(editedBatch(once, edit)).toEqual(once);
  expect({ id: once.id, recipe: once.recipe, date: once.date }).toEqual({ id: 'b', recipe: 'pot', date: '2026-11-20' });
});

test('what was done of a line, measured of a part, thrown away and filled stands in place of what was said before, and can be taken back', () => {
  const all = (['line', 'more', 'part', 'discard', 'paid', 'boxes', 'left', 'say'] as const).reduce(
    (batch, kind) => editedBatch(batch, ONE_OF_EACH[kind]),
    BATCH,
  );
  expect(all).toEqual({
    ...BATCH,
    lines: [
      { at: 'main/1', grams: 302, trimmedFrom: 340 },
      { part: 'main', food: 'leek', grams: 20 },
    ],
    parts: [{ part: 'main', gross: 3468, tare: 1158 }],
    discards: [{ part: 'main', food: 'fat', grams: 31 }],
    paid: [pack],
    boxes: [ONE_OF_EACH.boxes.do === 'boxes' && ONE_OF_EACH.boxes.boxes[0]],
    leftTo: { main: 'tonight' },
    rating: 4,
    note: 'good',
    leaveOut: true,
  });
  const back: BatchEdit[] = [
    { do: 'as planned', at: 'main/1' },
    ONE_OF_EACH['no more'],
    { do: 'unmeasured', part: 'main' },
    { do: 'discard', part: 'main', food: 'fat' },
    ONE_OF_EACH.unpaid,
    { do: 'boxes', boxes: [] },
    { do: 'left', part: 'main', to: null },
    { do: 'say', head: { rating: null, note: null, leaveOut: null } },
  ];
  expect(back.reduce(editedBatch, all)).toEqual(BATCH);
  expect(editedBatch(all, { do: 'line', line: { at: 'main/1', out: true } }).lines).toEqual([
    { part: 'main', food: 'leek', grams: 20 },
    { at: 'main/1', out: true },
  ]);
});

test('edits of different things come to the same in whatever order they arrive', () => {
  const apart: BatchEdit[] = [
    ONE_OF_EACH.part,
    ONE_OF_EACH.say,
    ONE_OF_EACH.step,
    ONE_OF_EACH['step done'],
    ONE_OF_EACH.ready,
    ONE_OF_EACH.way,
    ONE_OF_EACH.timer,
    ONE_OF_EACH.line,
    ONE_OF_EACH.boxes,
  ];
  const whole = apart.reduce(editedBatch, BATCH);
  fc.assert(
    fc.property(fc.shuffledSubarray(apart, { minLength: apart.length }), (order) => {
      expect(order.reduce(editedBatch, BATCH)).toEqual(whole);
    }),
  );
});

test('a cook that is over is not gone on with; it is taken up again when it is said to be', () => {
  const done = editedBatch(editedBatch(BATCH, ONE_OF_EACH.timer), ONE_OF_EACH.finish);
  expect(done).toEqual({ id: 'b', recipe: 'pot', date: '2026-11-20', minutes: { total: 64 } });
  expect(editedBatch(done, ONE_OF_EACH.step)).toBe(done);
  expect(editedBatch(done, ONE_OF_EACH.resume).cooking).toEqual({ begun: '2026-11-20T12:00:00Z', step: 0 });
  expect(editedBatch(BATCH, ONE_OF_EACH.resume)).toBe(BATCH);
});

test.each([
  [{ do: 'weigh' }, 'edit.do: must be one of: line'],
  [[], 'edit: must be an object'],
  [{ do: 'line', line: { at: 'main/1' } }, 'edit.line: must be {"at", "grams"}'],
  [{ do: 'line', line: { at: 'main/1', grams: -3 } }, 'edit.line.grams: must be'],
  [{ do: 'say', head: { recipe: 'other' } }, 'edit.head.recipe: unknown key'],
  [{ do: 'say', head: { then: {} } }, 'edit.head.then: unknown key'],
  [{ do: 'timer', timer: { ...timer, started: 'yesterday' } }, 'edit.timer.started: must be an ISO time'],
  [{ do: 'step', step: 1.5 }, 'edit.step: must be a whole number'],
])('an edit of another shape is told by its place: %j', (edit, says) => {
  expect(batchEditFaults(edit, 'edit').map(({ path, message }) => `${path}: ${message}`)[0]).toContain(says);
});

test('the foods of a batch are those of its recipe as it was, and what was done with others', () => {
  const then = {
    id: 'pot',
    title: 'Pot',
    servings: 2,
    parts: [{ id: 'main', name: 'Main', lines: [{ food: 'barley' }, { food: 'salt' }] }],
  };
  expect(
    foodsOfBatch({
      ...BATCH,
      then,
      lines: [
        { at: 'main/1', food: 'rice', grams: 3 },
        { at: 'main/2', grams: 3 },
      ],
      paid: [pack],
      discards: [{ part: 'main', food: 'fat', grams: 3 }],
    }),
  ).toEqual(['barley', 'salt', 'rice', 'fat']);
});
