import {
  allergenWord,
  allergensInWords,
  allergensWithGroups,
  edibleShare,
  lackedBy,
  preciseAllergens,
  type Allergen,
  type Food,
} from '../food/index.js';
import {
  asTrimmed,
  hasNoComposition,
  lineWeights,
  nameOfLine,
  writtenUnit,
  type Kitchen,
  type Line,
  type LineFigures,
  type Recipe,
} from '../recipe/index.js';
import { midpointOf } from '../quantity/index.js';
import { amountSaid, parseLineText } from '../text/index.js';
import type { FigureFinding } from './finding.js';

/** No weight can be had for a line: it has no figure. */
export function noWeight(figures: LineFigures): FigureFinding[] {
  const { at, line, weights, of } = figures;
  if (weights || of.kind === 'unmatched') return [];
  const name = nameOfLine(figures);
  const unit = line.unit ?? 'amount';
  return [
    {
      code: 'no-weight',
      at,
      severity: 'wrong',
      message: `Nobody knows what one ${unit} of ${name} weighs. Give the food that measure${unit === 'pack' ? ' or pin one of its packs' : ' or a density'}, or write grams.`,
    },
  ];
}

/** A line of which something is eaten, of a food without any figures. */
export function noComposition({ at, of, weights }: LineFigures): FigureFinding[] {
  if (of.kind === 'unmatched')
    return [
      {
        code: 'no-composition',
        at,
        severity: 'wrong',
        message: `"${of.text}" is matched to no food yet. Choose one from the pantry, or add it.`,
      },
    ];
  if (of.kind !== 'food' || weights?.eaten === 0 || !hasNoComposition(of.resolved)) return [];
  return [
    {
      code: 'no-composition',
      at,
      severity: 'wrong',
      message: `${of.resolved.food.name} has no nutrients. Enter its label, or choose another food.`,
    },
  ];
}

/** Words that were taken to mean a food, may mean another, and that nobody agreed to yet. */
export function foodUnsure({ at, line, of }: LineFigures): FigureFinding[] {
  if (line.agreed !== false || of.kind !== 'food') return [];
  return [
    {
      code: 'food-unsure',
      at,
      severity: 'look',
      message: `“${line.text ?? ''}” is counted as ${of.resolved.food.name}, and may mean another food. Agree to it, or choose.`,
      mend: { kind: 'line', words: `It is ${of.resolved.food.name}`, at, line: { agreed: true } },
    },
  ];
}

/** A line's words name an allergen that its food does not list, or say that one is not in it that its food lists. */
export function allergenWords({ at, line, of }: LineFigures): FigureFinding[] {
  if (of.kind !== 'food' || line.text === undefined) return [];
  const { food } = of.resolved;
  const { named, denied } = allergensInWords(line.text);
  const own = food.allergens ?? [];
  const lacking = lackedBy(named, own);
  const there = preciseAllergens(
    own.filter((allergen) => denied.includes(allergen) || denied.some((one) => allergensWithGroups([allergen]).has(one))),
  );
  const words = (allergens: readonly Allergen[]) => allergens.map(allergenWord).join(', ');
  return [
    ...(lacking.length === 0
      ? []
      : [
          {
            code: 'allergen-words' as const,
            at,
            severity: 'look' as const,
            message: `“${line.text}” names ${words(lacking)}, which ${food.name} does not list among its allergens. Choose another food, or add ${lacking.length === 1 ? 'it' : 'them'} to this one.`,
          },
        ]),
    ...(there.length === 0
      ? []
      : [
          {
            code: 'allergen-words' as const,
            at,
            severity: 'look' as const,
            message: `By its words “${line.text}” has no ${words(there)}, but ${food.name} lists ${there.length === 1 ? 'it' : 'them'}. Choose the food that is meant.`,
          },
        ]),
  ];
}

/** An assumed amount that nobody has confirmed. */
export function toTaste(figures: LineFigures): FigureFinding[] {
  const { at, line } = figures;
  if (line.toTaste === undefined || (line.method !== undefined && line.method !== 'assumed')) return [];
  const name = nameOfLine(figures);
  return [
    {
      code: 'to-taste',
      at,
      severity: 'look',
      message: `${line.toTaste} g of ${name} is assumed. Weigh what you use, or confirm the amount.`,
      mend: { kind: 'line', words: `${line.toTaste} g is right`, at, line: { method: 'eye' } },
    },
  ];
}

/** Two ways of writing one amount that differ by more than this share of the larger. */
const ALLOWED_SHARE = 0.15;

/** The same amount written twice, more than 15 % apart. Compared as edible grams, so that a count and a trimmed weight can meet. */
export function amountsDisagree({ at, line, weights, of }: LineFigures, recipe: Recipe, kitchen: Kitchen): FigureFinding[] {
  if (!weights || of.kind !== 'food') return [];
  const food = asTrimmed(line, of.resolved.food);
  const own = line.as === 'AP' || weights.unit?.as === 'AP' ? weights.grams * edibleShare(food) : weights.grams;
  const batch = recipe.amountsPer === 'serving' ? recipe.servings : 1;
  for (const said of saidAgain(line)) {
    const also = alsoEdible(line, said, food, recipe, kitchen);
    if (also === undefined) continue;
    const [less, more] = [Math.min(own, also * batch), Math.max(own, also * batch)];
    if (more - less <= ALLOWED_SHARE * more * (1 + 1e-9)) continue;
    return [
      {
        code: 'amounts-disagree',
        at,
        severity: 'wrong',
        message: `${said.amount} ${said.unit} of ${food.name} is ${Math.round(also * batch)} g, but ${Math.round(own)} g is written. Correct one of the two.`,
      },
    ];
  }
  return [];
}

type Said = NonNullable<Line['also']>;

/** Three amounts stand apart by strokes, or in a bracket: most lines have neither, and are not read. */
const MAY_SAY_THREE = /[(/]/;

/** Further ways of saying the amount: the one that is kept beside it, and a third that only the words hold, while they say what is counted. */
function saidAgain(line: Line): readonly Said[] {
  const kept = line.also ? [line.also] : [];
  if (line.text === undefined || line.amount === undefined || !MAY_SAY_THREE.test(line.text)) return kept;
  const { amount, again = [] } = parseLineText(line.text);
  if (again.length === 0 || amount === undefined || midpointOf(amount) !== midpointOf(line.amount)) return kept;
  return [...kept, ...again.flatMap((text) => amountSaid(text) ?? [])];
}

function alsoEdible(line: Line, also: Said, food: Food, recipe: Recipe, kitchen: Kitchen): number | undefined {
  const system = recipe.measures ?? kitchen.settings.measures;
  const packs = kitchen.packsOf(food.id);
  const asWritten: Line = { food: food.id, ...also, as: line.as ?? writtenUnit(also.unit, food, system, packs).as };
  return lineWeights(asWritten, food, system, packs)?.edible;
}
