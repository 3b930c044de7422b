import { NUTRIENTS, nutrientRow, per100gOf, type Food, type LabelNutrient } from '../food/index.js';
import { packGrams, type Pack } from '../price/index.js';
import { batchFigures, netOf, partFactors, type Batch } from '../batch/index.js';
import { computed, computedFigures, nameOfLine, recipeFigures, shownFigure, type Kitchen, type Recipe } from '../recipe/index.js';
import { boxBand } from '../uncertainty/index.js';

/** A sheet for a spreadsheet: headings, and rows of the same length. Cells that nobody knows are empty. */
export interface Sheet {
  readonly headings: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
}

const FIGURES: readonly LabelNutrient[] = [...NUTRIENTS, 'salt'];

/**
 * Foods with their composition per 100 g, carbohydrate without fibre (docs/reckoning.md, "Nutrients"), in units that the headings state: what
 * the import of food tables reads again as it is.
 */
export function foodsSheet(foods: readonly Food[]): Sheet {
  return {
    headings: [
      'Code',
      'Food name',
      'Other names',
      'Food group',
      'State',
      'Source',
      ...FIGURES.map(headingOf),
      'Refuse (%)',
      'Density (g/ml)',
    ],
    rows: foods.map((food) => {
      const held = per100gOf(food, 'available');
      return [
        food.id,
        food.name,
        (food.names ?? []).join('; '),
        food.aisle ?? '',
        food.state ?? '',
        food.source ?? 'estimate',
        ...FIGURES.map((figure) => cell(held[figure])),
        cell(food.refuse === undefined ? undefined : food.refuse * 100),
        cell(food.density),
      ];
    }),
  };
}

function headingOf(figure: LabelNutrient): string {
  if (figure === 'salt') return 'Salt (g)';
  const { name, unit } = nutrientRow(figure);
  return `${figure === 'carbohydrate' ? 'Carbohydrate, available' : name} (${unit === 'ug' ? 'µg' : unit})`;
}

/** Every price seen, with what a kilogram cost (docs/reckoning.md, "Cost"). */
export function pricesSheet(packs: readonly Pack[], foods: ReadonlyMap<string, Food>): Sheet {
  return {
    headings: ['Food', 'Shop', 'Net', 'Unit', 'Price', 'Currency', 'Seen', 'Offer', 'Price a kg'],
    rows: packs.map((pack) => {
      const food = foods.get(pack.food);
      const grams = food && packGrams(pack, food);
      return [
        food?.name ?? pack.food,
        pack.shop,
        pack.net,
        pack.unit,
        Number(pack.price),
        pack.currency,
        pack.seen,
        pack.promotion ? 'offer' : '',
        cell(grams ? (Number(pack.price) / grams) * 1000 : undefined),
      ];
    }),
  };
}

/** A recipe's ingredients, as written and as grams bought, edible and eaten of the batch, with what each brings to it, unrounded. */
export function linesSheet(recipe: Recipe, kitchen: Kitchen): Sheet {
  const { parts } = recipeFigures(recipe, kitchen);
  return {
    headings: [
      'Part',
      'Served',
      'Ingredient',
      'Amount',
      'Unit',
      'Note',
      'Food',
      'Bought (g)',
      'Edible (g)',
      'Eaten (g)',
      ...LINE_FIGURES.map(headingOf),
      `Used (${kitchen.settings.currency})`,
      'Counted',
    ],
    rows: parts.flatMap(({ part, lines }) =>
      lines.map(({ line, of, weights, nutrients, usedCost, counted }) => [
        part.name,
        part.served ?? 'box',
        line.text ?? nameOfLine({ of }),
        line.amount === undefined
          ? line.toTaste === undefined
            ? ''
            : 'to taste'
          : typeof line.amount === 'number'
            ? line.amount
            : line.amount.join(' to '),
        line.unit ?? '',
        line.note ?? '',
        nameOfLine({ of }),
        cell(weights?.purchase),
        cell(weights?.edible),
        cell(weights?.eaten),
        ...LINE_FIGURES.map((figure) => cell(shownFigure(figure, nutrients, kitchen.convention).amount)),
        cell(usedCost.amount),
        counted ? 'yes' : 'no',
      ]),
    ),
  };
}

/** Figures of a line that a sheet has. */
const LINE_FIGURES: readonly LabelNutrient[] = ['energyKcal', 'protein', 'carbohydrate', 'sugars', 'fat', 'saturates', 'fibre', 'salt'];

/** What a serving of each recipe delivers and costs, unrounded, with the band of its energy and what its figures lack. */
export function recipesSheet(recipes: readonly Recipe[], kitchen: Kitchen): Sheet {
  return {
    headings: [
      'Recipe',
      'Series',
      'Number',
      'Servings',
      'Weight (g)',
      ...FIGURES.map((figure) => headingOf(figure).replace(', available', kitchen.convention === 'total' ? ', total' : ', available')),
      'Energy, low end (kcal)',
      'Energy, high end (kcal)',
      `Used cost (${kitchen.settings.currency})`,
      `At the till, batch (${kitchen.settings.currency})`,
      'At least, for want of',
    ],
    rows: recipes.map((recipe) => {
      const computed = computedFigures(recipe, kitchen);
      // Every cell there, so that the reason stands below its heading.
      if (!computed.ok)
        return [
          recipe.title,
          recipe.series ?? '',
          recipe.number ?? '',
          recipe.servings,
          ...Array<string>(FIGURES.length + 5).fill(''),
          `cannot be computed: ${computed.because}`,
        ];
      const figures = computed.made;
      const { weight, nutrients, usedCost } = figures.perServing;
      const shown = FIGURES.map((figure) => shownFigure(figure, nutrients, kitchen.convention));
      const band = boxBand('energyKcal', figures, kitchen.convention);
      const lacking = FIGURES.filter((_, i) => (shown[i]?.gaps.length ?? 0) > 0).map((figure) => headingOf(figure).replace(/ \(.*/, ''));
      return [
        recipe.title,
        recipe.series ?? '',
        recipe.number ?? '',
        recipe.servings,
        cell(weight),
        ...shown.map(({ amount }) => cell(amount)),
        cell(band?.[0]),
        cell(band?.[1]),
        cell(usedCost.amount),
        cell(figures.batch.till.cost?.toNumber()),
        [...lacking, ...(usedCost.gaps.length > 0 ? ['Used cost'] : [])].join('; '),
      ];
    }),
  };
}

/** A figure freed of the noise of binary arithmetic, which a spreadsheet would show. */
function cell(amount: number | undefined): number | '' {
  return amount === undefined ? '' : Number(amount.toPrecision(12));
}

/** Batches with what came out of each measured part, a row a part, unrounded; one that was not measured has a row as well. */
export function batchesSheet(batches: readonly Batch[], kitchen: Kitchen): Sheet {
  const known = partFactors(batches, kitchen);
  return {
    headings: [
      ...[
        'Date',
        'Dish',
        'Batch',
        'Cooked by',
        'Servings',
        'Variant',
        'Part',
        'Came out g',
        'Of what went in',
        'Mean before',
        'Low',
        'High',
      ],
      ...['Minutes at the stove', 'Minutes in all', 'Energy kcal', 'Used', 'Paid', 'Tasted of 5', 'Learned from', 'Note'],
    ],
    rows: batches.flatMap((batch) => {
      const found = computed(() => batchFigures(batch, batches, kitchen, known));
      const made = found.ok ? found.made : undefined;
      const recipe = made?.recipe ?? batch.then ?? kitchen.recipe(batch.recipe);
      const names = new Map((recipe?.parts ?? []).map(({ id, name }) => [id, name]));
      const head = [
        batch.date,
        recipe?.title ?? batch.recipe,
        batch.id,
        batch.by ?? '',
        cell(batch.servings ?? recipe?.servings),
        batch.variant ?? '',
      ];
      const { active, total } = batch.minutes ?? {};
      const serving = made?.figures.perServing;
      const tail = [
        ...[cell(active), cell(total), cell(serving?.nutrients.energyKcal.amount), cell(made?.figures.batch.usedCost.amount)],
        ...[cell(made?.paid?.toNumber()), cell(batch.rating), batch.leaveOut ? 'no' : 'yes', batch.note ?? ''],
      ];
      const yields = made?.yields ?? [];
      if (yields.length === 0) return [[...head, '', '', '', '', '', '', ...tail]];
      return yields.map(({ part, factor, mean, low, high }) => {
        const came = batch.parts?.find((one) => one.part === part);
        return [...head, names.get(part) ?? part, cell(came && netOf(came)), cell(factor), cell(mean), cell(low), cell(high), ...tail];
      });
    }),
  };
}
