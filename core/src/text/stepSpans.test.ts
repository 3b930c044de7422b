import fc from 'fast-check';
import { temperatureText } from './ovenTemperature.js';
import { stepSpans, type StepSpan } from './stepSpans.js';

const of = (text: string, kind: StepSpan['kind']) =>
  stepSpans(text)
    .filter((span) => span.kind === kind)
    .map((span) => ({ ...span, said: text.slice(span.from, span.to) }));

test.each([
  ['Simmer 8 min.', [['8 min', 8]]],
  [
    'Soften, 8-10 minutes, then 1 h 30 min covered',
    [
      ['8-10 minutes', [8, 10]],
      ['1 h 30 min', 90],
    ],
  ],
  ['Rest half an hour', [['half an hour', 30]]],
  ['Braise 2 to 3 hours', [['2 to 3 hours', [120, 180]]]],
  [
    '1½ hours, or an hour if small',
    [
      ['1½ hours', 90],
      ['an hour', 60],
    ],
  ],
  ['30 seconds', [['30 seconds', 0.5]]],
  ['Cut into 8 minced pieces of 200 g', []],
  ['Roast at 200 °C', []],
])('time in “%s”', (text, found) => {
  expect(of(text, 'time').map((span) => [span.said, 'minutes' in span && span.minutes])).toEqual(found);
});

test.each([
  ['Roast at 200 °C, 25 min', '200 °C', '200 °C (390 °F, gas 6)'],
  ['oven to 220C fan', '220C fan', '220 °C fan (430 °F)'],
  ['200 °C (fan 180 °C)', '200 °C (fan 180 °C)', '200 °C (390 °F, fan 180 °C, gas 6)'],
  ['bake at 375 F', '375 F', '190 °C (375 °F, gas 5)'],
  ['bake at gas mark 4 for an hour', 'gas mark 4', '180 °C (355 °F, gas 4)'],
  ['180 °C / 350 °F / gas 4.', '180 °C / 350 °F / gas 4', '180 °C (350 °F, gas 4)'],
  ['until 74 °C / 165 °F in the middle', '74 °C / 165 °F', '74 °C (165 °F)'],
  ['to 71 degrees C', '71 degrees C', '71 °C (160 °F)'],
  ['roast at 160 °C', '160 °C', '160 °C (320 °F, gas 3)'],
  ['roast at 260 °C', '260 °C', '260 °C (500 °F)'],
])('temperature in “%s”', (text, said, printed) => {
  const [found, ...more] = of(text, 'temperature');
  expect(more).toEqual([]);
  expect(found?.said).toBe(said);
  expect(found?.kind === 'temperature' && temperatureText(found.temperature, false, true)).toBe(printed);
});

test('readers who cook in °F have it first; what is no oven has no gas mark', () => {
  const [found] = of('Heat the oil to 180 °C.', 'temperature');
  expect(found?.kind === 'temperature' && temperatureText(found.temperature, true, false)).toBe('355 °F (180 °C)');
});

test.each([
  ['Fry until gold at the edge, 5 min.', ['until gold at the edge']],
  ['Simmer until soft and sweet; stir.', ['until soft and sweet']],
  ['Roast until tender, then cool until cold', ['until tender', 'until cold']],
  ['Simmer 25 min: squash soft, lentils broken. Weigh it: 2.3 kg.', ['squash soft, lentils broken']],
  ['Lid on, 50 min more: beef falls apart', ['beef falls apart']],
  ['Stir well.', []],
])('signs in “%s”', (text, found) => {
  expect(of(text, 'sign').map(({ said }) => said)).toEqual(found);
});

test('spans are of the text, in order, and a second reading finds nothing new', () => {
  const word = fc.constantFrom(
    'roast',
    'at',
    '200 °C',
    '(390 °F)',
    'gas 6',
    '8-10 min',
    'until',
    'gold,',
    'fan',
    '½',
    'an hour',
    '.',
    '/',
    '30',
  );
  fc.assert(
    fc.property(fc.array(word, { maxLength: 12 }), (words) => {
      const text = words.join(' ');
      const spans = stepSpans(text);
      expect(spans).toEqual(stepSpans(text));
      let before = 0;
      for (const { from, to } of spans) {
        expect(from).toBeGreaterThanOrEqual(before);
        expect(to).toBeGreaterThan(from);
        expect(to).toBeLessThanOrEqual(text.length);
        before = from;
      }
    }),
  );
});

test('a temperature printed reads back as itself', () => {
  fc.assert(
    fc.property(fc.integer({ min: 50, max: 250 }), fc.boolean(), fc.boolean(), (celsius, first, oven) => {
      const printed = (text: string) => {
        const [span] = stepSpans(text);
        return span?.kind === 'temperature' ? temperatureText(span.temperature, first, oven) : '';
      };
      const once = printed(`Heat to ${celsius} °C.`);
      expect(printed(`Heat to ${once}.`)).toBe(once);
    }),
  );
});
