import LineBreaker from 'linebreak';
import type { Face, Typesetter } from './face.js';
import type { Ink } from './ink.js';
import type { TextMark } from './mark.js';

/** Words of one look within a paragraph. */
export interface Run {
  readonly words: string;
  readonly face: Face;
  readonly size: number;
  readonly ink: Ink;
}

/** A stretch of a line: where it begins, from the line's left end, and how wide it is. */
interface PlacedRun extends Run {
  readonly x: number;
  readonly width: number;
}

/** A line of a paragraph. */
export interface TextLine {
  readonly runs: readonly PlacedRun[];
  readonly width: number;
}

/** A paragraph broken into lines, and the words that had to be cut because they are longer than a line. */
export interface BrokenText {
  readonly lines: readonly TextLine[];
  readonly torn: readonly string[];
}

/** Some words of a run that stay together. */
interface Piece {
  readonly run: Run;
  readonly words: string;
}

/** Room that a sum of measured pieces may be over for how numbers are kept. */
const SLACK = 1e-6;

/**
 * Breaks runs into lines no wider than given: at spaces and wherever writing allows it, never within a word unless it is longer than
 * a line. A number stays with the hyphen behind it.
 */
export function brokenText(runs: readonly Run[], width: number, set: Typesetter): BrokenText {
  const lines: TextLine[] = [];
  const torn: string[] = [];
  let line: Piece[] = [];
  let used = 0;
  const end = () => {
    if (line.length > 0) lines.push(new PlacedLine(line, set));
    line = [];
    used = 0;
  };
  for (const { pieces, must } of chunksOf(runs)) {
    const whole = widthOf(pieces, set);
    const bare = widthOf(trimmedEnd(pieces), set);
    if (used > 0 && used + bare > width + SLACK) end();
    if (bare > width + SLACK) {
      torn.push(
        pieces
          .map(({ words }) => words)
          .join('')
          .trim(),
      );
      for (const piece of pieces.flatMap(lettersOf)) {
        const wide = widthOf([piece], set);
        if (used > 0 && used + wide > width + SLACK) end();
        line.push(piece);
        used += wide;
      }
    } else {
      line.push(...pieces);
      used += whole;
    }
    if (must) end();
  }
  end();
  return { lines, torn };
}

/** Width of runs in one line. */
export function widthOfRuns(runs: readonly Run[], set: Typesetter): number {
  return widthOf(
    runs.map((run) => ({ run, words: run.words })),
    set,
  );
}

/** Marks of a line, its runs joined to a baseline. */
export function marksOfLine({ runs }: TextLine, x: number, baseline: number): TextMark[] {
  return runs.map((run) => ({
    kind: 'text',
    x: x + run.x,
    y: baseline,
    words: run.words,
    face: run.face,
    size: run.size,
    ink: run.ink,
    width: run.width,
  }));
}

/** What may stand in a line of its own: words up to where a line may, or must, end. */
function chunksOf(runs: readonly Run[]): { readonly pieces: Piece[]; readonly must: boolean }[] {
  const whole = runs.map(({ words }) => words).join('');
  const breaker = new LineBreaker(whole);
  const chunks: { readonly pieces: Piece[]; readonly must: boolean }[] = [];
  let from = 0;
  for (let at = breaker.nextBreak(); at; at = breaker.nextBreak()) {
    if (/\d-$/.test(whole.slice(from, at.position))) continue;
    chunks.push({ pieces: piecesBetween(runs, from, at.position), must: at.required && at.position < whole.length });
    from = at.position;
  }
  return chunks;
}

function piecesBetween(runs: readonly Run[], from: number, to: number): Piece[] {
  const pieces: Piece[] = [];
  let start = 0;
  for (const run of runs) {
    const words = run.words.slice(Math.max(0, from - start), Math.max(0, to - start)).replace(/[\r\n]+/g, '');
    if (words !== '') pieces.push({ run, words });
    start += run.words.length;
  }
  return pieces;
}

function lettersOf({ run, words }: Piece): Piece[] {
  return Array.from(words, (letter) => ({ run, words: letter }));
}

function trimmedEnd(pieces: readonly Piece[]): Piece[] {
  const kept = [...pieces];
  for (let last = kept.at(-1); last && last.words.trimEnd() !== last.words; last = kept.at(-1)) {
    kept.pop();
    // A space that may not break belongs to its words.
    const words = withoutSpacesBehind(last.words);
    if (words === last.words) {
      kept.push(last);
      break;
    }
    if (words !== '') {
      kept.push({ ...last, words });
      break;
    }
  }
  return kept;
}

/** Without the spaces at its end that may break. */
function withoutSpacesBehind(words: string): string {
  let end = words.length;
  while (end > 0 && (words[end - 1] === ' ' || words[end - 1] === '\t')) end--;
  return words.slice(0, end);
}

function widthOf(pieces: readonly Piece[], set: Typesetter): number {
  return pieces.reduce((sum, { run, words }) => sum + set.ems(words, run.face) * run.size, 0);
}

/** A line whose words are placed when it is drawn: most are only tried, to see how many there are. */
class PlacedLine implements TextLine {
  #placed: TextLine | undefined;

  constructor(
    private readonly pieces: readonly Piece[],
    private readonly set: Typesetter,
  ) {}

  get runs(): TextLine['runs'] {
    return this.#all().runs;
  }

  get width(): number {
    return this.#all().width;
  }

  #all(): TextLine {
    this.#placed ??= placed(this.pieces, this.set);
    return this.#placed;
  }
}

/** Pieces of one run beside each other are set as one: so its letters stand as they would anywhere. */
function placed(pieces: readonly Piece[], set: Typesetter): TextLine {
  const joined: Piece[] = [];
  for (const piece of trimmedEnd(pieces)) {
    const last = joined.at(-1);
    if (last?.run === piece.run) joined[joined.length - 1] = { run: piece.run, words: last.words + piece.words };
    else joined.push(piece);
  }
  let x = 0;
  const runs = joined.map(({ run, words }) => {
    const width = set.ems(words, run.face) * run.size;
    const at = { ...run, words, x, width };
    x += width;
    return at;
  });
  return { runs, width: x };
}
