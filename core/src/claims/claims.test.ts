import { recipeFigures } from '../recipe/index.js';
import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import type { Allergen, PrintedNutrients } from '../food/index.js';
import { CLAIM_NAMES } from './claim.js';
import { claimsOf } from './claimsOf.js';

/** Claims of 100 g of one food, as one serving. */
function claims(nutrients: PrintedNutrients, allergens: readonly Allergen[] | undefined = []) {
  const kitchen = kitchenOf({ foods: [{ id: 'x', name: 'X', nutrients }] });
  const figures = recipeFigures(recipeOf([{ food: 'x', amount: 100, unit: 'g' }], { servings: 1 }), kitchen);
  return new Map(claimsOf(figures.perServing, allergens).map((claim) => [`${claim.rules} ${claim.name}`, claim]));
}

test.each<[string, PrintedNutrients, string]>([
  ['eu low energy', { energyKcal: 40 }, 'yes'],
  ['eu low energy', { energyKcal: 40.1 }, 'no'],
  ['eu low energy', {}, 'unknown'],
  ['eu low fat', { fat: 3 }, 'yes'],
  ['eu low saturates', { energyKcal: 100, saturates: 1, trans: 0.1 }, 'yes'],
  ['eu low saturates', { energyKcal: 80, saturates: 1, trans: 0.1 }, 'no'], // 9.9 kcal of 80 are more than a tenth
  ['eu low saturates', { energyKcal: 100, saturates: 1 }, 'unknown'],
  ['eu low sugars', { sugars: 5.1 }, 'no'],
  ['eu low salt', { sodium: 120 }, 'yes'],
  ['eu source of fibre', { energyKcal: 300, fibre: 3 }, 'yes'],
  ['eu source of fibre', { energyKcal: 100, fibre: 1.5 }, 'yes'],
  ['eu source of fibre', { energyKcal: 300, fibre: 2.9 }, 'no'],
  ['eu high fibre', { energyKcal: 300, fibre: 6 }, 'yes'],
  ['eu source of protein', { energyKcal: 100, protein: 3 }, 'yes'],
  ['eu high protein', { energyKcal: 100, protein: 4.9 }, 'no'],
  ['eu high protein', { energyKcal: 100, protein: 5 }, 'yes'],
  ['us low calorie', { energyKcal: 120 }, 'yes'],
  ['us low fat', { energyKcal: 60, fat: 3 }, 'no'], // 27 kcal of 60
  ['us low fat', { energyKcal: 90, fat: 3 }, 'yes'],
  ['us low sodium', { sodium: 141 }, 'no'],
  ['us high protein', { protein: 10 }, 'yes'],
  ['us high fibre', { fibre: 5.5 }, 'no'],
])('%s of %j: %s', (name, nutrients, holds) => {
  expect(claims(nutrients).get(name)?.holds).toBe(holds);
});

test('each claim gives its reasons in figures', () => {
  expect(claims({ energyKcal: 300, fibre: 2.9 }).get('eu source of fibre')?.because).toEqual([
    'fibre per 100 g 2.9 g, at least 3 g asked',
    'fibre per 100 kcal 1 g, at least 1.5 g asked',
  ]);
  const all = [...claims({}).values()];
  expect(new Set(all.map(({ name }) => name))).toEqual(new Set(CLAIM_NAMES));
  for (const { because } of all) expect(because.length).toBeGreaterThan(0);
});

test('"at least" rules a "most" out, a "least" in, and nothing the other way round', () => {
  const foods = [
    { id: 'x', name: 'X', nutrients: { fat: 10, fibre: 10 } },
    { id: 'y', name: 'Y', nutrients: {} },
  ];
  const figures = recipeFigures(
    recipeOf(
      [
        { food: 'x', amount: 50, unit: 'g' },
        { food: 'y', amount: 50, unit: 'g' },
      ],
      { servings: 1 },
    ),
    kitchenOf({ foods }),
  );
  const of = new Map(claimsOf(figures.perServing, []).map((claim) => [`${claim.rules} ${claim.name}`, claim.holds]));
  expect(of.get('eu low fat')).toBe('no');
  expect(of.get('eu source of fibre')).toBe('yes');
  expect(of.get('eu high fibre')).toBe('unknown');
});

test('gluten is named, and never said to be absent where a line has no food', () => {
  const gluten = (allergens: readonly Allergen[] | undefined) => claims({}, allergens).get('any no gluten-containing ingredient listed');
  expect(gluten(['barley', 'milk'])).toMatchObject({ holds: 'no', because: ['holds barley'] });
  expect(gluten(['milk'])?.holds).toBe('yes');
  expect(claimsOf(recipeFigures(recipeOf([]), kitchenOf({})).perServing, undefined).at(-1)?.holds).toBe('unknown');
});
