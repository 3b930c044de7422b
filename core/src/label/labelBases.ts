import type { PrintedBasis } from '../food/index.js';
import { numberFromText } from '../quantity/index.js';
import { LABEL_NAMES } from './labelWords.js';

/** What a column or a section of a label is for, as it is named in the text. */
export interface LabelBasis {
  /** Undefined where it is named without its weight: a percentage, a container. */
  readonly per: PrintedBasis | undefined;
  readonly kind: 'amount' | 'percent' | 'unknown';
  /** What is made of it, not what is in the pack. */
  readonly prepared: boolean;
  /** Why it may be another. */
  readonly doubt?: string;
  readonly at: number;
  readonly end: number;
}

const PER = String.raw`(?:(?:amount|average|avg|qty|quantity|values?)[ \n.]{1,2})*(?:per|pro|pour|par|por|je|für|in|every|each|a)`;
const NUMBER = String.raw`\uE000?(?:\d{1,4}(?:[.,]\d{1,3})?)`;
const UNIT = '(g|ml|gram|grams|gr)';
/** "per 100 g", "100 g enthalten", "/100g", "per 40 g serving", "Per 100g uncooked". */
const WEIGHED = new RegExp(
  String.raw`(?:\b${PER}[ \n]|/)(${NUMBER}) ?${UNIT}\b|(?<![\d.,\p{L}])(\uE000?100) ?${UNIT}\b|(?<![\d.,\p{L}])(${NUMBER}) ?${UNIT} each\b`,
  'giu',
);
/** "per 1/2 pot (150g)", "Each burger (grilled, 92 g)", "Per 1 tbsp (15 g)", "1/2 pack (200g):". */
const BRACKETED = new RegExp(
  String.raw`(?:\b(?:${PER}|serving size|serv\. size|serving|porción|portion)\b:?|(?<![\d.,])(?=[\d½¼¾]{1,3}(?:/\d)? (?:pack|pot|can|tray|bag|pizza|box)\b))[ \n]?(?:(?!\b(?:per|pro|pour|je|por) )[^\n(:;]){0,48}?\((?:[^()\d\n]{0,20}[ ,])?(?:approx\.? ?|ca\.? ?|about )?(${NUMBER}) ?${UNIT}\)`,
  'giu',
);
/** "per slice", "1 tortilla": no weight is said. */
const PIECES = new RegExp(String.raw`\b${PER}[ \n](?:1 |one |medium |large )*([\p{L}]{3,20})\b`, 'giu');
const PERCENT =
  /%? ?(?:\b(?:RI|GDA|NRV|AR|DV|VNR|ADR|RDA)\b|daily value|valeur quotidienne|reference intake)\*{0,2}(?: per (?:serving|portion))?|%(?= (?:per|pro|je)\b)/giu;
/** What stands before a bare "100 g" that heads figures: a word for them, a bracket, the edge of a cell or line. */
const HEADED =
  /(?:^|[|(\n:;=.–-] ?|(?:nutri\p{L}*|nährwert\p{L}*|values?|valeurs?|valori|valores|voedingswaarden?|typical|average|amount|qty|quantity) )$/iu;
/** "per 100" alone: of what is not said. */
const BARE_HUNDRED = /\b(?:per|pro|je|pour|por) 100\b(?! ?(?:g|ml|gr|gram|grams|kcal|calories)\b)/giu;
const STATED = new RegExp(
  String.raw`(?<!\b(?:per|par|por|pro) )(?:serving size|serv\. ?size|serving:|portion size|portionsgröße|tamaño (?:de la|por|de) porción|dose:):?(?:(?!kcal|kj|cal)[^\n,;]){0,40}?(?<![\d.,])(\uE000?[\d.,]{1,9}) ?(g|ml)\b(?! ?(?:of )?(?:protein|fat|carb|sugar|salt|fib|sat))`,
  'iu',
);
const PREPARED = /^[^\n|\d%]{0,12}\b(?:as prepared|prepared|made up|zubereitet|préparé|preparado|preparato|bereid|reconstituted)\b/iu;
const SERVINGS = /^(?:serving|servings|portion|portie|porzione|porción|portions?)$/iu;
const CONTAINERS = /^(?:container|package|pack|pot|can|jar|bottle|tray|box|vasetto)$/iu;
const NO_PIECE =
  /^(?:day|every|each|which|total|serving|average|adult|pack|100|form|cent|water|brine|sugars?|fat|protein|salt|the|with|and|all|cold|cool|case|your|our|its|this|order|bold|capitals|oil|sauce|store|fridge|high|low|natural|source|fibre|fiber|energy|calories|kcal|contains?|of|person|adult|meal|spuren|packung|portion)$/iu;

/** What a label says its figures are for, in order, each where it is named; the serving's size where it is stated, and where. */
export function labelBases(
  text: string,
  weights: readonly (readonly [from: number, to: number])[],
): {
  readonly bases: readonly LabelBasis[];
  readonly serving: PrintedBasis | undefined;
  readonly sizes: readonly (readonly [number, number])[];
} {
  const found: LabelBasis[] = [];
  const stated = STATED.exec(text);
  const bracketed = [...text.matchAll(BRACKETED)].filter(
    (one) => !/\d ?(?:g|ml|kcal|kj)\b/i.test(one[0].slice(0, one[0].lastIndexOf('('))),
  );
  const sizeOf = (number: string | undefined, unit: string | undefined): PrintedBasis | undefined => {
    const amount = numberFromText((number ?? '').replace('\uE000', ''));
    return amount ? { amount, unit: /^ml/i.test(unit ?? '') ? 'ml' : 'g' } : undefined;
  };
  const taken = new Uint8Array(text.length);
  const add = (at: number, length: number, basis: Omit<LabelBasis, 'at' | 'end' | 'prepared'>) => {
    if (taken.subarray(at, at + length).includes(1)) return;
    taken.fill(1, at, at + length);
    const behind = /^[^\n|]{0,40}/.exec(text.slice(at + length))?.[0] ?? '';
    found.push({ ...basis, prepared: PREPARED.test(behind), at, end: at + length });
  };
  for (const one of bracketed) {
    const per = sizeOf(one[1], one[2]);
    if (per && !/^serv|^por/i.test(one[0])) add(one.index, one[0].length, { per, kind: 'amount' });
  }
  const serving = statedSize(bracketed, stated, sizeOf);
  for (const one of text.matchAll(PERCENT)) add(one.index, one[0].length, { per: undefined, kind: 'percent' });
  const named = new Set([...text.matchAll(LABEL_NAMES)].map((found) => found.index + found[0].length));
  for (const one of text.matchAll(WEIGHED)) {
    if (one[3] !== undefined && weights.some(([from, to]) => from <= one.index && one.index < to)) continue;
    // "Carbohydrate 100 g" is a figure.
    if (
      one[3] !== undefined &&
      [0, 1, 2].some((gap) => named.has(one.index - gap) && !text.slice(one.index - gap, one.index).includes('\n'))
    )
      continue;
    const per = sizeOf(one[1] ?? one[3] ?? one[5], one[2] ?? one[4] ?? one[6]);
    const alone = one[3] !== undefined && !HEADED.test(text.slice(Math.max(0, one.index - 30), one.index));
    if (per)
      add(one.index, one[0].length, {
        per,
        kind: 'amount',
        ...(alone ? { doubt: `“${one[0].trim()}” may be what the pack weighs, and not what the figures are for.` } : {}),
      });
  }
  for (const one of text.matchAll(BARE_HUNDRED))
    add(one.index, one[0].length, {
      per: { amount: 100, unit: 'g' },
      kind: 'amount',
      doubt: `“${one[0].trim()}” does not say of what; taken as 100 g.`,
    });
  for (const one of text.matchAll(PIECES)) {
    const word = one[1] ?? '';
    // "Servings per container: 8" heads no column.
    if (/servings? $/i.test(text.slice(Math.max(0, one.index - 10), one.index))) continue;
    if (SERVINGS.test(word)) add(one.index, one[0].length, { per: serving, kind: serving ? 'amount' : 'unknown' });
    else if (CONTAINERS.test(word)) add(one.index, one[0].length, { per: undefined, kind: 'unknown' });
    else if (!NO_PIECE.test(word) && !/^(?:in|a)$/i.test(one[0].split(/\s/)[0] ?? '')) add(one.index, one[0].length, pieceOf(word));
  }
  if (serving && !found.some(({ kind }) => kind === 'amount')) {
    const at = stated?.index ?? bracketed[0]?.index ?? 0;
    found.push({ per: serving, kind: 'amount', prepared: false, at, end: at });
  }
  const sizes = [...bracketed, ...(stated ? [stated] : [])].map(({ 0: words, index }) => [index, index + words.length] as const);
  return { bases: found.sort((a, b) => a.at - b.at), serving, sizes };
}

function pieceOf(word: string): Pick<LabelBasis, 'per' | 'kind' | 'doubt'> {
  if (/^(?:slice|scheibe|tranche|fetta|rebanada|sneetje)$/iu.test(word)) return { per: { amount: 1, unit: 'slice' }, kind: 'amount' };
  const known = /^(?:piece|stück|pièce|pezzo|pieza|stuk)$/iu.test(word);
  return {
    per: { amount: 1, unit: 'piece' },
    kind: 'amount',
    ...(known ? {} : { doubt: `The figures are for one ${word}, whose weight is not said; taken as one piece.` }),
  };
}

function statedSize(
  bracketed: readonly RegExpExecArray[],
  stated: RegExpExecArray | null,
  sizeOf: (number: string | undefined, unit: string | undefined) => PrintedBasis | undefined,
): PrintedBasis | undefined {
  const named = bracketed.find((one) => /^(?:serv|por)/i.test(one[0]));
  if (named) return sizeOf(named[1], named[2]);
  if (stated) return sizeOf(stated[1], stated[2]);
  const each = bracketed.find((one) => !/\b(?:je|pro|per|pour) (?:100)/i.test(one[0]));
  return each && sizeOf(each[1], each[2]);
}
