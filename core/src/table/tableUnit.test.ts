import { unitOf } from '../food/index.js';
import { TABLE_NUTRIENTS, nutrientOfTarget } from './tableTarget.js';
import { factorTo, unitInHeading, unitsFor } from './tableUnit.js';

test.each([
  ['Sodium (mg/100 g)', 'mg'],
  ['Energy, kcal per 100g', 'kcal'],
  ['Energ_Kcal', 'kcal'],
  ['Energy kJ', 'kJ'],
  ['Vitamin D (µg)', 'ug'],
  ['Vit D, mcg', 'ug'],
  ['Vitamin D IU', 'IU'],
  ['Protein [g]', 'g'],
  ['Calcium', undefined],
  ['Protein per 100 g', undefined],
] as const)('the unit of %j is %s', (heading, unit) => {
  expect(unitInHeading(heading)).toBe(unit);
});

test('units come to the ones kept, and no others', () => {
  expect(factorTo('sodium', 'g')).toBe(1000);
  expect(factorTo('salt', 'mg')).toBe(0.001);
  expect(factorTo('protein', 'mg')).toBe(0.001);
  expect(factorTo('vitaminD', 'IU')).toBe(0.025);
  expect(factorTo('iron', 'ug')).toBe(0.001);
  expect(factorTo('edible', '%')).toBe(0.01);
  expect(factorTo('edible', '1')).toBe(1);
  expect(factorTo('protein', 'kcal')).toBeUndefined();
  expect(factorTo('energy', 'g')).toBeUndefined();
  expect(factorTo('iron', 'IU')).toBeUndefined();
  for (const target of TABLE_NUTRIENTS) {
    const [kept] = unitsFor(target);
    expect(factorTo(target, kept)).toBe(1);
    const nutrient = nutrientOfTarget(target, kept);
    if (nutrient !== 'salt') expect(kept).toBe(unitOf(nutrient));
    for (const unit of unitsFor(target)) expect(factorTo(target, unit)).toBeGreaterThan(0);
  }
});
