import { midpointOf, timesAmount } from '../quantity/index.js';
import { isMassOrVolume, isSameMass, leadingMeasure, NOTHING_MORE, type Measured } from './leadingMeasure.js';
import type { ParsedLine } from './parseLineText.js';
import { CONTAINERS } from './unitAliases.js';

/** The amount with what stands in brackets behind it: grams count, and the other is kept beside them. */
export function amountsOf(measured: Measured, bracketed: Bracketed | undefined): Pick<ParsedLine, 'amount' | 'unit' | 'also' | 'size'> {
  const { amount, unit, size, also } = measured;
  const own = { amount, ...(unit === undefined ? {} : { unit }), ...(size ? { size } : {}) };
  if (also || !bracketed?.unit) return also ? { ...own, also } : own;
  if (isMassOrVolume(unit) || !isMassOrVolume(bracketed.unit))
    return { ...own, also: { amount: midpointOf(bracketed.amount), unit: bracketed.unit } };
  const each = bracketed.inAll ? 1 : bracketed.each || (unit !== undefined && CONTAINERS.has(unit)) ? midpointOf(amount) : 1;
  return { amount: timesAmount(bracketed.amount, each), unit: bracketed.unit, also: { amount: midpointOf(amount), unit: unit ?? 'piece' } };
}

/** An amount in brackets, or first behind the comma: of all, or of each. */
export interface Bracketed extends Measured {
  readonly each: boolean;
  /** Said to be of all: "2 cans (about 480 g drained)", "2 tins (2 x 400 g)". */
  readonly inAll: boolean;
  /** What else is said of it: "drained". */
  readonly aside?: string;
}

/** The amount in brackets or between commas, where it is nothing else. */
export function bracketedAmount(text: string): Bracketed | undefined {
  const aside = /\b(?:drained|cooked|raw|peeled|trimmed|net)(?: weight)?$/i.exec(text)?.[0];
  const amount = (aside === undefined ? text : text.slice(0, -aside.length)).replace(/\b(?:each|apiece|in total|total)\b/i, '').trim();
  const measured = leadingMeasure(`${amount} ${NOTHING_MORE}`);
  if (measured?.unit === undefined || measured.rest !== NOTHING_MORE) return undefined;
  const each = /\b(?:each|apiece)\b/i.test(text);
  const inAll = !each && (/\btotal\b|^\d+ ?[x×]/i.test(text) || (aside !== undefined && /^(?:about|approx|around|roughly)/i.test(text)));
  return { ...measured, each, inAll, ...(aside === undefined ? {} : { aside }) };
}

/** "10 oz / 300 g", "15 oz, about 2 cups": each the same amount; grams are what is counted; the others are kept as they stand, but for masses that only say it again. */
export function equivalents(inside: string): { readonly counted: Bracketed; readonly others: readonly string[] } | undefined {
  const said = inside.split(/ ?[,;/] ?| or /i).map((one) => one.trim());
  if (said.length < 2 || said.length > 3) return undefined;
  const read = said.map((one) => bracketedAmount(one));
  const at = Math.max(
    0,
    read.findIndex((one) => one?.unit === 'g' || one?.unit === 'kg'),
  );
  const counted = read[at];
  return counted && read.every((one) => one !== undefined)
    ? {
        counted,
        others: said.filter(
          (_, i) =>
            i !== at && !(read[i]?.unit !== undefined && isSameMass(counted, { amount: midpointOf(read[i].amount), unit: read[i].unit })),
        ),
      }
    : undefined;
}

/**
 * An amount with its unit, where a text is nothing else; a range is its middle.
 *
 * @example amountSaid('about 2 cups') // { amount: 2, unit: 'cup' }
 */
export function amountSaid(text: string): { readonly amount: number; readonly unit: string } | undefined {
  const measured = bracketedAmount(text);
  return measured?.unit === undefined ? undefined : { amount: midpointOf(measured.amount), unit: measured.unit };
}
