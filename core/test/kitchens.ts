import fc from 'fast-check';
import { Kitchen, NUTRIENTS, type Food, type KitchenContent, type Line, type Part, type Recipe, type Settings } from '../src/index.js';

/** A kitchen of these foods and recipes, in euros, metric, on a fixed day. */
export function kitchenOf(content: Partial<KitchenContent>, settings: Partial<Settings> = {}): Kitchen {
  return new Kitchen({
    settings: { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2031-03-10', ...settings },
    foods: [],
    packs: [],
    recipes: [],
    ...content,
  });
}

/** A recipe of one part. */
export function recipeOf(lines: readonly Line[], over: Partial<Recipe> = {}, part: Partial<Part> = {}): Recipe {
  return { id: 'dish', title: 'Dish', servings: 4, parts: [{ id: 'pot', name: 'Pot', lines, ...part }], ...over };
}

/** To a tenth: nobody measures in billionths of a gram. */
const amount = (most: number) => fc.integer({ min: 0, max: most * 10 }).map((tenths) => tenths / 10);

/** Any food: some nutrients unknown, refuse, drained, yield and density within their bounds. */
export const anyFood = (id: string): fc.Arbitrary<Food> =>
  fc.record({
    id: fc.constant(id),
    name: fc.constant(`Food ${id}`),
    state: fc.constantFrom('raw' as const, 'cooked' as const, 'dry' as const),
    nutrients: fc.record(Object.fromEntries(NUTRIENTS.map((nutrient) => [nutrient, amount(100)])), { requiredKeys: [] }),
    carbohydrateIs: fc.constantFrom('available' as const, 'total' as const),
    source: fc.constantFrom('lab' as const, 'label' as const, 'table' as const, 'estimate' as const),
    density: fc.double({ min: 0.2, max: 2, noNaN: true }),
    refuse: fc.double({ min: 0, max: 0.9, noNaN: true }),
    drained: fc.double({ min: 0.1, max: 1, noNaN: true }),
    yield: fc.double({ min: 0.3, max: 4, noNaN: true }),
    measures: fc.constant({ piece: 110 }),
  });

const anyLine: fc.Arbitrary<Line> = fc.record(
  {
    food: fc.constantFrom('a', 'b', 'c'),
    amount: fc.oneof(
      amount(2000),
      fc.tuple(amount(100), amount(100)).map(([low, width]) => [low, low + width] as const),
    ),
    unit: fc.constantFrom('g', 'kg', 'oz', 'ml', 'tbsp', 'cup', 'piece', 'pinch'),
    as: fc.constantFrom('AP' as const, 'EP' as const),
    state: fc.constantFrom('raw' as const, 'cooked' as const),
    retained: fc.double({ min: 0, max: 1, noNaN: true }),
    optional: fc.boolean(),
  },
  { requiredKeys: ['food', 'amount', 'unit'] },
);

/** Any dish of three foods, in one or two parts, with or without prices. */
export const anyDish = fc.record({
  foods: fc.tuple(anyFood('a'), anyFood('b'), anyFood('c')),
  recipe: fc.record({
    servings: fc.integer({ min: 1, max: 12 }),
    first: fc.array(anyLine, { minLength: 1, maxLength: 8 }),
    second: fc.array(anyLine, { maxLength: 4 }),
  }),
  prices: fc.array(
    fc.record({ food: fc.constantFrom('a', 'b', 'c'), net: fc.integer({ min: 50, max: 2000 }), cents: fc.integer({ min: 1, max: 2000 }) }),
    { maxLength: 5 },
  ),
});

/** The kitchen and recipe of a generated dish. */
export function dishOf({ foods, recipe, prices }: typeof anyDish extends fc.Arbitrary<infer Dish> ? Dish : never) {
  const kitchen = kitchenOf({
    foods,
    packs: prices.map(({ food, net, cents }, i) => ({
      food,
      net,
      unit: 'g',
      price: (cents / 100).toFixed(2),
      currency: 'EUR',
      shop: `Shop ${i}`,
      seen: '2031-03-01',
    })),
  });
  const parts: Part[] = [
    { id: 'first', name: 'First', lines: recipe.first },
    ...(recipe.second.length > 0 ? [{ id: 'second', name: 'Second', served: 'table' as const, lines: recipe.second }] : []),
  ];
  return { kitchen, recipe: { id: 'dish', title: 'Dish', servings: recipe.servings, parts } satisfies Recipe };
}
