/** A step with what is said of it beside its words. */
export interface StepWithPart {
  /**
   * As it is read, ingredients mentioned as `{part/1 plums}`: a place and what to call it where no line stands there any more;
   * `{~part/1 plums}` is one by its name alone.
   */
  readonly text: string;
  /** Id of the part that it makes. */
  readonly part?: string;
}

/** A step of the method: its words, or its words and the part it makes. */
export type Step = string | StepWithPart;

/** A step, whichever way it is written. */
export function stepOf(step: Step): StepWithPart {
  return typeof step === 'string' ? { text: step } : step;
}

/** A step as it is written shortest. */
export function stepFrom({ text, part }: StepWithPart): Step {
  return part === undefined ? text : { text, part };
}

/** An ingredient mentioned in a step. */
export interface Mention {
  /** Part id and number from 1. */
  readonly at: string;
  /** By its name alone, without the amount. */
  readonly bare: boolean;
  /** What to call it where no line stands there. */
  readonly words: string;
}

const MENTION = /\{(~?)([a-z0-9-]+\/[1-9]\d*)(?: ([^{}]*))?\}/g;

/** A step's text as words and mentions, in order; no words are empty. */
export function piecesOf(text: string): (string | Mention)[] {
  const pieces: (string | Mention)[] = [];
  let from = 0;
  for (const found of text.matchAll(MENTION)) {
    const [whole, tilde, at = '', words = ''] = found;
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
 * Steps after lines have moved: each mention follows its line; one whose line is gone becomes the words for it.
 *
 * @param moved places before, and after; undefined for a line that is gone, and for a part
 */
export function followedSteps(steps: readonly Step[], moved: ReadonlyMap<string, string | undefined>): Step[] {
  return steps.map((step) => {
    const { text, part } = stepOf(step);
    const stays = part !== undefined && (!moved.has(part) || moved.get(part) !== undefined);
    return stepFrom({
      text: piecesOf(text)
        .map((piece) => (typeof piece === 'string' ? piece : followedMention(piece, moved)))
        .join(''),
      ...(stays ? { part } : {}),
    });
  });
}

/**
 * Steps in which only lines that are there are mentioned: of any other, the words stay. Text that comes from elsewhere may hold
 * anything.
 *
 * @param places of the recipe's lines
 */
export function withKnownMentions(steps: readonly Step[], places: ReadonlySet<string>): Step[] {
  return steps.map((step) => {
    const { text, part } = stepOf(step);
    const said = piecesOf(text).map((piece) =>
      typeof piece === 'string' ? piece : places.has(piece.at) ? mentionText(piece) : piece.words,
    );
    return stepFrom({ text: said.join(''), ...(part === undefined ? {} : { part }) });
  });
}

function followedMention(mention: Mention, moved: ReadonlyMap<string, string | undefined>): string {
  if (!moved.has(mention.at)) return mentionText(mention);
  const at = moved.get(mention.at);
  return at === undefined ? mention.words : mentionText({ ...mention, at });
}
