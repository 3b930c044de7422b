import {
  lineWords,
  piecesOf,
  placedLines,
  placesByReference,
  speaksOfOven,
  stepSpans,
  temperatureText,
  upperOf,
  type Kitchen,
  type Line,
  type Recipe,
} from '@portiona/core';

/** A piece of a sentence at the stove. */
export type CookRun =
  | { readonly kind: 'words'; readonly text: string }
  /** How one sees that it is done. */
  | { readonly kind: 'sign'; readonly text: string }
  /** A time that a press starts; named by the words before it. */
  | { readonly kind: 'time'; readonly text: string; readonly minutes: number; readonly name: string };

/** What a step says, in the order of doing: sentences, and ingredients each on a row of its own. */
export type CookRow =
  | { readonly row: 'said'; readonly runs: readonly CookRun[] }
  | { readonly row: 'line'; readonly at: string; readonly line: Line; readonly amount: string; readonly food: string };

/** Nothing but what stands between two ingredients of a list. */
const BETWEEN: ReadonlySet<string> = new Set(['', 'and', 'or', 'with']);
const MOST_NAME = 28;

/**
 * A step taken apart for the stove.
 *
 * @param text of the step, or of the way it is done
 * @param recipe as it is planned, at its size
 */
export function stepRows(text: string, recipe: Recipe, kitchen: Kitchen): CookRow[] {
  const places = placesByReference(recipe);
  const lines = new Map<string, Line>(placedLines(recipe).map(({ at, line }) => [at, line]));
  const fahrenheitFirst = (recipe.measures ?? kitchen.settings.measures) === 'us';
  const oven = speaksOfOven(text);
  const rows: CookRow[] = [];
  let said: CookRun[] = [];
  let before = '';
  const close = () => {
    if (said.some((run) => run.kind !== 'words' || !BETWEEN.has(withoutEdges(run.text).toLowerCase())))
      rows.push({ row: 'said', runs: trimmed(said) });
    said = [];
  };
  for (const piece of piecesOf(text)) {
    if (typeof piece === 'string') {
      for (const run of runsOf(piece, before, fahrenheitFirst, oven)) {
        // Each sentence stands by itself.
        const sentences = run.kind === 'words' ? run.text.split(/(?<=[.!?]) /) : [run.text];
        for (const [i, text] of sentences.entries()) {
          if (i > 0) close();
          said.push({ ...run, text });
        }
      }
      before += piece;
      continue;
    }
    before += piece.words;
    const at = places.get(piece.at);
    const line = at === undefined ? undefined : lines.get(at);
    if (at === undefined || !line || piece.bare) {
      // By its name alone it is no more to be weighed here than anywhere.
      if (!line || at === undefined) said.push({ kind: 'words', text: piece.words });
      else {
        close();
        rows.push(rowOf(at, line, kitchen));
      }
      continue;
    }
    close();
    rows.push(rowOf(at, line, kitchen));
  }
  close();
  return rows;
}

function rowOf(at: string, line: Line, kitchen: Kitchen): CookRow {
  const { amount, food } = lineWords(line, line.food === undefined ? undefined : kitchen.food(line.food));
  return { row: 'line', at, line, amount: amount === 'to taste' ? '' : amount, food };
}

function runsOf(words: string, before: string, fahrenheitFirst: boolean, oven: boolean): CookRun[] {
  const runs: CookRun[] = [];
  let from = 0;
  for (const span of stepSpans(words)) {
    // A temperature within a sign is of it.
    if (span.from < from) continue;
    if (span.from > from) runs.push({ kind: 'words', text: words.slice(from, span.from) });
    const text = words.slice(span.from, span.to);
    if (span.kind === 'sign') runs.push({ kind: 'sign', text });
    else if (span.kind === 'temperature') runs.push({ kind: 'words', text: temperatureText(span.temperature, fahrenheitFirst, oven) });
    else runs.push({ kind: 'time', text, minutes: upperOf(span.minutes), name: nameOf(`${before}${words.slice(0, span.from)}`) });
    from = span.to;
  }
  if (from < words.length) runs.push({ kind: 'words', text: words.slice(from) });
  return runs;
}

/** What a timer is called: the clause that its time stands in. */
function nameOf(before: string): string {
  const clause = withoutEdges(before.split(/[.;:]/).at(-1) ?? '');
  const cut = clause.slice(0, MOST_NAME);
  const name = clause.length <= MOST_NAME ? clause : `${cut.slice(0, Math.max(cut.lastIndexOf(' '), 1))} …`;
  return name === '' ? 'Timer' : name.charAt(0).toUpperCase() + name.slice(1);
}

/** A sentence without the comma that a list left before or behind it. */
function trimmed(runs: readonly CookRun[]): CookRun[] {
  return runs
    .map((run, i): CookRun => {
      if (run.kind !== 'words') return run;
      const [first, last] = [i === 0, i === runs.length - 1];
      return { ...run, text: withoutEdges(run.text, first, last) };
    })
    .filter((run, i, all) => run.text !== '' && !(run.text === '.' && all[i - 1]?.kind === 'time'));
}

/** Text without spaces, commas and semicolons at its beginning and its end, and without a full stop before it. */
function withoutEdges(text: string, start = true, end = true): string {
  let [from, to] = [0, text.length];
  while (start && from < to && ' ,;.\n\t'.includes(text[from] ?? '')) from++;
  while (end && to > from && ' ,;\n\t'.includes(text[to - 1] ?? '')) to--;
  return text.slice(from, to);
}
