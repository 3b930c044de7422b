import fc from 'fast-check';
import { asRead, cardContent } from '../card/index.js';
import { kitchenOf } from '../../test/kitchens.js';
import { boxDrawing } from './boxDrawing.js';
import { columnsItem } from './columns.js';
import { looksAt } from './looks.js';
import { cropFor } from './band.js';
import { poured } from './flow.js';
import type { Typesetter } from './face.js';
import { brokenText, widthOfRuns, type Run } from './paragraph.js';
import { bestScale } from './scales.js';
import { spreadOut } from './spreadOut.js';
import { heightOf, textItem, type Item } from './stack.js';
import { hatchedEnds } from '../../test/shapeEnds.js';
import { nutrientField } from './nutrientPattern.js';

/** Every letter half an em wide. */
const set: Typesetter = { ems: (words) => [...words].length / 2, lacking: () => [] };
const run = (words: string, size = 10): Run => ({ words, face: 'serif', size, ink: 'ink' });
const linesOf = (words: string, width: number) =>
  brokenText([run(words)], width, set).lines.map(({ runs }) => runs.map((one) => one.words).join(''));

test('lines end at spaces, never within a number and its unit, nor behind the hyphen of a size', () => {
  expect(linesOf('one two three', 40)).toEqual(['one two', 'three']);
  expect(linesOf('take 8\u00a0min more', 40)).toEqual(['take', '8\u00a0min', 'more']);
  expect(linesOf('a 2-inch piece', 30)).toEqual(['a', '2-inch', 'piece']);
  expect(linesOf('first\nsecond', 400)).toEqual(['first', 'second']);
  expect(linesOf('', 40)).toEqual([]);
});

test('a word longer than its line is cut, and is told', () => {
  const { lines, torn } = brokenText([run('an unbelievablylongword')], 50, set);
  expect(lines.map(({ runs }) => runs.map(({ words }) => words).join(''))).toEqual(['an', 'unbelievab', 'lylongword']);
  expect(torn).toEqual(['unbelievablylongword']);
});

test('whatever is broken loses nothing but the spaces at the ends of its lines, and no line is wider than it may be', () => {
  const words = fc.array(fc.stringMatching(/^[a-zéø]{1,9}$/), { minLength: 1, maxLength: 30 });
  fc.assert(
    fc.property(words, fc.integer({ min: 50, max: 300 }), fc.integer({ min: 0, max: 29 }), (list, width, cut) => {
      const runs = [run(list.slice(0, cut).join(' ')), run(`${cut > 0 && cut < list.length ? ' ' : ''}${list.slice(cut).join(' ')}`, 8)];
      const { lines } = brokenText(runs, width, set);
      expect(
        lines
          .map((line) => line.runs.map((one) => one.words).join(''))
          .join(' ')
          .replace(/\s+/g, ' '),
      ).toBe(list.join(' '));
      for (const line of lines) {
        expect(line.width).toBeLessThanOrEqual(width + 1e-6);
        expect(line.width).toBeCloseTo(widthOfRuns(line.runs, set), 9);
      }
    }),
  );
});

/** Items of a height each, known by a number; those named are headings. */
const block = (height: number, keepsNext = false, gap = 0): Item => ({ height, gap, keepsNext, draw: () => [] });

test('columns are filled in order, and a heading is never the last of one', () => {
  const items = [block(30), block(30), block(10, true), block(40), block(20)];
  const columns = poured(items, () => 75);
  expect(columns.map((column) => column.items.map(({ height }) => height))).toEqual([
    [30, 30],
    [10, 40, 20],
  ]);
});

test('what is poured is all there, whatever the room; only what is higher than a page stands out of it', () => {
  const any = fc.array(fc.tuple(fc.integer({ min: 1, max: 60 }), fc.boolean(), fc.integer({ min: 0, max: 10 })), { maxLength: 30 });
  fc.assert(
    fc.property(any, fc.integer({ min: 20, max: 120 }), (shapes, room) => {
      const items = shapes.map(([height, keeps, gap]) => block(height, keeps, gap));
      const columns = poured(items, () => room);
      expect(columns.flatMap((column) => column.items)).toEqual(items);
      for (const { items: own, height } of columns) {
        expect(height).toBeCloseTo(heightOf(own), 9);
        if (own.length > 1) expect(height).toBeLessThanOrEqual(room + 1e-6);
      }
    }),
  );
});

test('a long paragraph goes on in the next column with two lines at least on either side', () => {
  const long = textItem([run('word '.repeat(40))], { width: 100, leading: 10, mayPart: true }, { set, torn: new Set() });
  const lines = long.height / 10;
  const columns = poured([block(65), long], () => 100);
  const parts = columns.flatMap(({ items }) => items).slice(1);
  expect(parts.reduce((sum, { height }) => sum + height / 10, 0)).toBe(lines);
  for (const { height } of parts) expect(height / 10).toBeGreaterThanOrEqual(2);
});

test('two columns are as low as they can be, and a heading stays with what it heads', () => {
  const entry =
    (height: number, keepsNext = false) =>
    () =>
      block(height, keepsNext);
  const place = { width: 200, between: 20, shares: [0.5] };
  expect(columnsItem([entry(10, true), entry(20), entry(20), entry(10, true), entry(20), entry(20)], place).height).toBe(50);
  // Not after the heading, though that would be lower.
  expect(columnsItem([entry(20), entry(40, true), entry(100)], place).height).toBe(140);
  const [first, rest] = columnsItem([entry(40), entry(40), entry(40), entry(40)], place).split?.(45) ?? [];
  expect([first?.height, rest?.height]).toEqual([40, 40]);
});

test('the fewest pages, then the largest text, and no last page of a line or two', () => {
  const scales = [1.2, 1, 0.9];
  const at = (pages: Readonly<Record<number, [number, number]>>) =>
    bestScale((scale) => ({ scale, pages: pages[scale]?.[0] ?? 1, lastFilled: pages[scale]?.[1] ?? 1 }), scales).scale;
  expect(at({ 1.2: [2, 0.5], 1: [1, 0.9], 0.9: [1, 0.8] })).toBe(1);
  expect(at({ 1.2: [2, 0.6], 1: [2, 0.2], 0.9: [2, 0.1] })).toBe(1.2);
  expect(at({ 1.2: [3, 0.5], 1: [2, 0.2], 0.9: [2, 0.1] })).toBe(1.2);
});

test('a card of many pages is set as usual where its last page is filled, and not tried at every size', () => {
  const tried: number[] = [];
  const at = (filled: Readonly<Record<number, number>>) => {
    tried.length = 0;
    return bestScale(
      (scale) => {
        tried.push(scale);
        return { scale, pages: 9, lastFilled: filled[scale] ?? 0.1 };
      },
      [1.2, 1.04, 1, 0.9],
    ).scale;
  };
  expect(at({ 1: 0.5 })).toBe(1);
  expect(tried).toEqual([0.9, 1]);
  expect(at({ 1: 0.2, 1.04: 0.6 })).toBe(1.04);
});

test('the box from above is drawn to scale, however a language writes its grams', () => {
  const food = { id: 'x', name: 'X', nutrients: { energyKcal: 100 } };
  const part = (id: string, amount: number) => ({ id, name: id, lines: [{ food: 'x', amount, unit: 'g' }] });
  const recipe = { id: 'dish', title: 'Dish', servings: 1, parts: [part('one', 1500), part('two', 500)] };
  const widths = (numbers: 'en' | 'de') => {
    const card = asRead(cardContent({ ...recipe, card: { numbers } }, kitchenOf({ foods: [food] })));
    const [box] = boxDrawing(card, { x: 0, y: 0, width: 400, height: 200 }, looksAt(1), { set, torn: new Set() });
    const fields =
      box?.marks.flatMap((mark) => (mark.kind === 'shape' && (mark.fill === 'damson' || mark.fill === 'ticketRule') ? [mark.path] : [])) ??
      [];
    return fields.map((path) => {
      const ends = hatchedEnds(path).map(([x]) => x);
      return Math.max(...ends) - Math.min(...ends);
    });
  };
  const [one = 0, two = 0] = widths('en');
  expect(one / (one + two)).toBeCloseTo(0.75, 1);
  expect(widths('de')).toEqual(widths('en'));
});

test('room that is left goes between the items, and the last one stands at the foot', () => {
  const items = [block(10), block(10, false, 4), block(10, false, 4)];
  expect(heightOf(spreadOut(items, 100, 5))).toBe(100);
  expect(heightOf(spreadOut(items, 100, 5, false))).toBe(48);
  expect(spreadOut(items, 30, 5)).toBe(items);
});

test.each([
  [undefined, 2, { x: 0, y: 0.25, width: 1, height: 0.5 }],
  [undefined, 0.5, { x: 0.25, y: 0, width: 0.5, height: 1 }],
  [{ x: 0.5, y: 0.5, width: 0.5, height: 0.5 }, 1, { x: 0.5, y: 0.5, width: 0.5, height: 0.5 }],
  [{ x: 0.8, y: 0, width: 0.9, height: 1 }, 1, { x: 0.8, y: 0.4, width: 0.2, height: 0.2 }],
])('of a square photo cut to %j, a field of %d to 1 shows %j', (chosen, ratio, crop) => {
  const cut = cropFor(chosen, { width: 1000, height: 1000 }, ratio);
  for (const side of ['x', 'y', 'width', 'height'] as const) expect(cut[side]).toBeCloseTo(crop[side], 9);
});

test('a nutrient’s pattern stays within its field', () => {
  for (const nutrient of ['protein', 'carbohydrate', 'fat', 'fibre'] as const)
    for (const [x, y] of nutrientField(nutrient, 10, 20, 37, 13, 1).flatMap((mark) =>
      mark.kind === 'shape' ? hatchedEnds(mark.path) : [],
    )) {
      expect(x).toBeGreaterThanOrEqual(10 - 0.02);
      expect(x).toBeLessThanOrEqual(47 + 0.02);
      expect(y).toBeGreaterThanOrEqual(20 - 0.02);
      expect(y).toBeLessThanOrEqual(33 + 0.02);
    }
});
