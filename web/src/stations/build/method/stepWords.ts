import type { Node as DocumentNode } from '@tiptap/pm/model';

/** Stands for a mention where a step is read as text: one place long, like it. */
export const MENTIONED = '￼';

/** A step's words, mentions as one letter each. */
export function wordsOf(step: DocumentNode): string {
  return step.textBetween(0, step.content.size, undefined, MENTIONED);
}
