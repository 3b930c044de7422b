/** Something that a step holds from its start to its end: one place of it, at a heat (°C) or at any. */
export type StepUse = string | { readonly name: string; readonly at?: number };

/** Another way to do what a step does, in words of its own. */
export interface StepWay {
  /** "slow cooker, high". */
  readonly name: string;
  readonly text: string;
  readonly minutes?: number;
  readonly hands?: number;
  readonly uses?: readonly StepUse[];
}

/** A step with what is said of it beside its words. */
export interface StepWithPart {
  /** What it is known by, wherever it stands. */
  readonly id?: string;
  /**
   * As it is read, ingredients mentioned as `{part/1 plums}` or `{part/id plums}`: a line and what to call it where it is not
   * there any more; `{~part/1 plums}` is one by its name alone.
   */
  readonly text: string;
  /** Id of the part that it makes. */
  readonly part?: string;
  /** How long it takes; left out: by its words. */
  readonly minutes?: number;
  /** Minutes, from its start, that the cook is bound. */
  readonly hands?: number;
  readonly uses?: readonly StepUse[];
  /** Numbers, from 1, of the steps it waits for; left out: the one before that makes the same part. */
  readonly after?: readonly number[];
  /** Minutes that it may wait once what it waits for is done. */
  readonly within?: number;
  /** Other ways to do the same. */
  readonly or?: readonly StepWay[];
}

/** A step of the method: its words, or its words and the part it makes. */
export type Step = string | StepWithPart;

/** A step, whichever way it is written. */
export function stepOf(step: Step): StepWithPart {
  return typeof step === 'string' ? { text: step } : step;
}

/** A step as it is written shortest. */
export function stepFrom(step: StepWithPart): Step {
  return Object.keys(step).length === 1 ? step.text : step;
}

/** An ingredient mentioned in a step. */
export interface Mention {
  /** Part id, and the line's id or its number from 1. */
  readonly at: string;
  /** By its name alone, without the amount. */
  readonly bare: boolean;
  /** What to call it where no line stands there. */
  readonly words: string;
}

const MENTION = /\{(~?)([a-z0-9-]+\/[a-z0-9-]+)(?: ([^{}]*))?\}/g;
/** What stands behind the part's id: a number from 1, or an id, which has a letter. */
const LINE = /\/(?:[1-9]\d*$|[^/]*[a-z])/;

/** A step's text as words and mentions, in order; no words are empty. */
export function piecesOf(text: string): (string | Mention)[] {
  const pieces: (string | Mention)[] = [];
  let from = 0;
  for (const found of text.matchAll(MENTION)) {
    const [whole, tilde, at = '', words = ''] = found;
    if (!LINE.test(at)) continue;
    if (found.index > from) pieces.push(text.slice(from, found.index));
    pieces.push({ at, bare: tilde !== '', words });
    from = found.index + whole.length;
  }
  if (from < text.length) pieces.push(text.slice(from));
  return pieces;
}

/** The ingredients that a step mentions, in order. */
export function mentionsIn(text: string): Mention[] {
  return piecesOf(text).filter((piece) => typeof piece !== 'string');
}

/** A mention as it stands in a step's text. */
export function mentionText({ at, bare, words }: Mention): string {
  const called = words.replace(/[{}]/g, '').trim();
  return `{${bare ? '~' : ''}${at}${called === '' ? '' : ` ${called}`}}`;
}

/**
 * Steps in which only lines that are there are mentioned: of any other, the words stay. Text that comes from elsewhere may hold
 * anything.
 *
 * @param places of the recipe's lines, in every way they may be referred to
 */
export function withKnownMentions(steps: readonly Step[], places: ReadonlySet<string>): Step[] {
  return steps.map((step) => {
    const { text, ...rest } = stepOf(step);
    const said = piecesOf(text).map((piece) =>
      typeof piece === 'string' ? piece : places.has(piece.at) ? mentionText(piece) : piece.words,
    );
    return stepFrom({ ...rest, text: said.join('') });
  });
}
