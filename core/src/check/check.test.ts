import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import type { Food } from '../food/index.js';
import type { Pack } from '../price/index.js';
import { FIGURE_CODES, recipeFigures, type FigureCode, type Line, type Part, type Recipe } from '../recipe/index.js';
import { findingsOf } from './findingsOf.js';

const leek: Food = {
  id: 'leek',
  name: 'Leek',
  refuse: 0.3,
  measures: { piece: 200 },
  nutrients: { energyKcal: 30, protein: 1.5, fat: 0.3, carbohydrate: 5, fibre: 2 },
};
const spread: Food = { id: 'spread', name: 'Spread', nutrients: { energyKcal: 213, protein: 12, fat: 70, carbohydrate: 3, fibre: 0 } };
const empty: Food = { id: 'empty', name: 'Empty' };
const price = (food: string, seen = '2031-03-01'): Pack => ({ food, net: 1, unit: 'kg', price: '2', currency: 'EUR', shop: 'A', seen });

function findings(
  lines: readonly Line[],
  part: Partial<Part> = {},
  over: Partial<Recipe> = {},
  packs: readonly Pack[] = [price('leek'), price('spread'), price('empty')],
  maxPriceAge?: number,
) {
  const kitchen = kitchenOf({ foods: [leek, spread, empty], packs }, maxPriceAge === undefined ? {} : { maxPriceAge });
  return findingsOf(recipeFigures(recipeOf(lines, over, part), kitchen), kitchen);
}

/** A dish for each code that has that finding, and one nearly the same that has not. */
const CASES: Readonly<
  Record<
    FigureCode,
    {
      readonly at: string;
      readonly says: RegExp;
      readonly wrong: () => ReturnType<typeof findings>;
      readonly right: () => ReturnType<typeof findings>;
    }
  >
> = {
  'no-weight': {
    at: 'pot/1',
    says: /what one cup of Leek weighs/,
    wrong: () => findings([{ food: 'leek', amount: 1, unit: 'cup' }]),
    right: () => findings([{ food: 'leek', amount: 1, unit: 'piece' }]),
  },
  'no-composition': {
    at: 'pot/1',
    says: /Empty has no nutrients/,
    wrong: () => findings([{ food: 'empty', amount: 1, unit: 'g' }]),
    right: () => findings([{ food: 'empty', amount: 1, unit: 'g', retained: 0 }]),
  },
  'allergen-words': {
    at: 'pot/1',
    says: /names milk, which Leek does not list among its allergens/,
    wrong: () => findings([{ food: 'leek', amount: 1, unit: 'piece', text: '1 leek in butter' }]),
    right: () => findings([{ food: 'leek', amount: 1, unit: 'piece', text: '1 leek in vegan butter' }]),
  },
  'food-unsure': {
    at: 'pot/1',
    says: /“10 g greens” is counted as Leek, and may mean another food/,
    wrong: () => findings([{ food: 'leek', amount: 10, unit: 'g', text: '10 g greens', agreed: false }]),
    right: () => findings([{ food: 'leek', amount: 10, unit: 'g', text: '10 g greens', agreed: true }]),
  },
  'to-taste': {
    at: 'pot/1',
    says: /5 g of Leek is assumed/,
    wrong: () => findings([{ food: 'leek', toTaste: 5 }]),
    right: () => findings([{ food: 'leek', toTaste: 5, method: 'scale' }]),
  },
  'no-price': {
    at: 'food:leek',
    says: /no current price in EUR/,
    wrong: () => findings([{ food: 'leek', amount: 1, unit: 'g' }], {}, {}, []),
    right: () => findings([{ food: 'leek', amount: 0, unit: 'g' }], {}, {}, []),
  },
  'stale-price': {
    at: 'food:leek',
    says: /older than 30 days/,
    wrong: () => findings([{ food: 'leek', amount: 1, unit: 'g' }], {}, {}, [price('leek', '2031-01-01')], 30),
    right: () => findings([{ food: 'leek', amount: 1, unit: 'g' }], {}, {}, [price('leek', '2031-02-20')], 30),
  },
  'energy-mismatch': {
    at: 'food:spread',
    says: /477 too much\. Check the fat: 70 would have to be about 17/,
    wrong: () => findings([{ food: 'spread', amount: 10, unit: 'g' }]),
    right: () => findings([{ food: 'leek', amount: 10, unit: 'g' }]),
  },
  'portion-short': {
    at: 'pot',
    says: /4 portions of Pot need 100 g more/,
    wrong: () => findings([{ food: 'leek', amount: 300, unit: 'g' }], { portion: { by: 'grams', grams: 100 } }),
    right: () => findings([{ food: 'leek', amount: 400, unit: 'g' }], { portion: { by: 'grams', grams: 100 } }),
  },
  'pieces-uneven': {
    at: 'pot',
    says: /18 pieces of Pot do not divide by 4\. Make 20 of 20 g each/,
    wrong: () => findings([{ food: 'leek', amount: 400, unit: 'g' }], { portion: { by: 'pieces', made: 18, each: 4 } }),
    right: () => findings([{ food: 'leek', amount: 400, unit: 'g' }], { portion: { by: 'pieces', made: 20, each: 4 } }),
  },
  'weight-outdated': {
    at: 'pot',
    says: /Pot was weighed at 400 g before its lines changed; in proportion it would be 533 g/,
    wrong: () => findings([{ food: 'leek', amount: 400, unit: 'g' }], { cookedWeight: 400, measuredFor: 300 }),
    right: () => findings([{ food: 'leek', amount: 400, unit: 'g' }], { cookedWeight: 400, measuredFor: 399 }),
  },
  'amounts-disagree': {
    at: 'pot/1',
    says: /1 piece of Leek is 140 g, but 110 g is written/,
    wrong: () => findings([{ food: 'leek', amount: 110, unit: 'g', also: { amount: 1, unit: 'piece' } }]),
    right: () => findings([{ food: 'leek', amount: 120, unit: 'g', also: { amount: 1, unit: 'piece' } }]),
  },
};

describe.each(FIGURE_CODES)('%s', (code) => {
  const { at, says, wrong, right } = CASES[code];

  test('is found, at its place, with what to do', () => {
    const found = wrong().find((one) => one.code === code);
    expect(found?.at).toBe(at);
    expect(found?.message).toMatch(says);
  });

  test('is not found where it is not', () => {
    expect(right().map((one) => one.code)).not.toContain(code);
  });
});

test('a serving whose declared energy and macros disagree says so at "serving"', () => {
  expect(
    findings([{ food: 'spread', amount: 400, unit: 'g' }])
      .filter(({ code }) => code === 'energy-mismatch')
      .map(({ at }) => at),
  ).toEqual(['food:spread', 'serving']);
});

test('an empty label beside a sound one is no disagreement of the serving', () => {
  expect(
    findings([
      { food: 'leek', amount: 400, unit: 'g' },
      { food: 'empty', amount: 400, unit: 'g' },
    ]).filter(({ at }) => at === 'serving'),
  ).toEqual([]);
});

test('a third way of saying an amount is held against the first, while the words say what is counted', () => {
  const codes = (line: Line) => findings([line]).map(({ code }) => code);
  const line = (text: string, amount = 300): Line => ({ food: 'leek', amount, unit: 'g', text, also: { amount: 10.5, unit: 'oz' } });
  expect(codes(line('300 g / 10.5 oz / 5 pieces leek'))).toContain('amounts-disagree');
  expect(codes(line('300 g (10.5 oz, 5 pieces) leek'))).toContain('amounts-disagree');
  expect(codes(line('300 g / 10.5 oz / 2 pieces leek'))).not.toContain('amounts-disagree');
  // The amount was changed since: the words say no more what is counted, and a food that has no cup says nothing by it.
  expect(codes({ ...line('300 g / 10.5 oz / 5 pieces leek', 280), also: { amount: 2, unit: 'piece' } })).not.toContain('amounts-disagree');
  expect(codes(line('300 g / 10.5 oz / 9 cups leek'))).not.toContain('amounts-disagree');
});

test('amounts per serving are compared for the batch', () => {
  const line: Line = { food: 'leek', amount: 140, unit: 'g', also: { amount: 1, unit: 'piece' } };
  expect(findings([line], {}, { amountsPer: 'serving' }).map(({ code }) => code)).not.toContain('amounts-disagree');
});
