import { numberFromText } from '../quantity/index.js';
import { labelBases, type LabelBasis } from './labelBases.js';
import { MENDED } from './labelText.js';
import { LABEL_NAMES, labelWordOf, type LabelWord } from './labelWords.js';

/** The name of a nutrient as it stands in a label's text. */
export interface NameToken {
  readonly kind: 'name';
  readonly word: LabelWord;
  /** As it is written. */
  readonly text: string;
  readonly misspelt: boolean;
  /** A unit that stands with the name: "Fat (g)", "kJ 640". */
  readonly unit: string;
  readonly at: number;
  readonly end: number;
}

/** A number with its unit. */
export interface Figure {
  readonly kind: 'figure';
  readonly amount: number;
  /** In lower case; empty where none is written. */
  readonly unit: string;
  /** What it is by limit: "<0.5 g", "trace". */
  readonly note: string;
  /** Put together or put right when it was read. */
  readonly mended: boolean;
  /** Digits behind its decimal point. */
  readonly decimals: number;
  readonly at: number;
  readonly end: number;
}

export type LabelToken = NameToken | Figure;

const UNIT = 'kcal|kj|calories(?! from)|cals|cal|mg|µg|μg|mcg|ug|g|gr|gram|grams|iu|i\\.u\\.|ie|ui';
const NUMBER = String.raw`\d{1,7}(?:[.,]\d{3}){0,2}(?:[.,]\d{1,9})?`;
/** A thousand set apart by a space is energy: "1 430 kJ". */
const THOUSANDS = String.raw`\d[ \u00a0]\d{3}(?=[ \n]?kj)`;
const FIGURE = new RegExp(
  String.raw`(<|≤|less than|under|weniger als|moins de|menos de|meno di|minder dan)?[ \n]?(${MENDED}?)(?<![\d.,]|\p{L}-?|(?<!\d)\d/)(${THOUSANDS}|${NUMBER})(?: ?(${UNIT})(?![\p{L}\d])|\n(${UNIT})(?= ?(?:[^ \d]|$)))?(?! ?%| ?\p{L}{0,3} ?%|[\d.,]*\d|-\p{L}|(?<=\d)/\d(?![\d.,])|(?![pcf](?!\p{L}))\p{L})|(?<![\p{L}])(traces?|spuren|trazas?|tracce|sporen|tr|nil|none)(?![\p{L}])(?! of\b| von\b| de\b| di\b| van\b)`,
  'giu',
);
/** A unit in the place of a name: "kcal 180", "(kJ)". */
const UNIT_NAMES = /(?<![\p{L}\d]|\d ?)(kcal|kj|kilojoules?)(?![\p{L}])/giu;
const NAMED_UNIT = /^[ \n]*[([/,]? ?(kcal|kj|mg|µg|μg|mcg|ug|g|gr)(?:[/ ][^)\]\n]{0,10})?(?:[)\]]|(?=[\s|:=,;]|$))/iu;
/** Shorthand of those who count: protein, carbohydrate and fat by their letters alone. */
const LETTERS = /(?<![\p{L}])([pcf])(?![\p{L}])/giu;
const SHORT: Readonly<Record<string, LabelWord>> = { p: 'protein', c: 'carbohydrate', f: 'fat' };

export interface LabelTokens {
  readonly tokens: readonly LabelToken[];
  readonly bases: readonly LabelBasis[];
  readonly serving: LabelBasis['per'];
  /** Names were read off single letters. */
  readonly short: boolean;
}

/**
 * A label's text as names and figures in order, and what they are for. Nothing that stands in a gap is taken for either.
 *
 * @param text made even by `labelText`
 * @param gaps stretches that hold no figures of the panel: the list of ingredients, weights of the pack
 * @param weights those of them that are weights of the pack, and head no column
 */
export function labelTokens(
  text: string,
  gaps: readonly (readonly [from: number, to: number])[],
  weights: readonly (readonly [from: number, to: number])[],
): LabelTokens {
  const { bases, serving, sizes } = labelBases(text, weights);
  const taken = [...gaps, ...sizes, ...bases.map(({ at, end }) => [at, end] as const)].sort((a, b) => a[0] - b[0]);
  const names = free(namesIn(text), taken);
  const short = !names.some(({ word }) => word === 'protein' || word === 'fat' || word === 'carbohydrate')
    ? free(lettersIn(text), taken)
    : [];
  const said = short.length >= 3 ? [...names, ...short] : names;
  const figures = free(
    figuresIn(text),
    [...taken, ...said.map(({ at, end }) => [at, end] as const)].sort((a, b) => a[0] - b[0]),
  );
  return {
    tokens: [...said, ...figures].sort((a, b) => a.at - b.at),
    bases,
    serving,
    short: short.length >= 3,
  };
}

function namesIn(text: string): NameToken[] {
  // "198 calories" is a figure with its unit.
  const written = [...text.matchAll(LABEL_NAMES)].filter(
    ({ 0: name, index }) => !(/^calories$/i.test(name) && /\d ?$/.test(text.slice(Math.max(0, index - 2), index))),
  );
  const names = written.map((found): NameToken => {
    const { word, misspelt } = labelWordOf(found[0]);
    const end = found.index + found[0].length;
    return { kind: 'name', word, text: found[0], misspelt, unit: unitBehind(text, end, found[0]), at: found.index, end };
  });
  // "250\nkcal Fat": the unit of the figure before, on a line of its own.
  const own = [...text.matchAll(UNIT_NAMES)].filter(
    ({ 0: unit, index }) =>
      !/\d\n$/.test(text.slice(Math.max(0, index - 2), index)) || /^[ :]?\d/.test(text.slice(index + unit.length, index + unit.length + 2)),
  );
  const units = own.map((found): NameToken => {
    const unit = /^kcal$/i.test(found[0]) ? 'kcal' : 'kj';
    return { kind: 'name', word: 'energy', text: found[0], misspelt: false, unit, at: found.index, end: found.index + found[0].length };
  });
  return [
    ...names,
    ...free(
      units,
      names.map(({ at, end }) => [at, end] as const),
    ),
  ].sort((a, b) => a.at - b.at);
}

function unitBehind(text: string, end: number, name: string): string {
  const behind = NAMED_UNIT.exec(text.slice(end, end + 24))?.[1]?.toLowerCase();
  if (behind) return behind === 'gr' ? 'g' : behind;
  return /^(?:calor[ií]|kilocal)/iu.test(name) ? 'kcal' : /^kilojoules?$/i.test(name) ? 'kj' : '';
}

function lettersIn(text: string): NameToken[] {
  const found = [...text.matchAll(LETTERS)].filter(({ 0: letter, index }) => {
    const [before, behind] = [text.slice(Math.max(0, index - 2), index), text.slice(index + letter.length, index + letter.length + 3)];
    return /\d ?$/.test(before) || /^[ :=]{0,2}\d/.test(behind);
  });
  const letters = new Set(found.map(([letter]) => letter.toLowerCase()));
  if (letters.size < 3) return [];
  return found.map(([letter, ,], i) => {
    const at = found[i]?.index ?? 0;
    const word = SHORT[letter.toLowerCase()] ?? 'other';
    return { kind: 'name', word, text: letter, misspelt: false, unit: '', at, end: at + letter.length };
  });
}

function figuresIn(text: string): Figure[] {
  return [...text.matchAll(FIGURE)].flatMap((found): Figure[] => {
    const place = { at: found.index, end: found.index + found[0].length };
    const word = found[6];
    if (word !== undefined)
      return [
        { kind: 'figure', amount: 0, unit: 'g', note: /^(?:nil|none)$/i.test(word) ? '' : word, mended: false, decimals: 0, ...place },
      ];
    const unit = unitOf(found[4] ?? found[5] ?? '');
    const amount = amountOf(found[3] ?? '', unit);
    if (amount === undefined) return [];
    const limited = found[1] !== undefined;
    const decimals = /[.,](\d+)$/.exec(found[3] ?? '')?.[1]?.length ?? 0;
    return [
      {
        kind: 'figure',
        amount: limited ? amount / 2 : amount,
        unit,
        note: limited ? found[0].replaceAll(MENDED, '').trim() : '',
        mended: found[2] === MENDED,
        decimals: Number.isInteger(amount) && amount > 999 ? 0 : decimals,
        ...place,
      },
    ];
  });
}

function unitOf(written: string): string {
  const unit = written.toLowerCase();
  if (/^gr(?:ams?)?$/.test(unit)) return 'g';
  if (/^cal/.test(unit)) return 'kcal';
  return /^(?:iu|i\.u\.|ie|ui)$/.test(unit) ? 'iu' : unit;
}

/** "2.389 kJ" and "1,240 mg" are thousands: nothing has less than ten kilojoules and three decimals of them. */
function amountOf(number: string, unit: string): number | undefined {
  const bare = number.replace(/[ \u00a0]/g, '');
  const thousands = /^[1-9]\d{0,2}[.,]\d{3}$/.test(bare) && (unit === 'kj' || unit === 'kcal' || unit === 'mg');
  return numberFromText(thousands ? bare.replace(/[.,]/, '') : bare);
}

/** Those that touch nothing of what is taken. */
function free<Token extends { readonly at: number; readonly end: number }>(
  tokens: readonly Token[],
  taken: readonly (readonly [number, number])[],
): Token[] {
  let next = 0;
  return tokens.filter(({ at, end }) => {
    while (next < taken.length && (taken[next]?.[1] ?? 0) <= at) next++;
    // Stretches may overlap: those that begin before this ends are looked through.
    for (let i = next; i < taken.length && (taken[i]?.[0] ?? end) < end; i++) if ((taken[i]?.[1] ?? 0) > at) return false;
    return true;
  });
}
