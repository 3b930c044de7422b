import fc from 'fast-check';
import {
  bandOf,
  FIGURE_KEYS,
  recipeFigures,
  recipeReport,
  scaledRecipe,
  servedOf,
  workingOf,
  type Nutrient,
  type RecipeFigures,
} from '../src/index.js';
import { anyDish, dishOf, kitchenOf, recipeOf } from './kitchens.js';

const close = (got: number, want: number) =>
  expect(Math.abs(got - want)).toBeLessThanOrEqual(1e-9 * Math.max(Math.abs(got), Math.abs(want), 1e-6));
const figuresOf = (dish: Parameters<typeof dishOf>[0]) => {
  const { kitchen, recipe } = dishOf(dish);
  return { kitchen, recipe, figures: recipeFigures(recipe, kitchen) };
};

test('no figure is negative or not a number', () => {
  fc.assert(
    fc.property(anyDish, (dish) => {
      const { kitchen, recipe } = dishOf(dish);
      const visit = (node: unknown): void => {
        if (typeof node === 'number') expect(node).toBeGreaterThanOrEqual(0);
        else if (typeof node === 'object' && node !== null) Object.values(node).forEach(visit);
      };
      visit(recipeReport(recipe, kitchen));
    }),
  );
});

test('parts add up to the whole, equal shares to the batch', () => {
  fc.assert(
    fc.property(anyDish, (dish) => {
      const { recipe, figures } = figuresOf(dish);
      for (const key of FIGURE_KEYS) {
        const parts = figures.parts.reduce((sum, part) => sum + (part.nutrients[key].amount ?? 0), 0);
        close((figures.withTopping.nutrients[key].amount ?? 0) * recipe.servings, parts);
      }
      close((figures.withTopping.usedCost.amount ?? 0) * recipe.servings, figures.batch.usedCost.amount ?? 0);
      close(
        figures.withTopping.weight * recipe.servings,
        figures.parts.reduce((sum, { cooked }) => sum + cooked, 0),
      );
    }),
  );
});

test('the order of the lines changes nothing', () => {
  fc.assert(
    fc.property(anyDish, (dish) => {
      const { kitchen, recipe, figures } = figuresOf(dish);
      const turned = recipeFigures(
        { ...recipe, parts: recipe.parts.map((part) => ({ ...part, lines: [...part.lines].reverse() })) },
        kitchen,
      );
      for (const key of FIGURE_KEYS) {
        close(turned.perServing.nutrients[key].amount ?? 0, figures.perServing.nutrients[key].amount ?? 0);
        expect(turned.perServing.nutrients[key].gaps.length).toBe(figures.perServing.nutrients[key].gaps.length);
      }
      close(turned.batch.till.cost?.toNumber() ?? 0, figures.batch.till.cost?.toNumber() ?? 0);
    }),
  );
});

test('scaling up and back down returns the start', () => {
  fc.assert(
    fc.property(anyDish, fc.integer({ min: 1, max: 20 }), (dish, servings) => {
      const { kitchen, recipe, figures } = figuresOf(dish);
      const there = scaledRecipe(recipe, servings, kitchen).recipe;
      const back = recipeFigures(scaledRecipe(there, recipe.servings, kitchen).recipe, kitchen);
      expect(there.servings).toBe(servings);
      back.lines.forEach((line, i) => close(line.weights?.eaten ?? 0, figures.lines[i]?.weights?.eaten ?? 0));
    }),
  );
});

test('proportional scaling changes nothing per serving', () => {
  fc.assert(
    fc.property(anyDish, fc.integer({ min: 1, max: 20 }), (dish, servings) => {
      const { kitchen, recipe, figures } = figuresOf(dish);
      const scaled = recipeFigures(scaledRecipe(recipe, servings, kitchen).recipe, kitchen);
      for (const key of FIGURE_KEYS) close(scaled.perServing.nutrients[key].amount ?? 0, figures.perServing.nutrients[key].amount ?? 0);
    }),
  );
});

test('the working of a figure sums to the figure', () => {
  const worked: readonly (Nutrient | 'salt' | 'usedCost')[] = [
    'energyKcal',
    'protein',
    'carbohydrate',
    'fibre',
    'iron',
    'salt',
    'usedCost',
  ];
  fc.assert(
    fc.property(anyDish, fc.constantFrom(...worked), (dish, figure) => {
      const { kitchen, figures } = figuresOf(dish);
      const working = workingOf(figure, figures, kitchen);
      const lines = working.parts.flatMap(({ lines: rows }) => rows);
      close(
        lines.reduce((sum, { serving }) => sum + (serving ?? 0), 0),
        working.serving.amount ?? 0,
      );
      close(working.serving.amount ?? 0, headline(figure, figures));
      expect(lines.filter(({ gap }) => gap).map(({ at }) => at)).toEqual(working.serving.gaps);
    }),
  );
});

test('a part of another recipe is made up of its lines, as much of them as comes in, and of its rate times its weight', () => {
  const worked = fc.constantFrom('energyKcal' as const, 'salt' as const, 'usedCost' as const);
  const grams = fc.integer({ min: 1, max: 3000 });
  fc.assert(
    fc.property(anyDish, worked, grams, fc.double({ min: 0.1, max: 1, noNaN: true }), (drawn, figure, amount, retained) => {
      const { kitchen, recipe } = dishOf(drawn);
      const base = { ...recipe, id: 'base' };
      const line = { recipe: 'base', part: 'first', amount, unit: 'g', retained };
      const within = kitchenOf({ ...kitchen.content, recipes: [base] });
      const [taken] = workingOf(figure, recipeFigures(recipeOf([line]), within), within).parts[0]?.lines ?? [];
      if (!taken?.figures.weights) return;
      const inside = taken.inside.reduce((sum, { batch }) => sum + (batch ?? 0), 0);
      if (taken.batch !== undefined) close(inside, taken.batch);
      const { weights } = taken.figures;
      if (taken.per100g !== undefined)
        close((taken.per100g * (figure === 'usedCost' ? weights.purchase : weights.eaten)) / 100, taken.batch ?? 0);
    }),
  );
});

function headline(figure: Nutrient | 'salt' | 'usedCost', { perServing }: RecipeFigures): number {
  if (figure === 'usedCost') return perServing.usedCost.amount ?? 0;
  if (figure === 'salt') return (perServing.nutrients.sodium.amount ?? 0) * 0.0025;
  return perServing.nutrients[figure === 'carbohydrate' ? 'carbohydrateAvailable' : figure].amount ?? 0;
}

test('what the till charges is what the pot uses, what is left over, and what smaller packs cost more', () => {
  fc.assert(
    fc.property(anyDish, (dish) => {
      const { kitchen, recipe } = dishOf(dish);
      for (const { food, need, mix, left, leftWorth, premium } of recipeFigures(recipe, kitchen).batch.till.rows) {
        const rate = kitchen.resolvedFood(food).best?.rate ?? NaN;
        close(need * rate + leftWorth + premium, mix.price.toNumber());
        close(leftWorth, left * rate);
        expect(premium).toBeGreaterThanOrEqual(-1e-9 * mix.price.toNumber());
      }
    }),
  );
});

test('the pot never uses more money than the till charges', () => {
  fc.assert(
    fc.property(anyDish, (dish) => {
      const { figures } = figuresOf(dish);
      const { till, usedCost } = figures.batch;
      if (till.cost && till.unpriced.length === 0 && usedCost.gaps.length === 0)
        expect(till.cost.toNumber()).toBeGreaterThanOrEqual((usedCost.amount ?? 0) * (1 - 1e-9));
    }),
  );
});

test('a band holds its figure', () => {
  fc.assert(
    fc.property(anyDish, (dish) => {
      const { figures } = figuresOf(dish);
      const band = bandOf(
        figures.parts.filter(({ part }) => servedOf(part) === 'box'),
        'protein',
      );
      const amount = figures.perServing.nutrients.protein.amount;
      expect(band === undefined).toBe(amount === undefined);
      if (band && amount !== undefined) {
        expect(band[0]).toBeLessThanOrEqual(amount * (1 + 1e-12));
        expect(band[1]).toBeGreaterThanOrEqual(amount * (1 - 1e-12));
      }
    }),
  );
});
