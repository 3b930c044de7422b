import type { PrintedBasis } from '../food/index.js';
import { numberFromText } from '../quantity/index.js';

/** What a label says of the pack's weight, and where. */
export interface LabelWeights {
  readonly net: PrintedBasis | undefined;
  readonly drained: PrintedBasis | undefined;
  /** Stretches that say it: no figures of the panel. */
  readonly at: readonly (readonly [from: number, to: number])[];
}

const AMOUNT = String.raw`\uE000?(\d{1,5}(?:[.,]\d{1,3})?) ?(kg|g|gr|ml|cl|l|litres?)\b`;
const DRAINED = new RegExp(
  String.raw`\b(?:drained(?: net)?(?: weight| wt\.?)?|abtropfgewicht|poids(?: net)? égoutté|peso escurrido|peso sgocciolato|peso neto escurrido|uitlekgewicht)\b[ :=-]{0,4}(?:ca\.? )?${AMOUNT}`,
  'giu',
);
const NET = new RegExp(
  String.raw`\b(?:net(?: weight| wt\.?| contents?| quantity)?|nettogewicht|nettofüllmenge|füllmenge|netto|poids net|peso neto|peso netto|contenido neto|nettoinhoud|inhalt)\b[ :=-]{0,4}(?:ca\.? )?(?:[\d.]{1,6} ?(?:oz|lbs?|fl\.? ?oz)\.? ?\(?)?${AMOUNT}`,
  'giu',
);
/** "500 g e" at an end, "200 g ℮": within a sentence "e" is a word of southern languages. */
const MARKED = new RegExp(String.raw`(?<![\d.,])${AMOUNT} ?(?:℮|e(?= ?(?:$|[\n.,;)])))`, 'gu');
/** The name of a product that ends in its weight: "Minced beef, 12% fat, 500 g." */
const BEHIND_NAME = new RegExp(String.raw`^[^\n:]{3,90}?, ?${AMOUNT}(?=[.\n]|$)`, 'iu');

/** Net and drained weight as a label says them. */
export function labelWeights(text: string): LabelWeights {
  const at: (readonly [number, number])[] = [];
  const first = (pattern: RegExp): PrintedBasis | undefined => {
    let weight: PrintedBasis | undefined;
    for (const found of text.matchAll(pattern)) {
      at.push([found.index, found.index + found[0].length]);
      weight ??= weightOf(found[1] ?? '', found[2] ?? '');
    }
    return weight;
  };
  const drained = first(DRAINED);
  const net = first(NET) ?? first(MARKED) ?? first(new RegExp(BEHIND_NAME.source, 'giu'));
  return { net, drained, at: at.sort((a, b) => a[0] - b[0]) };
}

function weightOf(number: string, unit: string): PrintedBasis | undefined {
  const amount = numberFromText(number);
  if (!amount) return undefined;
  const plain = unit.toLowerCase();
  if (plain === 'kg') return { amount: Number((amount * 1000).toPrecision(12)), unit: 'g' };
  if (plain === 'cl') return { amount: Number((amount * 10).toPrecision(12)), unit: 'ml' };
  if (plain.startsWith('l')) return { amount: Number((amount * 1000).toPrecision(12)), unit: 'ml' };
  return { amount, unit: plain === 'ml' ? 'ml' : 'g' };
}
