import { KJ_PER_KCAL, nutrientName, unitOf, type CarbohydrateConvention, type Nutrient, type PrintedBasis } from '../food/index.js';
import { numberFromText } from '../quantity/index.js';
import { LABEL_NAMES, labelWordOf, type LabelWord } from './labelWords.js';

/** A label as read off its text, for a person to look over. */
export interface ReadLabel {
  /** What the figures are for; undefined when the text does not say. */
  readonly per: PrintedBasis | undefined;
  readonly nutrients: { readonly [nutrient in Nutrient | 'salt']?: number };
  readonly carbohydrateIs: CarbohydrateConvention;
  /** What was taken for what and may need a look: "<0.5 g", a figure without a unit. */
  readonly notes: readonly string[];
}

interface Column {
  readonly per: PrintedBasis;
  /** Where in the text it is named. */
  readonly at: number;
}

interface Figure {
  readonly amount: number;
  readonly unit: string;
  readonly note: string;
}

/** A number by itself: not the end of a longer one. */
const NUMBER = String.raw`(?<![\d.,])\d{1,7}(?:[.,\u00a0 ]\d{3}){0,3}(?:[.,]\d{1,9})?(?!\d)`;
/** The space within a figure: a label's lines are broken anywhere. */
const GAP = '[ \\n]?';
const UNIT = 'kcal|kj|mg|µg|μg|mcg|ug|g|iu|i\\.u\\.';
/** A figure: what limits it, the number, its unit; not a percentage. */
const FIGURE = new RegExp(
  String.raw`(<|≤|less than|under|weniger als|moins de)?${GAP}(${NUMBER})${GAP}(${UNIT})?(?![\p{L}\d.,]{0,20}${GAP}%)(?!\p{L})|\b(traces?|tr|nil)\b`,
  'giu',
);
const PER_100 = /(?:per|pro|pour|je|für|in|\/)?[ \n]?\b100[ \n]?(g|ml)\b/giu;
const SERVING =
  /(?:per|pro|pour|je|each|amount per)[ \n](?:[\d½]{1,4}[ \n]?)?(serving|portion|slice|bar|piece|biscuit|pack|pot|can|bottle|scheibe|stück)\b[^\n(]{0,40}(?:\((?:approx\.?[ \n]?|ca\.?[ \n]?)?([\d.,]{1,9})[ \n]?(g|ml)\))?/giu;
const SERVING_SIZE = /serving size[^\n]{0,60}?(?<![\d.,])([\d.,]{1,9}) ?(g|ml)\b/iu;

/**
 * Reads the text of a nutrition label: British, American, German or French words in any order, decimal comma or point, one
 * column or several ("of which", "<0.5 g", percentages beside). Of several columns the one per 100 g is taken, else per 100 ml,
 * else the serving. "Less than" is taken as half of it, a trace as none; both are noted.
 *
 * @returns figures for `per`, in the units of the kitchen file; nothing that the text does not say
 * @example readLabelText('per 100 g: Energy 1430 kJ / 341 kcal, fat 1,5 g of which saturates <0,5 g').nutrients.saturates // 0.25
 */
export function readLabelText(text: string): ReadLabel {
  // From here on a space is one space, and a line's end one line's end: every expression rests on it.
  const plain = text
    .replace(/[^\S\n]+/g, ' ')
    .replace(/ ?\n[ \n]*/g, '\n')
    .replace(/[‒–—]/g, '-');
  const american = /\b(?:nutrition facts|total carb|daily value|calories)\b/i.test(plain);
  const names = [...plain.matchAll(LABEL_NAMES)];
  const columns = columnsOf(plain);
  const chosen = chosenColumn(columns);
  const nutrients: { [nutrient in Nutrient | 'salt']?: number } = {};
  const notes: string[] = [];
  const added = /includes?[ \n](<? ?[\d.,]{1,9})[ \n]?g[ \n](?:of )?added sugars?/i.exec(plain);
  const column = chosen === undefined ? 0 : columns.indexOf(chosen);
  names.forEach((name, i) => {
    const word = labelWordOf(name[0]);
    if (word === 'other') return;
    const from = name.index + name[0].length;
    const segment = plain.slice(from, names[i + 1]?.index ?? plain.length);
    if (word === 'addedSugars' && added && added.index < name.index && added.index + added[0].length >= from) {
      take(nutrients, notes, 'addedSugars', [figureFrom(added[1] ?? '', 'g')], 0);
      return;
    }
    if (word === 'energy') takeEnergy(nutrients, notes, figuresIn(segment), column, /calories/i.test(name[0]), segment);
    else
      take(
        nutrients,
        notes,
        word,
        figuresIn(withoutNext(segment, added && i + 1 < names.length ? added[0] : '')),
        column,
        unitNamed(segment),
      );
  });
  return { per: chosen?.per, nutrients, carbohydrateIs: american && !/per 100/i.test(plain) ? 'total' : 'available', notes };
}

/** "Total Sugars 12g Includes 10g" before "Added Sugars": the 10 g are no second column. */
function withoutNext(segment: string, added: string): string {
  const start = added === '' ? -1 : segment.toLowerCase().indexOf('include');
  return start < 0 ? segment : segment.slice(0, start);
}

function columnsOf(text: string): Column[] {
  const per100 = [...text.matchAll(PER_100)].map((found) => ({
    per: { amount: 100, unit: (found[1] ?? 'g').toLowerCase() },
    at: found.index,
  }));
  const size = SERVING_SIZE.exec(text);
  const sized = size ? { amount: numberFromText(size[1] ?? '') ?? 0, unit: (size[2] ?? 'g').toLowerCase() } : undefined;
  const servings = [...text.matchAll(SERVING)].flatMap((found) => {
    const grams = numberFromText(found[2] ?? '');
    const per = grams ? { amount: grams, unit: (found[3] ?? 'g').toLowerCase() } : (sized ?? pieceOf(found[1] ?? ''));
    return per ? [{ per, at: found.index }] : [];
  });
  const columns = [...per100, ...(servings.length > 0 || !sized ? servings : [{ per: sized, at: size?.index ?? 0 }])];
  // The same column is often named twice; it is where it was named first.
  const named = new Set<string>();
  return columns
    .sort((a, b) => a.at - b.at)
    .filter(({ per: { amount, unit } }) => !named.has(`${amount} ${unit}`) && named.add(`${amount} ${unit}`));
}

function pieceOf(word: string): PrintedBasis | undefined {
  return /^(?:slice|scheibe)$/i.test(word)
    ? { amount: 1, unit: 'slice' }
    : /^(?:bar|piece|biscuit|stück)$/i.test(word)
      ? { amount: 1, unit: 'piece' }
      : undefined;
}

function chosenColumn(columns: readonly Column[]): Column | undefined {
  const per100 = (unit: string) => columns.find(({ per }) => per.amount === 100 && per.unit === unit);
  return per100('g') ?? per100('ml') ?? columns.find(({ per }) => per.amount > 0);
}

function figuresIn(segment: string): Figure[] {
  return [...segment.matchAll(FIGURE)].flatMap((found) => {
    if (found[4] !== undefined) return [{ amount: 0, unit: 'g', note: found[4] }];
    const read = numberFromText((found[2] ?? '').replace(/ (?=\d{3})/g, ''));
    if (read === undefined) return [];
    const limited = found[1] !== undefined;
    return [{ amount: limited ? read / 2 : read, unit: (found[3] ?? '').toLowerCase(), note: limited ? found[0].trim() : '' }];
  });
}

function figureFrom(text: string, unit: string): Figure {
  const amount = numberFromText(text.replace('<', '').trim()) ?? 0;
  return { amount: text.includes('<') ? amount / 2 : amount, unit, note: text.includes('<') ? text : '' };
}

/** A unit that stands with the name: "Fat (g) 1.5". */
function unitNamed(segment: string): string {
  return (/^\s*[([]\s*(kcal|kj|mg|µg|μg|mcg|ug|g)\s*[)\]]/iu.exec(segment)?.[1] ?? '').toLowerCase();
}

type Read = { [nutrient in Nutrient | 'salt']?: number };

function takeEnergy(into: Read, notes: string[], figures: readonly Figure[], column: number, calories: boolean, segment: string): void {
  const named = unitNamed(segment) || (/^\s*(kcal|kj)\b/i.exec(segment)?.[1] ?? '').toLowerCase();
  const of = (unit: string) => figures.filter((one) => one.unit === unit);
  const bare = figures.filter(({ unit }) => unit === '');
  const kcal = of('kcal').length > 0 ? of('kcal') : calories || named === 'kcal' ? bare : [];
  const kj = of('kj').length > 0 ? of('kj') : named === 'kj' ? bare : [];
  const pick = (list: readonly Figure[]) => list[Math.min(column, list.length - 1)];
  const [inKcal, inKj] = [pick(kcal), pick(kj)];
  if (inKcal && into.energyKcal === undefined) into.energyKcal = inKcal.amount;
  if (inKj && into.energyKj === undefined) into.energyKj = inKj.amount;
  if (!inKcal && !inKj && bare[0] && into.energyKcal === undefined && into.energyKj === undefined) {
    into.energyKcal = bare[0].amount;
    notes.push(`Energy ${bare[0].amount} has no unit; taken as kcal.`);
  }
  const { energyKcal, energyKj } = into;
  if (energyKcal !== undefined && energyKj !== undefined && Math.abs(energyKj / KJ_PER_KCAL - energyKcal) > Math.max(3, 0.03 * energyKcal))
    notes.push(`${energyKj} kJ are ${Math.round(energyKj / KJ_PER_KCAL)} kcal, not ${energyKcal}: look at both.`);
}

function take(
  into: Read,
  notes: string[],
  word: Exclude<LabelWord, 'energy' | 'other'>,
  figures: readonly Figure[],
  column: number,
  named = '',
): void {
  if (into[word] !== undefined || figures.length === 0) return;
  // Some tables repeat the unit of another: of several columns, those in the first one's unit count.
  const unit = figures[0]?.unit ?? '';
  const columns = figures.filter((one) => one.unit === unit || one.note !== '');
  const figure = columns[Math.min(column, columns.length - 1)];
  if (!figure) return;
  const meant = unitOf(word);
  const written = figure.unit || named;
  const amount = figure.amount * (written === '' ? 1 : ratioOf(written, meant));
  if (Number.isNaN(amount)) return;
  into[word] = Number(amount.toPrecision(12));
  const name = nutrientName(word);
  if (figure.note !== '') notes.push(`${name} “${figure.note}” is taken as ${into[word]} ${meant}.`);
  else if (written === '') notes.push(`${name} ${figure.amount} has no unit; taken as ${meant}.`);
}

const GRAMS: Readonly<Record<string, number>> = { g: 1, mg: 1e-3, µg: 1e-6, μg: 1e-6, mcg: 1e-6, ug: 1e-6 };
/** Micrograms of vitamin D in an international unit. */
const UG_PER_IU = 0.025;

function ratioOf(from: string, to: string): number {
  if (/^i/.test(from)) return to === 'ug' ? UG_PER_IU : NaN;
  return (GRAMS[from] ?? NaN) / (GRAMS[to] ?? NaN);
}
