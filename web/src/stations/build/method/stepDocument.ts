import type { JSONContent } from '@tiptap/core';
import { mentionText, piecesOf, stepFrom, stepOf, type Mention, type Step, type StepWithPart } from '@portiona/core';

/** What is said of a step beside its words and its part; the steps it waits for by what they are known by, wherever they move. */
export interface Beside extends Pick<StepWithPart, 'minutes' | 'hands' | 'uses' | 'within' | 'or'> {
  readonly after?: readonly string[];
}

/** A method as the editor holds it: a step a block, mentions as things of their own within its words. */
export function documentOf(steps: readonly Step[]): JSONContent {
  const all = steps.map(stepOf);
  const blocks = all.map(({ text, part, id, after, ...beside }) =>
    blockOf(text, part, id, {
      ...beside,
      ...(after === undefined ? {} : { after: after.flatMap((number) => all[number - 1]?.id ?? []) }),
    }),
  );
  return { type: 'doc', content: blocks.length > 0 ? blocks : [blockOf('')] };
}

/** @param beside what is said of it beside; nothing: it says nothing */
export function blockOf(text: string, part?: string, id?: string, beside: Beside = {}): JSONContent {
  const content = piecesOf(text).map((piece) =>
    typeof piece === 'string' ? { type: 'text', text: piece } : { type: 'mention', attrs: { ...piece } },
  );
  const said = Object.keys(beside).length > 0 ? beside : null;
  return { type: 'step', attrs: { part: part ?? null, id: id ?? null, beside: said }, ...(content.length > 0 ? { content } : {}) };
}

/** The steps that the editor holds; empty ones are none. */
export function stepsOf(document: JSONContent): Step[] {
  const written = (document.content ?? []).flatMap(({ content = [], attrs = {} }) => {
    const text = content
      .map((piece) => (piece.type === 'mention' ? mentionText(piece.attrs as Mention) : (piece.text ?? '')))
      .join('')
      .trim();
    const { part, id, beside } = attrs as { part?: string | null; id?: string | null; beside?: Beside | null };
    return text === '' ? [] : [{ text, part, id, beside }];
  });
  const numbers = new Map(written.map(({ id }, i) => [id, i + 1]));
  return written.map(({ text, part, id, beside }) => {
    const { after, ...rest } = beside ?? {};
    return stepFrom({
      ...(id ? { id } : {}),
      text,
      ...(part ? { part } : {}),
      ...rest,
      // A step that is gone is waited for no more.
      ...(after === undefined ? {} : { after: after.flatMap((one) => numbers.get(one) ?? []) }),
    });
  });
}

/** Letters that a heading has at most. */
const LONGEST_HEADING = 40;

/**
 * The name of the part that a line heads: "For the rice:", "Rice:", "## Rice". A line that says to do something is none: it has a
 * full stop, a number or no colon.
 */
export function headedPart(line: string): string | undefined {
  const marked = /^#{1,4} /.test(line.trim());
  const words = line
    .trim()
    .replace(/^#{1,4} /, '')
    .trim();
  if (words.length > LONGEST_HEADING || (!marked && (!words.endsWith(':') || /[.!?;\d]/.test(words)))) return undefined;
  const name = words
    .replace(/:$/, '')
    .replace(/^for (?:the )?/i, '')
    .trim();
  return name === '' || name.includes(':') ? undefined : name.charAt(0).toUpperCase() + name.slice(1);
}

/** Lines of pasted text as steps; their numbers are the list's own. */
export function stepLines(text: string): string[] {
  return text
    .split(/\r?\n/)
    .map((line) => line.replace(/^\s*(?:step\s*)?\d+[.):]\s+/i, '').trim())
    .filter(Boolean);
}
