import fc from 'fast-check';
import { ALLERGENS, allergenWord, namedAllergens, preciseAllergens } from './allergen.js';
import { cardText, nutrientsOfRuleSet } from './cardText.js';
import { gramsOfPrintedBasis, nutrientsPerGram } from './composition.js';
import { edibleShare } from './edibleShare.js';
import { energyAgreement, foodEnergyAgreement, likelySlip } from './energyAgreement.js';
import { atwaterEnergy } from './atwaterEnergy.js';
import type { Food } from './food.js';
import { edibleGramsOfMeasure, measureOf } from './measureOf.js';
import { kindsOf } from './foodKind.js';
import { RULE_SETS } from './ruleSet.js';

const rye: Food = {
  id: 'rye',
  name: 'Rye bread',
  per: { amount: 2, unit: 'slice' },
  measures: { slice: 40 },
  nutrients: { energyKcal: 166, protein: 5.6, fat: 1.2, carbohydrate: 31, fibre: 5.4, salt: 0.8 },
};

test('a label for two slices is brought to one gram', () => {
  expect(gramsOfPrintedBasis(rye)).toBe(80);
  expect(nutrientsPerGram(rye, 'available').sodium).toBeCloseTo(320 / 80, 12);
});

test('a label per 100 ml needs a density', () => {
  const drink: Food = { id: 'drink', name: 'Drink', per: { amount: 100, unit: 'ml' }, nutrients: { energyKj: 188.28 } };
  expect(gramsOfPrintedBasis(drink)).toBeUndefined();
  expect(nutrientsPerGram(drink, 'available')).toEqual({});
  expect(gramsOfPrintedBasis({ ...drink, density: 1.04 })).toBe(104);
  expect(nutrientsPerGram({ ...drink, density: 1.04 }, 'available').energyKcal).toBeCloseTo(45 / 104, 12);
});

test('a label for a piece with peel is for what is eaten of it', () => {
  const plum: Food = {
    id: 'plum',
    name: 'Plum',
    per: { amount: 1, unit: 'piece' },
    measures: { piece: 100 },
    refuse: 0.06,
    nutrients: { protein: 0.94 },
  };
  expect(gramsOfPrintedBasis(plum)).toBeCloseTo(94, 12);
  expect(edibleGramsOfMeasure({ ...plum, measuresAre: 'edible' }, 'piece')).toBe(100);
});

test('absent and null are unknown, 0 is known', () => {
  const perGram = nutrientsPerGram({ id: 'x', name: 'X', nutrients: { protein: null, fat: 0 } }, 'available');
  expect('protein' in perGram).toBe(false);
  expect(perGram.fat).toBe(0);
});

test('carbohydrate goes from one convention to the other by fibre, and is unknown without it', () => {
  const total: Food = { id: 't', name: 'T', carbohydrateIs: 'total', nutrients: { carbohydrate: 78, fibre: 16 } };
  expect(nutrientsPerGram(total, 'available').carbohydrate).toBeCloseTo(0.62, 12);
  expect(nutrientsPerGram(total, 'total').carbohydrate).toBeCloseTo(0.78, 12);
  const bare: Food = { id: 'b', name: 'B', nutrients: { carbohydrate: 78 } };
  expect(nutrientsPerGram(bare, 'total').carbohydrate).toBeUndefined();
  expect(nutrientsPerGram(bare, 'available').carbohydrate).toBeCloseTo(0.78, 12);
});

test('edible share is without refuse, and drained', () => {
  expect(edibleShare({ id: 'leek', name: 'Leek', refuse: 0.3 })).toBe(0.7);
  expect(edibleShare({ id: 'beans', name: 'Beans', drained: 0.6 })).toBe(0.6);
});

test('a measure by the name of something every object has is no measure', () => {
  expect(measureOf({ id: 'x', name: 'X', measures: {} }, 'constructor')).toBeUndefined();
});

const spread: Food = { id: 'x', name: 'Spread', nutrients: { energyKcal: 213, protein: 12, fat: 70, carbohydrate: 3, fibre: 0 } };

test('energy from the macronutrients', () => {
  expect(atwaterEnergy(spread)).toBe(690);
  expect(atwaterEnergy(spread, 'kj')).toBe(17 * 12 + 17 * 3 + 37 * 70);
  expect(atwaterEnergy({ ...spread, nutrients: { protein: 1, fat: 1 } })).toBeUndefined();
});

test('polyols are part of the carbohydrate, alcohol is beside it', () => {
  const sweet: Food = { id: 's', name: 'S', nutrients: { protein: 0, fat: 0, carbohydrate: 60, polyols: 40, alcohol: 5 } };
  expect(atwaterEnergy(sweet)).toBeCloseTo(4 * 20 + 2.4 * 40 + 7 * 5, 12);
});

test('a slip of the fat is found and pointed at', () => {
  const agreement = foodEnergyAgreement(spread);
  expect(agreement).toMatchObject({ difference: 477, agrees: false });
  expect(likelySlip({ ...spread, nutrients: { energyKcal: 240, protein: 8, fat: 96, carbohydrate: 30 } })?.nutrient).toBe('fat');
});

test('10 % of the declared figure or 15 kcal, whichever is more, is allowed', () => {
  expect(energyAgreement(100, 115).agrees).toBe(true);
  expect(energyAgreement(100, 115.1).agrees).toBe(false);
  expect(energyAgreement(400, 440).agrees).toBe(true);
  expect(energyAgreement(400, 359.9).agrees).toBe(false);
});

test.each([
  ['us', 'energyKcal', 4.99, '0 kcal'],
  ['us', 'energyKcal', 47.5, '50 kcal'],
  ['us', 'energyKcal', 50.1, '50 kcal'],
  ['us', 'fat', 4.74, '4.5 g'],
  ['us', 'fat', 4.75, '5 g'],
  ['us', 'cholesterol', 5, 'less than 5 mg'],
  ['us', 'protein', 0.99, 'less than 1 g'],
  ['us', 'sodium', 137.5, '140 mg'],
  ['us', 'iron', 18.25, '18.3 mg'],
  ['eu', 'fat', 0.5, '<0.5 g'],
  ['eu', 'fat', 0, '0 g'],
  ['eu', 'saturates', 9.95, '10.0 g'],
  ['eu', 'salt', 0.0125, '<0.01 g'],
  ['eu', 'salt', 1.25, '1.3 g'],
  ['eu', 'carbohydrate', 10.5, '11 g'],
  ['plain', 'protein', 22.5, '23 g'],
] as const)('%s prints %s of %d as %s', (rules, nutrient, figure, text) => {
  expect(cardText(rules, nutrient, figure)).toBe(text);
});

test('an incomplete figure is "at least", a nutrient the set does not name is not printed', () => {
  expect(cardText('plain', 'protein', 22.5, true)).toBe('at least 23 g');
  expect(cardText('plain', 'iron', 3)).toBeUndefined();
});

test('no rule set prints a larger figure as less', () => {
  const number = (text = '') => (text.startsWith('<') || text.startsWith('less') ? 0 : Number(text.split(' ')[0]));
  for (const rules of RULE_SETS)
    for (const nutrient of nutrientsOfRuleSet(rules))
      fc.assert(
        fc.property(fc.double({ min: 0, max: 3000, noNaN: true }), fc.double({ min: 0, max: 100, noNaN: true }), (figure, more) => {
          expect(number(cardText(rules, nutrient, figure + more))).toBeGreaterThanOrEqual(number(cardText(rules, nutrient, figure)));
        }),
        { numRuns: 50 },
      );
});

test('allergens are named precisely, the group only where nothing precise stands for it', () => {
  expect(namedAllergens(['wheat', 'gluten', 'milk'])).toEqual(['milk', 'wheat (gluten)']);
  expect(preciseAllergens(['wheat', 'gluten', 'milk'])).toEqual(['milk', 'wheat']);
  expect(allergenWord('brazil-nuts')).toBe('Brazil nuts');
  expect(namedAllergens(['nuts'])).toEqual(['nuts']);
  expect(namedAllergens(['brazil-nuts'])).toEqual(['Brazil nuts (nuts)']);
  for (const allergen of ALLERGENS) expect(namedAllergens([allergen])).toHaveLength(1);
});

test.each([
  ['Brown rice', undefined, true],
  ['Rice, basmati', 'grains-pasta-bread', true],
  ['Rice milk', undefined, false],
  ['Rice vinegar', undefined, false],
  ['Cauliflower rice', 'vegetables', false],
  ['Cauliflower rice', undefined, false],
  ['Chicken stock', undefined, false],
])('%s in %s is rice that keeps one day: %s', (name, aisle, rice) => {
  const kinds = kindsOf({ id: 'one', name, ...(aisle === undefined ? {} : { aisle }) });
  expect(kinds).toEqual(rice ? ['rice'] : []);
});
