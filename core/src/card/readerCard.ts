import { CARD_UNITS, stepOf, type CardUnits, type Kitchen, type Recipe } from '../recipe/index.js';
import { CircularRatioError, scaledRecipe } from '../scale/index.js';
import { asRead } from './asRead.js';
import { cardContent, printedRecipe, type CardContent } from './cardContent.js';
import { spokenText } from './cardFigure.js';
import { numbersKept, unbroken } from './cardSentences.js';

/** A dish at a number of servings, in one way of measuring: what of its card reads otherwise. */
export interface ReaderSize {
  readonly servings: number;
  readonly servingsText: string;
  /** Amount and second measure of each line, by its place. */
  readonly amounts: { readonly [at: string]: readonly [amount: string, second: string] };
  /** Grams to buy of each line that has a weight. */
  readonly grams: { readonly [at: string]: number };
  /** Every ingredient that a step mentions with its amount, in their order. */
  readonly mentions: readonly string[];
  /** What must be said at this size before the method: that the batch is to be split. */
  readonly notes: readonly string[];
  /** Energy, protein and cost of a serving, as they are printed. */
  readonly energy: string;
  readonly protein: string;
  readonly used: string;
  readonly weight: string;
}

/** A card for a reader's own kitchen: at every size that people cook, in every way of measuring. */
export interface ReaderCard {
  /** As read, at the dish's own size, as it is printed. */
  readonly card: CardContent;
  readonly own: CardUnits;
  readonly sizes: { readonly [units in CardUnits]: readonly ReaderSize[] };
  /** The method; what must be said before it stands with each size. */
  readonly steps: CardContent['steps'];
  /** Steps of these, from 0, that say an amount in plain words: at another size it is of the dish's own. */
  readonly plainAmounts: readonly number[];
}

/** Servings that a reader may ask for, at most: beyond, the dish is one for a canteen, and is to be tried at that size. */
const MOST_SERVINGS = 24;
/** Lines of a dish from which on it is given at its own size alone: dozens of sizes of it would be a book. */
const MOST_LINES = 300;
const PLAIN_AMOUNT = /(?<![\p{L}\d])\d[\d.,]*\s?(?:k?g|m?l|tbsp|tsp|cups?|oz|lb)(?![\p{L}\d])/u;

/**
 * A card for readers who cook more or fewer boxes, or measure otherwise: each line by its own rule (docs/reckoning.md, "Scaling"), the
 * figures of a box computed anew at each size, not taken for the same.
 *
 * @param card at the dish's own size: as it stands, or as it was published
 */
export function readerCard(recipe: Recipe, kitchen: Kitchen, card: CardContent): ReaderCard {
  const own = card.chosen?.units ?? 'written';
  // At its own size it is the very card, word for word.
  const cardAt = (units: CardUnits, servings: number) => (units === own && servings === card.servings ? card : undefined);
  const sizes = (units: CardUnits) =>
    servingsAsked(recipe).flatMap((servings) => sizeOf(recipe, kitchen, units, servings, cardAt(units, servings)) ?? []);
  const read = asRead(card);
  const steps = read.steps.slice(read.steps.length - stepsWritten(recipe));
  return {
    card: read,
    own,
    sizes: Object.fromEntries(CARD_UNITS.map((units) => [units, sizes(units)])) as unknown as ReaderCard['sizes'],
    steps,
    plainAmounts: steps.flatMap(({ runs, or = [] }, i) =>
      [...runs, ...or.flatMap((way) => way.runs)].some(({ text, strong }) => !strong && PLAIN_AMOUNT.test(text)) ? [i] : [],
    ),
  };
}

/** A card of which nothing but itself is known: readers have it at its own size, in its own measures. */
export function readerOfOneSize(card: CardContent): ReaderCard {
  const read = asRead(card);
  const own = card.chosen?.units ?? 'written';
  const none = { written: [], metric: [], us: [] };
  return { card: read, own, sizes: { ...none, [own]: [sizeFrom(read, card.servings, 0, {})] }, steps: read.steps, plainAmounts: [] };
}

function stepsWritten({ steps = [] }: Recipe): number {
  return steps.map(stepOf).filter(({ text }) => text.trim() !== '').length;
}

/** From one serving up to as many as people cook at home, and the dish's own number whatever that is. */
function servingsAsked({ servings, parts }: Recipe): readonly number[] {
  if (parts.reduce((sum, { lines }) => sum + lines.length, 0) > MOST_LINES) return [servings];
  const most = Math.max(MOST_SERVINGS, Math.ceil(servings));
  const whole = most > 4 * MOST_SERVINGS ? [] : Array.from({ length: most }, (_, i) => i + 1);
  return [...new Set([...whole, servings])].sort((a, b) => a - b);
}

/** Undefined where its rules lead round in a circle at another size: then it is cooked as it is written. */
function sizeOf(
  recipe: Recipe,
  kitchen: Kitchen,
  units: CardUnits,
  servings: number,
  same: CardContent | undefined,
): ReaderSize | undefined {
  const scaled = scaledOrNone(recipe, servings, kitchen);
  if (!scaled) return undefined;
  const asked: Recipe = { ...scaled, card: { ...recipe.card, units } };
  const { figures } = printedRecipe(asked, kitchen);
  const card = asRead(same ?? cardContent(asked, kitchen));
  const grams = figures.lines.flatMap(({ at, weights }): [string, number][] =>
    weights ? [[at, Math.ceil(weights.purchase * 10) / 10]] : [],
  );
  return sizeFrom(card, servings, card.steps.length - stepsWritten(recipe), Object.fromEntries(grams));
}

/**
 * What a card says at a size.
 *
 * @param split how many of its steps say that the batch is to be split
 */
function sizeFrom(card: CardContent, servings: number, split: number, grams: ReaderSize['grams']): ReaderSize {
  const lines = card.sections.flatMap((section) => section.lines);
  return {
    servings,
    servingsText: card.servingsText,
    amounts: Object.fromEntries(lines.map(({ at, amount, second }) => [at, [amount, unbroken(second)] as const])),
    grams,
    mentions: card.steps
      .slice(split)
      .flatMap(({ runs, or = [] }) =>
        [...runs, ...or.flatMap((way) => way.runs)].flatMap(({ text, strong }) => (strong ? numbersKept(text) : [])),
      ),
    notes: card.steps.slice(0, split).map(({ runs }) => runs.map(({ text }) => text).join('')),
    energy: card.energy ? spokenText(card.energy) : '',
    protein: spokenOf(card, 'protein'),
    used: card.used ? spokenText(card.used) : '',
    weight: spokenText(card.weight),
  };
}

function spokenOf({ macros }: CardContent, figure: string): string {
  const found = macros.find((one) => one.figure === figure);
  return found ? spokenText(found) : '';
}

function scaledOrNone(recipe: Recipe, servings: number, kitchen: Kitchen): Recipe | undefined {
  try {
    return scaledRecipe(recipe, servings, kitchen).recipe;
  } catch (error) {
    if (!(error instanceof CircularRatioError)) throw error;
    return servings === recipe.servings ? recipe : undefined;
  }
}
