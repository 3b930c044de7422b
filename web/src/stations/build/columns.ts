import {
  currencySign,
  figureOf,
  shownFigure,
  type Figure,
  type Kitchen,
  type LineFigures,
  type NutrientFigures,
  type PartFigures,
  type LabelNutrient,
  type WorkedFigure,
} from '@portiona/core';

/** A column of figures beside the lines. */
export interface Column {
  readonly id: string;
  /** Over the column, and in the list to choose from. */
  readonly head: (kitchen: Kitchen) => string;
  readonly name: string;
  /** What a line, and a whole part, come to; a figure nobody knows has no amount. */
  readonly ofLine: (line: LineFigures, kitchen: Kitchen) => Figure;
  readonly ofPart: (part: PartFigures, kitchen: Kitchen) => Figure;
  readonly decimals: (amount: number) => number;
  readonly opens: WorkedFigure;
}

const WHOLE = () => 0;
const TENTHS = () => 1;
const CENTS = () => 2;
/** Grams of a pinch have a decimal. */
const WEIGHT = (amount: number) => (amount > 0 && amount < 10 ? 1 : 0);

const KNOWN: readonly string[] = [];

function weighed(line: LineFigures, grams: number | undefined): Figure {
  return { amount: grams, gaps: grams === undefined ? [line.at] : KNOWN };
}

function nutrient(id: LabelNutrient, head: string, name: string, decimals: Column['decimals']): Column {
  const figure = (nutrients: NutrientFigures, kitchen: Kitchen) => shownFigure(id, nutrients, kitchen.convention);
  return {
    id,
    head: () => head,
    name,
    ofLine: ({ nutrients }, kitchen) => figure(nutrients, kitchen),
    ofPart: ({ nutrients }, kitchen) => figure(nutrients, kitchen),
    decimals,
    opens: id,
  };
}

/** Every column there is, in the order they stand. */
export const COLUMNS: readonly Column[] = [
  {
    id: 'bought',
    head: () => 'bought g',
    name: 'Bought',
    // What another recipe made is bought there.
    ofLine: (line) => (line.of.kind === 'part' ? { amount: undefined, gaps: KNOWN } : weighed(line, line.weights?.purchase)),
    ofPart: ({ lines }) =>
      figureOf(
        lines
          .filter(({ counted, of }) => counted && of.kind !== 'part')
          .map(({ at, weights }) => ({ at, amount: weights?.purchase, lacking: !weights })),
      ),
    decimals: WEIGHT,
    opens: 'weight',
  },
  {
    id: 'counted',
    head: () => 'counted g',
    name: 'Counted',
    ofLine: (line) => weighed(line, line.weights?.edible),
    ofPart: ({ edible, lines }) => ({ amount: edible, gaps: lines.flatMap(({ at, counted, weights }) => (counted && !weights ? at : [])) }),
    decimals: WEIGHT,
    opens: 'weight',
  },
  nutrient('energyKcal', 'kcal', 'Energy', WHOLE),
  nutrient('protein', 'protein', 'Protein', TENTHS),
  nutrient('carbohydrate', 'carbs', 'Carbohydrate', TENTHS),
  nutrient('sugars', 'sugars', 'Sugars', TENTHS),
  nutrient('fat', 'fat', 'Fat', TENTHS),
  nutrient('saturates', 'saturates', 'Saturates', TENTHS),
  nutrient('fibre', 'fibre', 'Fibre', TENTHS),
  nutrient('salt', 'salt', 'Salt', CENTS),
  {
    id: 'usedCost',
    head: ({ settings }) => `used ${currencySign(settings.currency)}`,
    name: 'Used cost',
    ofLine: ({ usedCost }) => usedCost,
    ofPart: ({ usedCost }) => usedCost,
    decimals: CENTS,
    opens: 'usedCost',
  },
];

/** The column of bars, which holds no number. */
export const SHARE_COLUMN = 'share';

/** The column of the foods that lines are counted as. */
export const FOOD_COLUMN = 'countedAs';

const USUAL: readonly string[] = ['bought', 'counted', 'energyKcal', 'protein', 'usedCost', SHARE_COLUMN];
/** More would leave no room for the words. */
export const MOST_COLUMNS = 8;
const KEPT = 'portiona.columns';

/** The columns this browser was left with. */
export function keptColumns(): readonly string[] {
  try {
    const kept = JSON.parse(localStorage.getItem(KEPT) ?? 'null') as unknown;
    if (!Array.isArray(kept)) return USUAL;
    const known = new Set([...COLUMNS.map(({ id }) => id), SHARE_COLUMN, FOOD_COLUMN]);
    return kept.filter((id): id is string => typeof id === 'string' && known.has(id)).slice(0, MOST_COLUMNS);
  } catch {
    return USUAL;
  }
}

export function keepColumns(columns: readonly string[]): void {
  try {
    localStorage.setItem(KEPT, JSON.stringify(columns));
  } catch {
    // A browser that keeps nothing shows the usual columns next time.
  }
}
