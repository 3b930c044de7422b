import { gramsOfMassUnit, timesAmount } from '../quantity/index.js';
import type { Line, ReusablePart } from '../recipe/index.js';
import { parseLineText, type ParsedLine } from './parseLineText.js';

/** Units that count the other recipe's own servings: "2 servings dal", "3 boxes of the dal". */
const ITS_SERVINGS: ReadonlySet<string> = new Set(['serving', 'box']);

/**
 * A line that takes a part of another recipe, from the text typed. Such a line is by weight (kitchen file, Line); so many
 * servings of the other recipe are as many grams as they weigh cooked.
 *
 * @param part the part a person picked, or that the words mean
 * @returns undefined where the text says no weight and no servings: "2 cups", "3", nothing
 * @example partLineFromText('2 servings dal', dal) // of 278 g: { recipe: 'lentil-dal', part: 'dal', amount: 556, unit: 'g', text }
 */
export function partLineFromText(
  text: string,
  { recipe, part, portion }: Pick<ReusablePart, 'recipe' | 'part' | 'portion'>,
): Line | undefined {
  const parsed = parseLineText(text);
  const taken = amountTaken(parsed, portion);
  if (!taken) return undefined;
  return {
    recipe,
    part,
    ...taken,
    ...(parsed.optional ? { optional: true } : {}),
    ...(parsed.note === undefined ? {} : { note: parsed.note }),
    text,
  };
}

function amountTaken({ amount, unit }: ParsedLine, portion: number): Pick<Line, 'amount' | 'unit'> | undefined {
  if (amount === undefined || unit === undefined) return undefined;
  if (ITS_SERVINGS.has(unit)) return portion > 0 ? { amount: timesAmount(amount, portion), unit: 'g' } : undefined;
  return gramsOfMassUnit(unit) === undefined ? undefined : { amount, unit };
}
