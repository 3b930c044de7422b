import type { LabelBasis } from './labelBases.js';
import type { Figure, LabelToken, NameToken } from './labelTokens.js';
import type { LabelWord } from './labelWords.js';

/** The figures of one nutrient, one for each column, and of energy those in one unit. */
export interface LabelRow {
  readonly word: LabelWord;
  readonly unit: 'kcal' | 'kj' | '';
  readonly name: NameToken | undefined;
  readonly figures: readonly Figure[];
}

/** Rows that stand together under one heading. */
export interface LabelSection {
  readonly rows: readonly LabelRow[];
  /** What the columns are for, in order. */
  readonly bases: readonly LabelBasis[];
  /** Why the arrangement is not sure; its figures are to be looked at then. */
  readonly doubt?: string;
}

/** What may stand between a name and its figure, and between figures of a row, without ending the row. */
const FILLERS =
  /\b(?:of which|of that|davon|dont|waarvan|de las cuales|de los cuales|de las quales|di cui|varav|whereof|total|totale?s?|average|avg|typical|approx|ca|qty|quantity|is|are|content|equivalent|dv|cereal|med|high|low|der|de|per|serving|tot|natural|each)\b|\([^()\d]{0,24}\)|\([^()\d]{1,4}\/ ?100 ?(?:g|ml)\)|<? ?[\d.,]{1,5} ?%(?: ?(?:dv|ri|nrv|gda|ar))?/giu;
const BETWEEN = /^[\s:;.,=|•*†‡()[\]/+_~-]*$/u;

function bridges(text: string, from: number, to: number): boolean {
  return to - from < 160 && BETWEEN.test(text.slice(from, to).replace(FILLERS, ' '));
}

/** Nothing between that sets apart. */
function adjoins(text: string, from: number, to: number): boolean {
  return /^[)\]]?[ :.|=-]*(?:[([](?:g|mg|µg|μg|mcg|kj|kcal)[)\]][ :.|=-]*)?(?:(?:of|of which|davon|dont|waarvan)\b ?)?$/iu.test(
    text.slice(from, to),
  );
}

/** Puts a label's names and figures together, in whichever of the usual arrangements they stand. */
export function labelRows(text: string, tokens: readonly LabelToken[], bases: readonly LabelBasis[]): readonly LabelSection[] {
  const runs = collapsed(text, tokens);
  const order = orderOf(text, runs);
  if (order === 'figure first') return [{ rows: rowsBefore(text, runs), bases: usable(bases) }];
  const block = blockOf(text, runs, bases);
  if (block) return block;
  const sections = sectionsOf(text, runs, bases);
  if (order === 'name first') return sections;
  const doubt = 'Each figure stands between two names: whether it belongs to the one before or the one behind is not sure.';
  return sections.map((section) => ({ ...section, doubt }));
}

const usable = (bases: readonly LabelBasis[]) => bases.filter(({ kind }) => kind !== 'percent');

/** One name for what is named several times over before its figures: in other languages, "Energy (kJ)". */
function collapsed(text: string, tokens: readonly LabelToken[]): readonly LabelToken[] {
  const kept: LabelToken[] = [];
  for (const token of tokens) {
    const before = kept.at(-1);
    if (token.kind === 'name' && before?.kind === 'name' && before.word === token.word && bridges(text, before.end, token.at)) {
      const twoUnits = before.unit !== '' && token.unit !== '' && before.unit !== token.unit;
      if (!twoUnits) {
        kept[kept.length - 1] = { ...before, unit: before.unit || token.unit, end: token.end };
        continue;
      }
    }
    kept.push(token);
  }
  return kept;
}

/** Whether figures stand before their names, "12 g protein, 3 g fat", or behind them; undefined where it may be either. */
function orderOf(text: string, tokens: readonly LabelToken[]): 'name first' | 'figure first' | undefined {
  let before = 0;
  let behind = 0;
  tokens.forEach((token, i) => {
    const next = tokens[i + 1];
    if (!next || token.kind === next.kind || !adjoins(text, token.end, next.at)) return;
    if (token.kind === 'figure') before++;
    else behind++;
  });
  if (before < 2 || before < behind) return 'name first';
  return before > behind ? 'figure first' : undefined;
}

function rowsBefore(text: string, tokens: readonly LabelToken[]): LabelRow[] {
  return tokens.flatMap((token, i) => {
    const before = tokens[i - 1];
    if (token.kind === 'figure') return isEnergy(token) && !nextIsName(text, tokens, i) ? [energyRow(token, undefined)] : [];
    if (before?.kind !== 'figure' || !adjoins(text, before.end, token.at)) return token.word === 'energy' ? rowBehind(text, tokens, i) : [];
    if (token.word === 'energy') return [energyRow(before, token)];
    return [{ word: token.word, unit: '' as const, name: token, figures: [before] }];
  });
}

/** Energy is often told first in words that tell the rest the other way about: "Calories: 198, 20 g protein". */
function rowBehind(text: string, tokens: readonly LabelToken[], i: number): LabelRow[] {
  const [name, figure, beyond] = [tokens[i], tokens[i + 1], tokens[i + 2]];
  if (name?.kind !== 'name' || figure?.kind !== 'figure' || isEnergy(figure) || !bridges(text, name.end, figure.at)) return [];
  if (beyond?.kind === 'name' && adjoins(text, figure.end, beyond.at)) return [];
  return [energyRow(figure, name)];
}

function nextIsName(text: string, tokens: readonly LabelToken[], i: number): boolean {
  const [token, next] = [tokens[i], tokens[i + 1]];
  return token !== undefined && next?.kind === 'name' && next.word === 'energy' && adjoins(text, token.end, next.at);
}

function isEnergy({ unit }: Figure): boolean {
  return unit === 'kj' || unit === 'kcal';
}

function energyRow(figure: Figure, name: NameToken | undefined): LabelRow {
  const unit = isEnergy(figure) ? figure.unit : (name?.unit ?? '');
  return { word: 'energy', unit: unit === 'kj' || unit === 'kcal' ? unit : '', name, figures: [figure] };
}

const LEAST_NAMES = 3;

/** Names in one block, figures in another: as scans give a table, and headings over a row. */
function blockOf(text: string, tokens: readonly LabelToken[], bases: readonly LabelBasis[]): readonly LabelSection[] | undefined {
  const first = tokens.findIndex((token, i) => token.kind === 'name' && inBlock(text, tokens, i));
  if (first < 0) return undefined;
  let last = first;
  while (tokens[last + 1]?.kind === 'name') last++;
  const names = tokens.slice(first, last + 1).filter((token): token is NameToken => token.kind === 'name');
  const figures: Figure[] = [];
  for (let i = last + 1; i < tokens.length; i++) {
    const token = tokens[i];
    // A second row of names has figures of its own: this is no block.
    if (token?.kind === 'name') return undefined;
    if (token) figures.push(token);
  }
  if (figures.length < LEAST_NAMES) return undefined;
  const groups = grouped(text, figures, bases, names);
  const sections = groups.map((group): LabelSection => {
    const columns = columnsIn(text, group.figures, names);
    const rows = names.flatMap((name, n) => rowsOf(name, columns?.map((column) => column[n] ?? []) ?? []));
    return columns
      ? { rows, bases: group.bases }
      : {
          rows: inOrder(names, group.figures),
          bases: group.bases,
          doubt: `There are ${names.length} names and ${group.figures.length} figures: which belongs to which is not sure.`,
        };
  });
  return sections.length === 0 ? undefined : sections;
}

function inBlock(text: string, tokens: readonly LabelToken[], i: number): boolean {
  const words = new Set<LabelWord>();
  for (let at = i; tokens[at]?.kind === 'name'; at++) {
    const [token, next] = [tokens[at], tokens[at + 1]];
    if (token?.kind === 'name') words.add(token.word);
    if (next?.kind === 'name' && !bridges(text, token?.end ?? 0, next.at)) return false;
  }
  return words.size >= LEAST_NAMES;
}

interface Group {
  readonly figures: readonly Figure[];
  readonly bases: readonly LabelBasis[];
}

/** Figures by the headings that stand among them; one group where none does. */
function grouped(text: string, figures: readonly Figure[], bases: readonly LabelBasis[], names: readonly NameToken[]): Group[] {
  const [start, from] = [figures[0]?.at ?? 0, names.at(-1)?.end ?? 0];
  const columns = usable(bases);
  const heading = columns.filter(({ at }) => at >= from && at < start);
  const among = columns.filter(({ at }) => at >= start && at < (figures.at(-1)?.at ?? 0));
  if (among.length === 0) return [{ figures, bases: columns.length > 0 ? columns : [] }];
  const starts = [...heading.slice(-1), ...among];
  return starts.map((basis, i) => ({
    figures: figures.filter(({ at }) => at > basis.at && at < (starts[i + 1]?.at ?? text.length)),
    bases: [basis],
  }));
}

/** Figures dealt out to names, column by column; undefined where they do not come out even. Energy takes two, kJ and kcal. */
function columnsIn(
  text: string,
  figures: readonly Figure[],
  names: readonly NameToken[],
): readonly (readonly (readonly Figure[])[])[] | undefined {
  const byColumn: (readonly Figure[])[][] = [];
  let at = 0;
  while (at < figures.length) {
    const column: (readonly Figure[])[] = [];
    for (const name of names) {
      const figure = figures[at];
      if (!figure) return byRow(text, figures, names);
      if (name.word !== 'energy' && isEnergy(figure)) return byRow(text, figures, names);
      const two = name.word === 'energy' && name.unit === '' && isEnergy(figure) && isPair(figure, figures[at + 1]);
      column.push(figures.slice(at, at + (two ? 2 : 1)));
      at += two ? 2 : 1;
    }
    byColumn.push(column);
  }
  return byColumn.length > 1 ? (byRow(text, figures, names) ?? byColumn) : byColumn;
}

function isPair(one: Figure, other: Figure | undefined): boolean {
  return other !== undefined && isEnergy(other) && one.unit !== other.unit;
}

/** Figures in lines, one line for each name. */
function byRow(
  text: string,
  figures: readonly Figure[],
  names: readonly NameToken[],
): readonly (readonly (readonly Figure[])[])[] | undefined {
  const lines: Figure[][] = [];
  figures.forEach((figure, i) => {
    const before = figures[i - 1];
    const sameLine = before !== undefined && !text.slice(before.end, figure.at).includes('\n');
    if (sameLine) lines.at(-1)?.push(figure);
    else lines.push([figure]);
  });
  if (lines.length !== names.length) return undefined;
  const counts = lines.filter((_, n) => names[n]?.word !== 'energy').map((line) => line.length);
  const columns = Math.max(...counts);
  if (counts.some((count) => count !== columns)) return undefined;
  return Array.from({ length: columns }, (_, c) =>
    lines.map((line, n) => {
      if (names[n]?.word !== 'energy' || line.length === columns) return line.slice(c, c + 1);
      return line.length === 2 * columns ? line.slice(2 * c, 2 * c + 2) : line.slice(c, c + 1);
    }),
  );
}

/** Rows of a name whose figures are given column by column. */
function rowsOf(name: NameToken, columns: readonly (readonly Figure[])[]): LabelRow[] {
  if (name.word !== 'energy') return [{ word: name.word, unit: '', name, figures: columns.flatMap((column) => column.slice(0, 1)) }];
  return energyRows(name, columns.flat());
}

function inOrder(names: readonly NameToken[], figures: readonly Figure[]): LabelRow[] {
  return names.flatMap((name, n) => {
    const figure = figures[n];
    return figure ? rowsOf(name, [[figure]]) : [];
  });
}

/** Energy's figures by unit. */
function energyRows(name: NameToken | undefined, figures: readonly Figure[]): LabelRow[] {
  const of = (unit: string) => figures.filter((figure) => figure.unit === unit);
  const bare = figures.filter((figure) => !isEnergy(figure));
  const rows: LabelRow[] = [];
  for (const unit of ['kj', 'kcal'] as const) if (of(unit).length > 0) rows.push({ word: 'energy', unit, name, figures: of(unit) });
  if (rows.length === 0 && bare.length > 0)
    rows.push({ word: 'energy', unit: name?.unit === 'kj' || name?.unit === 'kcal' ? name.unit : '', name, figures: bare });
  return rows;
}

/** Names each followed by their figures, in columns under headings or in paragraphs of their own. */
function sectionsOf(text: string, tokens: readonly LabelToken[], bases: readonly LabelBasis[]): readonly LabelSection[] {
  const rows = rowsBehind(text, tokens);
  const at = (row: LabelRow) => row.figures[0]?.at ?? 0;
  const named = (from: number, to: number) =>
    rows.filter((row) => row.word !== 'energy' && row.word !== 'other' && at(row) > from && at(row) < to);
  const columns = usable(bases);
  const starts = columns.filter((basis, i) => named(basis.at, columns[i + 1]?.at ?? Infinity).length >= 2);
  if (starts.length < 2) return [{ rows, bases }];
  return starts.map((basis, i) => ({
    rows: rows.filter((row) => (i === 0 || at(row) > basis.at) && at(row) < (starts[i + 1]?.at ?? Infinity)),
    bases: [...columns.filter((one) => one.at >= (i === 0 ? 0 : basis.at) && one.at <= basis.at)],
  }));
}

function rowsBehind(text: string, tokens: readonly LabelToken[]): LabelRow[] {
  const rows: LabelRow[] = [];
  /** Energy's figures since its name, or without one. */
  let energy: { name: NameToken | undefined; figures: Figure[] } | undefined;
  const closeEnergy = () => {
    if (energy && energy.figures.length > 0) rows.push(...energyRows(energy.name, energy.figures));
    energy = undefined;
  };
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i];
    if (!token) continue;
    if (token.kind === 'figure') {
      const name = tokens[i + 1];
      if (name?.kind === 'name' && inBrackets(text, tokens, i)) {
        rows.push({ word: name.word, unit: '', name, figures: [token] });
        i++;
      } else if (isEnergy(token)) (energy ??= { name: undefined, figures: [] }).figures.push(token);
      continue;
    }
    if (token.word === 'energy') {
      const paired = pairedUnits(text, tokens, i);
      if (paired) {
        closeEnergy();
        rows.push(...paired.rows);
        i = paired.last;
        continue;
      }
    }
    const { figures, last } = figuresBehind(text, tokens, i, token.word === 'energy');
    if (token.word === 'energy') {
      if (
        token.unit !== '' ||
        (energy && energy.figures.length > 0 && figures.length > 0 && !figures.some((one) => lacks(energy?.figures ?? [], one)))
      )
        closeEnergy();
      energy = { name: token, figures: [...(energy?.figures ?? []), ...figures] };
    } else {
      closeEnergy();
      const own = figures.filter((figure) => !isEnergy(figure));
      if (own.length > 0) rows.push({ word: token.word, unit: '', name: token, figures: own });
      const strays = figures.filter(isEnergy);
      if (strays.length > 0) energy = { name: undefined, figures: strays };
    }
    i = last;
  }
  closeEnergy();
  return rows;
}

function lacks(figures: readonly Figure[], one: Figure): boolean {
  return !figures.some(({ unit }) => unit === one.unit);
}

/** "kJ/kcal 1046/250": two units named one behind the other, and their figures by turns. */
function pairedUnits(
  text: string,
  tokens: readonly LabelToken[],
  i: number,
): { readonly rows: LabelRow[]; readonly last: number } | undefined {
  const [one, other] = [tokens[i], tokens[i + 1]];
  if (one?.kind !== 'name' || other?.kind !== 'name' || other.word !== 'energy' || one.unit === '' || other.unit === '') return undefined;
  if (one.unit === other.unit || !bridges(text, one.end, other.at)) return undefined;
  const { figures, last } = figuresBehind(text, tokens, i + 1, true);
  if (figures.length === 0 || figures.length % 2 === 1 || figures.some(isEnergy)) return undefined;
  const every = (start: number) => figures.filter((_, n) => n % 2 === start);
  return { rows: [...energyRows(one, every(0)), ...energyRows(other, every(1))], last };
}

/** The figures that belong to a name: as far as nothing strange stands between. */
function figuresBehind(
  text: string,
  tokens: readonly LabelToken[],
  i: number,
  energy: boolean,
): { readonly figures: Figure[]; readonly last: number } {
  const figures: Figure[] = [];
  let from = tokens[i]?.end ?? 0;
  let last = i;
  for (let at = i + 1; at < tokens.length; at++) {
    const token = tokens[at];
    if (token?.kind !== 'figure' || !bridges(text, from, token.at) || inBrackets(text, tokens, at)) break;
    // Energy that stands alone on the next line is no further column of a nutrient.
    if (!energy && isEnergy(token)) break;
    figures.push(token);
    from = token.end;
    last = at;
  }
  return { figures, last };
}

/** "fat 12 (7 sat)": within brackets the figure stands first. */
function inBrackets(text: string, tokens: readonly LabelToken[], i: number): boolean {
  const [figure, name] = [tokens[i], tokens[i + 1]];
  if (figure?.kind !== 'figure' || name?.kind !== 'name' || isEnergy(figure) || !adjoins(text, figure.end, name.at)) return false;
  return /\( ?$/.test(text.slice(Math.max(0, figure.at - 2), figure.at)) && /^ ?[),]/.test(text.slice(name.end, name.end + 2));
}
