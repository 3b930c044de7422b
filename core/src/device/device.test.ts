import fc from 'fast-check';
import {
  LineSplitter,
  readScaleLine,
  readScaleOrder,
  scaleLineText,
  scaleOrderText,
  type ScaleLine,
  type ScaleOrder,
} from './scaleLines.js';
import { SimulatedScale } from './simulatedScale.js';

const grams = fc.integer({ min: -9_000_000, max: 9_000_000 }).map((tenths) => tenths / 10);
const line: fc.Arbitrary<ScaleLine> = fc.oneof(
  fc.record({ says: fc.constant('weight' as const), grams, steady: fc.boolean() }),
  fc.constant({ says: 'overload' as const }),
  fc.record({ says: fc.constant('battery' as const), low: fc.boolean() }),
  fc.record({
    says: fc.constant('temperature' as const),
    celsius: fc.integer({ min: -400, max: 3000 }).map((c) => c / 10),
    steady: fc.boolean(),
  }),
  fc.constant({ says: 'temperature' as const, celsius: null, steady: false }),
  fc.record({
    says: fc.constant('scale' as const),
    name: fc.constantFrom('Kitchen', 'Bench 5 kg'),
    most: fc.constant(5000),
    step: fc.constant(0.1),
  }),
);
const order: fc.Arbitrary<ScaleOrder> = fc.oneof(
  fc.constantFrom<ScaleOrder>({ do: 'tare' }, { do: 'hello' }, { do: 'clear' }, { do: 'probe', celsius: null }),
  fc.record({ do: fc.constantFrom('put' as const, 'drift' as const), grams }),
  fc.record({ do: fc.constantFrom('settle' as const, 'unplug' as const), seconds: fc.integer({ min: 0, max: 99 }) }),
  fc.record({ do: fc.constant('battery' as const), low: fc.boolean() }),
  fc.record({ do: fc.constant('probe' as const), celsius: fc.integer({ min: -40, max: 300 }) }),
);

test('what a scale says and is told goes over the wire and comes back as it was', () => {
  fc.assert(fc.property(line, (one) => expect(readScaleLine(`${scaleLineText(one)}\r`)).toEqual(one)));
  fc.assert(fc.property(order, (one) => expect(readScaleOrder(scaleOrderText(one))).toEqual(one)));
});

test('anything else is nothing', () => {
  for (const text of [
    '',
    'weight g steady',
    'weight 5 g',
    'weight 1e9 g steady',
    'weight 5 kg steady',
    'WEIGHT 5 g steady',
    'tare',
    'weight 12345678 g steady',
  ])
    expect([text, readScaleLine(text)]).toEqual([text, undefined]);
  for (const text of ['', 'put', 'put 5', 'put five g', 'weight 5 g steady', '; clear'])
    expect([text, readScaleOrder(text)]).toEqual([text, undefined]);
  fc.assert(fc.property(fc.string(), (text) => void [readScaleLine(text), readScaleOrder(text)]));
});

test('lines are taken out of pieces wherever they are cut, and a line without end is not kept for ever', () => {
  const text = 'weight 5 g steady\r\noverload\nbattery low\r\n';
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: text.length - 1 })), (cuts) => {
      const splitter = new LineSplitter();
      const at = [0, ...[...cuts].sort((a, b) => a - b), text.length];
      const lines = at.slice(1).flatMap((end, i) => splitter.take(text.slice(at[i], end)));
      expect(lines).toEqual(['weight 5 g steady', 'overload', 'battery low']);
    }),
  );
  const endless = new LineSplitter();
  endless.take('x'.repeat(100_000));
  expect(endless.take('\n')[0]?.length).toBeLessThanOrEqual(200);
});

/** Looks at it ten times a second until then. */
function look(scale: SimulatedScale, from: number, until: number) {
  const seen: ScaleLine[] = [];
  for (let now = from; now <= until + 1e-9; now += 0.1)
    seen.push(...scale.lines(now).filter(({ says }) => says === 'weight' || says === 'overload'));
  return seen;
}

test('what is put on is steady once it stands still, and not before', () => {
  const scale = new SimulatedScale();
  look(scale, 0, 1);
  scale.take({ do: 'put', grams: 872 }, 1);
  const seen = look(scale, 1, 4);
  const first = seen.findIndex((one) => one.says === 'weight' && one.steady && one.grams !== 0);
  expect(first).toBeGreaterThan(5);
  expect(seen.slice(0, first).every((one) => one.says === 'weight' && (!one.steady || one.grams === 0))).toBe(true);
  expect(seen[first]).toEqual({ says: 'weight', grams: 872, steady: true });
  expect(seen.at(-1)).toEqual({ says: 'weight', grams: 872, steady: true });
});

test('a steady weight is never further than a step from what lies on it, however it is loaded', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ grams: fc.integer({ min: -900, max: 900 }), wait: fc.integer({ min: 0, max: 30 }) }), { maxLength: 12 }),
      (moves) => {
        const scale = new SimulatedScale(7);
        let now = 0;
        for (const { grams: more, wait } of moves) {
          scale.take({ do: 'put', grams: more }, now);
          for (let i = 0; i <= wait; i++, now += 0.1)
            for (const one of scale.lines(now))
              if (one.says === 'weight' && one.steady) expect(Math.abs(one.grams - scale.load)).toBeLessThanOrEqual(scale.step);
        }
      },
    ),
  );
});

test('tared, it shows what comes after; overloaded, it shows no weight; trembling, it is not steady', () => {
  const scale = new SimulatedScale();
  scale.take({ do: 'put', grams: 1158 }, 0);
  look(scale, 0, 3);
  scale.take({ do: 'tare' }, 3);
  scale.take({ do: 'put', grams: 300 }, 3);
  expect(look(scale, 3, 6).at(-1)).toEqual({ says: 'weight', grams: 300, steady: true });
  scale.take({ do: 'put', grams: 4000 }, 6);
  expect(look(scale, 6, 9).at(-1)).toEqual({ says: 'overload' });
  scale.take({ do: 'clear' }, 9);
  expect(look(scale, 9, 12).at(-1)).toEqual({ says: 'weight', grams: -1158, steady: true });
  scale.take({ do: 'noise', grams: 20 }, 12);
  expect(look(scale, 12, 16).some((one) => one.says === 'weight' && one.steady && one.grams !== -1158)).toBe(false);
});

test('it creeps as it is told, and taring takes that with it', () => {
  const scale = new SimulatedScale();
  scale.take({ do: 'drift', grams: 60 }, 0);
  expect(look(scale, 0, 30).at(-1)).toMatchObject({ grams: 30 });
  scale.take({ do: 'tare' }, 30);
  expect(look(scale, 30, 30.2).at(-1)).toMatchObject({ says: 'weight', grams: 0 });
});

test('a probe comes near what it is in, and is steady there; gone, it is gone for as long as it was told', () => {
  const scale = new SimulatedScale();
  scale.take({ do: 'probe', celsius: 74 }, 0);
  const at = (now: number) => scale.lines(now).find(({ says }) => says === 'temperature');
  expect(at(0.5)).toMatchObject({ steady: false });
  expect(at(20)).toEqual({ says: 'temperature', celsius: 74, steady: true });
  scale.take({ do: 'unplug', seconds: 5 }, 20);
  expect([scale.isThere(21), scale.isThere(25)]).toEqual([false, true]);
  scale.take({ do: 'battery', low: true }, 26);
  expect(scale.lines(26, true).slice(0, 1)).toEqual([{ says: 'scale', name: 'Simulated scale', most: 5000, step: 1 }]);
  expect(scale.lines(26)).toContainEqual({ says: 'battery', low: true });
});
