import type { BatchBox, BatchFigures, BoxFigures } from '../batch/index.js';
import { dayText } from '../card/index.js';
import {
  cardText,
  namedAllergens,
  nutrientName,
  ruleSet,
  unitOf,
  type Allergen,
  type Food,
  type LabelNutrient,
  type RuleSet,
} from '../food/index.js';
import { plainText } from '../quantity/index.js';
import { shownFigure, type LineFigures, type PartFigures } from '../recipe/index.js';
import type { BoxKeeping, KeepingLimits } from './keeping.js';

/** A figure as a label prints it. */
export interface LabelFigure {
  readonly name: string;
  /** With its unit, and "at least" or "<" where it belongs. */
  readonly text: string;
}

/** What stands on the label of one box: every output prints this and nothing else. */
export interface BoxLabel {
  readonly title: string;
  /** "Night Watch, no. 7"; empty without. */
  readonly series: string;
  readonly name: string;
  readonly cooked: string;
  /** "Use by", "Frozen, eat by" or "Eat today". */
  readonly keepWords: string;
  readonly keepDay: string;
  /** Later than the guideline, and why; empty where it is not. */
  readonly beyond: string;
  readonly figures: readonly LabelFigure[];
  /** By name, for the word "contains"; empty: none is listed in its foods. */
  readonly contains: readonly string[];
  /** Foods of it say that these may be in; empty: none. */
  readonly mayContain: readonly string[];
  /** Ingredients of it that are no food of the pantry: nobody knows what somebody may not eat in them. */
  readonly notKnown: readonly string[];
  /** Lines of it whose food is not sure and was not agreed to: another food may hold something else. */
  readonly unsure: number;
  readonly reheat: string;
  /** Where the QR code leads. */
  readonly link: string;
  readonly keep: NonNullable<BatchBox['keep']>;
}

const FIGURES: readonly LabelNutrient[] = ['energyKcal', 'protein', 'carbohydrate', 'fat'];
const SHORT: Partial<Record<LabelNutrient, string>> = { carbohydrate: 'carb.' };

/** What a label needs besides the box. */
export interface LabelGround {
  readonly made: BatchFigures;
  /** ISO day it was cooked. */
  readonly cooked: string;
  readonly rules: RuleSet;
  readonly limits: KeepingLimits;
  /** Address that the code leads to. */
  readonly link: string;
}

/**
 * The label of a box: what it is, until when, what it holds, each figure rounded once by the kitchen's rule set
 * (docs/reckoning.md, "What the card prints by which rules"). Allergens are those of the foods that are in this box.
 */
export function boxLabel(
  { box, weight, nutrients }: BoxFigures,
  keeping: BoxKeeping,
  { made, cooked, rules, limits, link }: LabelGround,
): BoxLabel {
  const { recipe, parts } = made.figures;
  const keep = box.keep ?? 'fridge';
  const held = parts.filter(({ part }) => (box.grams[part.id] ?? 0) > 0);
  const foods = held.flatMap(foodsOfPart);
  const contains = foods.flatMap(({ allergens }): readonly Allergen[] => allergens ?? []);
  const named = namedAllergens(contains);
  const may = namedAllergens(foods.flatMap(({ mayContain }) => mayContain ?? [])).filter((one) => !named.includes(one));
  const eyed = (box.eye ?? []).length > 0;
  return {
    title: recipe.title,
    series: recipe.series === undefined ? '' : `${recipe.series}${recipe.number === undefined ? '' : `, no. ${recipe.number}`}`,
    name: box.name,
    cooked: dayText(cooked, true),
    keepWords: keep === 'tonight' ? 'Eat today' : keep === 'freezer' ? 'Freeze, eat by' : 'Use by',
    keepDay: dayText(keeping.useBy, true),
    beyond:
      keeping.beyond === undefined
        ? ''
        : `Longer than the ${limits.guideline} (${dayText(keeping.beyond, false)})${(box.because ?? '').trim() === '' ? '' : `: ${box.because ?? ''}`}`,
    figures: [
      { name: 'box', text: `${eyed ? 'about ' : ''}${plainText(weight, 0)} g` },
      ...FIGURES.flatMap((nutrient) => {
        const { amount, gaps } = shownFigure(nutrient, nutrients, ruleSet(rules).carbohydrate);
        if (amount === undefined) return [{ name: shortName(nutrient), text: 'not known' }];
        const text = cardText(rules, nutrient, amount, gaps.length > 0) ?? `${plainText(amount, 0)} ${unitOf(nutrient)}`;
        return [{ name: shortName(nutrient), text: `${eyed ? 'about ' : ''}${text}` }];
      }),
    ],
    contains: named,
    mayContain: may,
    ...doubtsOf(held),
    reheat: reheatText(keep, recipe.storage?.reheat),
    link,
    keep,
  };
}

/** What the allergens of a box cannot be told from, parts of other recipes too. */
function doubtsOf(parts: readonly PartFigures[]): Pick<BoxLabel, 'notKnown' | 'unsure'> {
  const lines = (of: readonly PartFigures[]): LineFigures[] =>
    of.flatMap((part) =>
      part.lines.flatMap((line) => (!line.counted ? [] : line.of.kind === 'part' ? [line, ...lines([line.of.part])] : [line])),
    );
  const all = lines(parts);
  return {
    notKnown: all.flatMap(({ of }) => (of.kind === 'unmatched' ? [of.text] : [])),
    unsure: all.filter(({ line }) => line.agreed === false).length,
  };
}

function shortName(nutrient: LabelNutrient): string {
  return SHORT[nutrient] ?? nutrientName(nutrient).toLowerCase();
}

function reheatText(keep: NonNullable<BatchBox['keep']>, said: string | undefined): string {
  const reheat = said ?? 'Reheat once, until steaming hot all through: 74 °C / 165 °F.';
  return keep === 'freezer' ? `Thaw overnight in the fridge, eat within a day. ${reheat}` : reheat;
}

/** Foods of a part, those of other recipes' parts in it too. */
export function foodsOfPart({ lines }: PartFigures): Food[] {
  return lines.flatMap((line: LineFigures) =>
    !line.counted ? [] : line.of.kind === 'food' ? [line.of.resolved.food] : line.of.kind === 'part' ? foodsOfPart(line.of.part) : [],
  );
}
