import { nutrientName, unitOf, type CarbohydrateConvention, type Nutrient, type PrintedBasis } from '../food/index.js';
import { ingredientsAt, labelAllergens, type LabelAllergens } from './labelAllergens.js';
import { checkedLabel, type LabelDoubt } from './labelChecks.js';
import { labelColumns, type LabelColumn, type LabelValue, type Printed } from './labelColumn.js';
import { labelRows } from './labelRows.js';
import { labelText, MENDED, MOST_LETTERS } from './labelText.js';
import { labelTokens, type Figure } from './labelTokens.js';
import { labelWeights } from './labelWeights.js';

/** A label as read off its text, for a person to look over. */
export interface ReadLabel {
  /** What the figures are for; undefined when the text does not say. */
  readonly per: PrintedBasis | undefined;
  readonly nutrients: { readonly [nutrient in Nutrient | 'salt']?: number };
  readonly carbohydrateIs: CarbohydrateConvention;
  /** What was taken for what: "<0.5 g". */
  readonly notes: readonly string[];
  /** Figures that are likely or certainly wrong as they stand, or were guessed at: a person agrees to them or leaves them out. */
  readonly doubts: readonly LabelDoubt[];
  readonly allergens: LabelAllergens;
  readonly net: PrintedBasis | undefined;
  readonly drained: PrintedBasis | undefined;
  readonly serving: PrintedBasis | undefined;
}

/**
 * Reads the text of a nutrition label: the words of seven languages, decimal comma or point, names before their figures or behind
 * them, in rows, blocks or a paragraph, one column or several, as printed, scanned or typed. Of several columns the one per 100 g is
 * taken, else per 100 ml, else the first that has a weight. Columns check each other, and energy its macronutrients; what does not agree
 * is doubted. "Less than" is taken as half of it.
 *
 * @returns figures for `per`, in the units of the kitchen file; nothing that the text does not say
 * @example readLabelText('per 100 g: Energy 1430 kJ / 341 kcal, fat 1,5 g of which saturates <0,5 g').nutrients.saturates // 0.25
 */
export function readLabelText(given: string): ReadLabel {
  const text = labelText(given);
  const weights = labelWeights(text);
  const list = ingredientsAt(text);
  const gaps = [...weights.at, ...(list ? [list] : [])].sort((a, b) => a[0] - b[0]);
  const { tokens, bases, serving, short } = labelTokens(text, gaps, weights.at);
  const sections = labelRows(text, tokens, bases);
  const columns = sections.flatMap((section) => labelColumns(section).map((column) => ({ ...column, section, doubt: section.doubt })));
  const american = /\b(?:nutrition facts|total carb|daily value|calories|% ?DV)\b/i.test(text);
  const convention: CarbohydrateConvention = american && !/per 100/i.test(text) ? 'total' : 'available';
  const chosen = chosenColumn(columns);
  const notes: string[] = [];
  if (given.length > MOST_LETTERS) notes.push(`Only the first ${MOST_LETTERS.toLocaleString('en')} letters were read.`);
  const rest = {
    carbohydrateIs: convention,
    allergens: labelAllergens(given.slice(0, MOST_LETTERS)),
    net: weights.net,
    drained: weights.drained,
    serving,
  };
  if (!chosen || chosen.values.size === 0) return { per: undefined, nutrients: {}, notes, doubts: [], ...rest };
  const others = columns.filter((column) => column !== chosen && column.values.size > 0);
  const { figures, per, doubts } = checkedLabel(chosen, others, convention);
  if (short) notes.push('p, c and f were read as protein, carbohydrate and fat.');
  notes.push(...notesOf(chosen));
  const used = new Set(sections.flatMap(({ rows }) => rows.flatMap(({ figures: ofRow }) => ofRow)));
  const left = tokens.filter(
    (token, i): token is Figure =>
      token.kind === 'figure' &&
      !used.has(token) &&
      (token.unit !== '' || (tokens[i + 1]?.kind === 'name' && /^ ?$/.test(text.slice(token.end, tokens[i + 1]?.at)))),
  );
  notes.push(...unread(text, left));
  return {
    per,
    nutrients: Object.fromEntries(figures),
    notes,
    doubts: [...readingDoubts(chosen, chosen.doubt), ...twice(chosen, others), ...doubts],
    ...rest,
  };
}

const MOST_UNREAD = 5;

/** Figures with a unit that were taken for nothing, with the words before them. */
function unread(text: string, left: readonly Figure[]): string[] {
  const shown = left.slice(0, MOST_UNREAD).map(({ at, end }) => {
    const words = /[^\n.;|]{0,28}$/.exec(text.slice(0, at))?.[0] ?? '';
    return `“${(words + text.slice(at, end)).replaceAll(MENDED, '').replace(/\s+/g, ' ').trim()}”`;
  });
  if (shown.length === 0) return [];
  return [`Not read: ${shown.join(', ')}${left.length > shown.length ? ` and ${left.length - shown.length} more` : ''}.`];
}

function chosenColumn<Column extends LabelColumn>(columns: readonly Column[]): Column | undefined {
  const most = Math.max(0, ...columns.map(({ values }) => values.size));
  // A column of one stray figure is none where another has a whole label.
  const full = columns.filter(({ values }) => values.size > 0 && values.size >= most / 2);
  const per100 = (unit: string) => full.find(({ basis }) => basis?.per?.amount === 100 && basis.per.unit === unit && !basis.prepared);
  return (
    per100('g') ??
    per100('ml') ??
    full.find(({ basis }) => basis?.per && !basis.prepared) ??
    full.find(({ basis }) => basis?.per) ??
    full[0]
  );
}

/** What was not plain in the reading itself. */
function readingDoubts({ basis, values }: LabelColumn, arrangement: string | undefined): LabelDoubt[] {
  const doubts: LabelDoubt[] = [];
  if (arrangement !== undefined) doubts.push({ of: [...values.keys()], why: arrangement });
  if (basis?.doubt !== undefined) doubts.push({ of: ['per'], why: basis.doubt });
  if (basis?.prepared) doubts.push({ of: ['per'], why: 'The figures are for what is made of it, not for what is in the pack.' });
  for (const [printed, { figure, value, doubt, named }] of values) {
    if (doubt !== undefined) doubts.push({ of: [printed], why: doubt });
    if (figure.mended)
      doubts.push({ of: [printed], why: `${nutrientName(printed)} was hard to read; taken as ${value} ${unitOf(printed)}.` });
    if (figure.amount === 0 && figure.note !== '')
      doubts.push({ of: [printed], why: `${named}: “${figure.note}” is taken as none, which it is not quite.` });
  }
  return doubts;
}

function notesOf({ values }: LabelColumn): string[] {
  return [...values].flatMap(([printed, one]) => noteOf(printed, one));
}

function noteOf(printed: Printed, { figure, value, bare, misspelt, named }: LabelValue): string[] {
  const name = nutrientName(printed);
  const notes: string[] = [];
  if (misspelt) notes.push(`“${named}” was read as ${name.toLowerCase()}.`);
  if (figure.note !== '' && figure.amount > 0) notes.push(`${name} “${figure.note}” is taken as ${value} ${unitOf(printed)}.`);
  else if (bare) notes.push(`${name} ${figure.amount} has no unit; taken as ${unitOf(printed)}.`);
  return notes;
}

/** Two labels in one text: the same basis twice, with other figures. */
function twice(chosen: LabelColumn, others: readonly LabelColumn[]): LabelDoubt[] {
  const same = others.find(
    ({ basis, values }) =>
      basis?.per?.amount === chosen.basis?.per?.amount &&
      basis?.per?.unit === chosen.basis?.per?.unit &&
      basis?.per !== undefined &&
      [...values].filter(([printed, { value }]) => (chosen.values.get(printed)?.value ?? value) !== value).length >= 2,
  );
  if (!same) return [];
  return [{ of: [...chosen.values.keys()], why: 'The text holds two labels for the same amount; the first was read. Paste one alone.' }];
}
