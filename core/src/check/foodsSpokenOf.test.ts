import fc from 'fast-check';
import { demoKitchen } from '../../test/demoKitchen.js';
import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import { starterFoods } from '../../test/starterPantry.js';
import { foodsOf, Kitchen, recipeFigures, recipesUnder, type Recipe } from '../recipe/index.js';
import { checkRecipe } from './checkRecipe.js';
import { foodsSpokenOf } from './foodsSpokenOf.js';

const byName = (a: { readonly name: string }, b: { readonly name: string }) => (a.name < b.name ? -1 : 1);

/** What Check finds with every food of a kitchen, and with those alone that a dish lists or speaks of; and how many these are. */
function bothWays(recipe: Recipe, whole: Kitchen) {
  const { content } = whole;
  const listed = new Set(recipesUnder(recipe, whole).flatMap(foodsOf));
  const own = content.foods.filter(({ id }) => listed.has(id));
  const under = new Kitchen({ ...content, foods: own });
  const spoken = foodsSpokenOf([recipe], under, content.foods);
  const foods = new Map(content.foods.map((food) => [food.id, food]));
  const narrow = new Kitchen({ ...content, foods: [...own, ...spoken.flatMap((id) => foods.get(id) ?? [])] });
  return {
    whole: checkRecipe(recipeFigures(recipe, whole), whole),
    narrow: checkRecipe(recipeFigures(recipe, narrow), narrow),
    spoken,
  };
}

describe('the foods of a pantry that a dish speaks of', () => {
  const pantry = [...starterFoods].sort(byName);
  const words = [
    ...new Set(pantry.flatMap(({ name, names = [] }) => [name, ...names].flatMap((one) => one.toLowerCase().split(/[^\p{L}'-]+/u)))),
  ];

  it('are all that Check needs of it, whatever steps say', () => {
    let found = 0;
    const said = fc.array(
      fc.oneof(
        { weight: 4, arbitrary: fc.constantFrom(...words) },
        fc.constantFrom('add the', ', then', 'chopped', 'and', '. Stir', 'fresh', 'sauce', 'zest of'),
      ),
      {
        minLength: 1,
        maxLength: 14,
      },
    );
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...pantry), { minLength: 1, maxLength: 4 }),
        fc.array(said, { minLength: 1, maxLength: 4 }),
        (foods, steps) => {
          const recipe = recipeOf(
            foods.map(({ id, name }, i) => ({ food: id, amount: 100, unit: 'g', text: `100 g ${name}`, id: `l${i}` })),
            {
              title: 'Dish of the day',
              steps: steps.map((step, i) => ({ text: `${step.join(' ')} {pot/${foods.length > i ? i + 1 : 1}}` })),
            },
          );
          const { whole, narrow } = bothWays(recipe, kitchenOf({ foods: pantry, recipes: [recipe] }));
          found += whole.filter(({ code }) => code === 'step-unlisted').length;
          expect(narrow).toEqual(whole);
        },
      ),
      { numRuns: 150 },
    );
    // It says something only where there is something to be found.
    expect(found).toBeGreaterThan(50);
  });

  it.each(demoKitchen.content.recipes.map((recipe) => [recipe.id, recipe] as const))(
    'are all that Check needs of the demo kitchen for %s',
    (_, recipe) => {
      const foods = [...demoKitchen.content.foods, ...starterFoods.filter(({ id }) => !demoKitchen.food(id))].sort(byName);
      const { whole, narrow, spoken } = bothWays(recipe, new Kitchen({ ...demoKitchen.content, foods }));
      expect(narrow).toEqual(whole);
      expect(spoken.length).toBeLessThan(foods.length / 2);
    },
  );

  it('are found by what a mention in a step becomes', () => {
    const recipe = recipeOf([{ food: 'chick', amount: 1, unit: 'kg' }], { steps: [{ text: 'Boil the {~pot/1}peas and the stock.' }] });
    const foods = [
      { id: 'chick', name: 'Chick' },
      { id: 'peas', name: 'Chickpeas, dried' },
      { id: 'other', name: 'Leek' },
    ];
    const { spoken, whole, narrow } = bothWays(recipe, kitchenOf({ foods, recipes: [recipe] }));
    expect(spoken).toEqual(['peas']);
    expect(narrow).toEqual(whole);
  });
});
