import fc from 'fast-check';
import { kitchenOf } from '../../test/kitchens.js';
import { batchFigures, type Batch, type BatchBox } from '../batch/index.js';
import type { Food } from '../food/index.js';
import type { Recipe } from '../recipe/index.js';
import { boxLabel } from './boxLabel.js';
import { boxKeeping, guidelineOf, keepingLimits } from './keeping.js';
import { batchLabels } from './batchLabels.js';
import { labelFit, labelNotKnownText } from './labelFit.js';
import { blackRows, labelBytes, readLabelBytes, rowBytes } from './labelBitmap.js';
import { LABEL_SHEETS, labelPlaces, sheetFault, singleLabel } from './labelSheets.js';
import { qrModules } from './qrModules.js';

const rice: Food = { id: 'rice', name: 'Brown rice, dry', aisle: 'grains-pasta-bread', nutrients: { energyKcal: 350, protein: 8 } };
const celery: Food = { id: 'celery', name: 'Celery', nutrients: { energyKcal: 14 }, allergens: ['celery'], mayContain: ['mustard'] };
const cheese: Food = { id: 'cheese', name: 'Cheese', nutrients: { energyKcal: 400, protein: 25 }, allergens: ['milk'] };

test('a box keeps as long as the guideline and the recipe both allow, and it is told by whose word', () => {
  expect(keepingLimits([celery], {}, 'uk')).toMatchObject({ fridgeDays: 2, mostDays: 2, because: 'UK guideline' });
  expect(keepingLimits([celery], {}, 'us')).toMatchObject({ fridgeDays: 3, mostDays: 4, because: 'US guideline' });
  expect(keepingLimits([celery], { fridgeDays: 4 }, 'us')).toMatchObject({ fridgeDays: 4, because: 'the recipe says so' });
  expect(keepingLimits([celery], { fridgeDays: 4 }, 'uk')).toMatchObject({ fridgeDays: 2, because: 'UK guideline; the recipe says 4' });
  expect(keepingLimits([celery], { fridgeDays: 1 }, 'uk')).toMatchObject({ fridgeDays: 1, because: 'the recipe says so' });
  expect(keepingLimits([celery, rice], {}, 'uk')).toMatchObject({ fridgeDays: 1, mostDays: 1, because: 'because of the rice' });
  expect(keepingLimits([rice], { fridgeDays: 3 }, 'us')).toMatchObject({
    fridgeDays: 1,
    mostDays: 4,
    because: 'because of the rice; the recipe says 3',
  });
  expect(keepingLimits([], { freezes: false, freezerMonths: 2 }, 'uk')).toMatchObject({
    freezes: false,
    freezerMonths: 2,
    monthsAssumed: false,
  });
  expect(keepingLimits([], {}, 'uk')).toMatchObject({ freezes: true, freezerMonths: 3, monthsAssumed: true });
});

test('the guideline is the one that was chosen, else that of the rules, else the stricter', () => {
  expect(guidelineOf({ rules: 'us' })).toBe('us');
  expect(guidelineOf({ rules: 'eu' })).toBe('uk');
  expect(guidelineOf({ rules: 'us', guideline: 'uk' })).toBe('uk');
});

test('each box has its day; over a leap day and the end of a month too; longer than the guideline asks for a reason', () => {
  const limits = keepingLimits([celery], {}, 'uk');
  const of = (over: Partial<BatchBox>, cooked = '2026-11-12') => boxKeeping({ name: 'A', grams: {}, ...over }, cooked, limits);
  expect(of({ keep: 'tonight' })).toEqual({ useBy: '2026-11-12', unexplained: false });
  expect(of({})).toEqual({ useBy: '2026-11-14', unexplained: false });
  expect(of({ keep: 'freezer' })).toEqual({ useBy: '2027-02-12', thawBy: '2027-02-11', unexplained: false });
  expect(of({ keep: 'freezer' }, '2027-11-30')).toMatchObject({ useBy: '2028-02-29', thawBy: '2028-02-28' });
  expect(of({}, '2026-12-31')).toMatchObject({ useBy: '2027-01-02' });
  expect(of({ useBy: '2026-11-16' })).toEqual({ useBy: '2026-11-16', beyond: '2026-11-14', unexplained: true });
  expect(of({ useBy: '2026-11-16', because: 'vacuum packed and tested' })).toMatchObject({ beyond: '2026-11-14', unexplained: false });
  expect(of({ useBy: '2026-11-13' })).toEqual({ useBy: '2026-11-13', unexplained: false });
});

const recipe: Recipe = {
  id: 'pot',
  title: 'Celery pot',
  series: 'Night Watch',
  number: 7,
  servings: 2,
  parts: [
    { id: 'main', name: 'Main', cookedWeight: 500, lines: [{ food: 'celery', amount: 500, unit: 'g' }] },
    { id: 'top', name: 'Top', cookedWeight: 100, lines: [{ food: 'cheese', amount: 100, unit: 'g' }] },
  ],
};
const kitchen = kitchenOf({ foods: [celery, cheese, rice], recipes: [recipe] });
const labelsOf = (boxes: readonly BatchBox[], rules: 'eu' | 'us' | 'plain' = 'plain') => {
  const batch: Batch = { id: 'b', recipe: 'pot', date: '2026-11-12', boxes };
  const made = batchFigures(batch, [batch], kitchen);
  const limits = keepingLimits([celery], {}, 'uk');
  return made.boxes.map((one) =>
    boxLabel(one, boxKeeping(one.box, batch.date, limits), {
      made,
      cooked: batch.date,
      rules,
      limits,
      link: 'http://kitchen/batches/pot?batch=b',
    }),
  );
};

test('a label says what is in this very box: its allergens, its figures by the rule set, its day', () => {
  const [all, plain] = labelsOf([
    { name: 'A', grams: { main: 250, top: 50 } },
    { name: 'B', grams: { main: 250 }, keep: 'freezer' },
  ]);
  expect(all).toMatchObject({
    title: 'Celery pot',
    series: 'Night Watch, no. 7',
    name: 'A',
    keepWords: 'Use by',
    contains: ['milk', 'celery'],
    beyond: '',
  });
  expect(all?.mayContain).toEqual(['mustard']);
  expect(all?.figures.map(({ name, text }) => `${name} ${text}`)).toEqual([
    'box 300 g',
    'energy 235 kcal',
    'protein at least 13 g',
    'carb. not known',
    'fat not known',
  ]);
  expect(plain).toMatchObject({
    keepWords: 'Freeze, eat by',
    contains: ['celery'],
    reheat: expect.stringMatching(/^Thaw overnight/) as string,
  });
  expect(plain?.figures[1]).toEqual({ name: 'energy', text: '35 kcal' });
  // 35 kcal by the US rule: the nearest 5; 235: the nearest 10, half away from zero.
  expect(labelsOf([{ name: 'A', grams: { main: 250, top: 50 } }], 'us')[0]?.figures[1]?.text).toBe('240 kcal');
});

test('a label says that a box keeps longer than the guideline, and why; and what was taken by eye is about that', () => {
  const [one] = labelsOf([{ name: 'A', grams: { main: 250 }, useBy: '2026-11-17', because: 'tested', eye: ['main'] }]);
  expect(one?.beyond).toMatch(/^Longer than the UK guideline \(.*14.*\): tested$/);
  expect(one?.figures.slice(0, 2).map(({ text }) => text)).toEqual(['about 250 g', 'about 35 kcal']);
});

test('every sheet that ships fits its page, and its labels lie apart', () => {
  for (const sheet of LABEL_SHEETS) {
    expect([sheet.name, sheetFault(sheet)]).toEqual([sheet.name, undefined]);
    const places = labelPlaces(sheet, sheet.columns * sheet.rows);
    for (const [i, a] of places.entries())
      for (const b of places.slice(i + 1)) {
        const apart = Math.abs(a.left - b.left) >= sheet.cell.width - 1e-6 || Math.abs(a.top - b.top) >= sheet.cell.height - 1e-6;
        expect(apart).toBe(true);
      }
  }
  expect(sheetFault({ ...singleLabel(62, 40), columns: 2 })).toMatch(/2 columns take 124.0 mm, the page has 62/);
});

test('labels begin at any cell and go on over pages, each cell once', () => {
  const [sheet] = LABEL_SHEETS;
  if (!sheet) throw new Error('no sheet');
  const cells = sheet.columns * sheet.rows;
  fc.assert(
    fc.property(fc.integer({ min: 1, max: cells }), fc.integer({ min: 0, max: 60 }), (start, count) => {
      const places = labelPlaces(sheet, count, start);
      expect(new Set(places.map((place) => JSON.stringify(place))).size).toBe(count);
      if (count > 0) expect(places[0]?.page).toBe(0);
      expect(places.at(-1)?.page ?? 0).toBe(Math.max(0, Math.ceil((start - 1 + count) / cells) - 1));
    }),
  );
  expect(() => labelPlaces(sheet, 1, cells + 1)).toThrow(/cells 1 to 8, not 9/);
});

test('a label for the printer comes out as it went in, and anything else is told', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 70 }),
      fc.integer({ min: 1, max: 40 }),
      fc.integer({ min: 1, max: 9 }),
      (width, height, copies) => {
        const rows = Uint8Array.from({ length: rowBytes(width) * height }, (_, i) => (i * 37) % 256);
        const read = readLabelBytes(labelBytes({ width, height, dotsPerInch: 203, copies, rows }));
        expect(read).toEqual({ ok: true, label: { width, height, dotsPerInch: 203, copies, rows } });
      },
    ),
  );
  const whole = labelBytes({ width: 9, height: 2, dotsPerInch: 203, copies: 1, rows: new Uint8Array(4) });
  expect(readLabelBytes(whole.slice(0, -1))).toEqual({ ok: false, because: '9 by 2 dots are 16 bytes, this has 15' });
  expect(readLabelBytes(new Uint8Array(3))).toMatchObject({ ok: false });
  expect(readLabelBytes(new TextEncoder().encode('PLB2xxxxxxxxxx'))).toEqual({ ok: false, because: 'a label begins with PLB1' });
  expect(() => labelBytes({ width: 0, height: 2, dotsPerInch: 203, copies: 1, rows: new Uint8Array() })).toThrow(/dots a side/);
});

test('dark is black, light and clear are white, the leftmost dot is the highest bit', () => {
  const pixels = new Uint8ClampedArray([0, 0, 0, 255, 255, 255, 255, 255, 0, 0, 0, 0, 90, 90, 90, 255]);
  expect([...blackRows(pixels, 4, 1)]).toEqual([0b1001_0000]);
});

test('a code is a square with its three corners', () => {
  const modules = qrModules('http://127.0.0.1:4180/batches/dal?batch=b-1');
  expect(modules.every((row) => row.length === modules.length)).toBe(true);
  for (const [y, x] of [
    [0, 0],
    [0, modules.length - 7],
    [modules.length - 7, 0],
  ] as const)
    expect(modules[y]?.slice(x, x + 7)).toEqual(Array(7).fill(true));
});

test('a label is set as large as it goes; what may go does before letters grow too small, and what must be on it never does', () => {
  const [label] = labelsOf([{ name: 'A', grams: { main: 250, top: 50 } }]);
  if (!label) throw new Error('no label');
  expect(labelFit(label, { width: 99, height: 68 })).toEqual({ size: 11, code: true, reheat: true, fits: true });
  const small = labelFit(label, { width: 64, height: 27 });
  expect(small).toMatchObject({ fits: true, code: false });
  expect(labelFit(label, { width: 20, height: 15 }).fits).toBe(false);
  const long = { ...label, contains: Array.from({ length: 14 }, (_, i) => `ALLERGEN NUMBER ${i}`) };
  expect(labelFit(long, { width: 64, height: 25 }).fits).toBe(false);
  // Larger paper never makes it worse.
  fc.assert(
    fc.property(fc.integer({ min: 20, max: 110 }), fc.integer({ min: 15, max: 90 }), (width, height) => {
      const [here, larger] = [labelFit(label, { width, height }), labelFit(label, { width: width + 5, height: height + 5 })];
      expect(Number(larger.fits)).toBeGreaterThanOrEqual(Number(here.fits));
    }),
  );
});

test('what nobody knows of a box stands on its label, and takes room on it', () => {
  const of: Recipe = {
    ...recipe,
    parts: [
      {
        id: 'main',
        name: 'Main',
        cookedWeight: 500,
        lines: [
          { food: 'celery', amount: 400, unit: 'g', agreed: false },
          { text: '1 jar of grandmother’s relish' },
          { text: 'a pinch of luck', optional: true },
        ],
      },
    ],
  };
  const batch: Batch = { id: 'b', recipe: 'pot', date: '2026-11-12', boxes: [{ name: 'A', grams: { main: 250 } }], then: of };
  const made = batchFigures(batch, [batch], kitchen);
  const [label] = batchLabels(made, batch, { rules: 'plain' }, 'http://kitchen');
  expect(label).toMatchObject({ notKnown: ['1 jar of grandmother’s relish'], unsure: 1, contains: ['celery'] });
  if (!label) throw new Error('no label');
  expect(labelNotKnownText(label)).toBe('Not known what is in: 1 jar of grandmother’s relish');
  const many = { ...label, notKnown: Array.from({ length: 20 }, () => 'a jar of relish') };
  expect([labelFit(label, { width: 64, height: 38 }).fits, labelFit(many, { width: 64, height: 38 }).fits]).toEqual([true, false]);
});
