import { Mention } from '@tiptap/extension-mention';
import { ReactNodeViewRenderer } from '@tiptap/react';
import type { SuggestionProps } from '@tiptap/suggestion';
import { mentionText, type Mention as Mentioned } from '@portiona/core';
import { MentionView } from './MentionView';

/** An ingredient that a step can mention. */
export interface Choice extends Mentioned {
  /** As the step will read: "600 g plums". */
  readonly reads: string;
  readonly part: string;
}

/** The list of ingredients under the caret, while one is being chosen. */
export interface ChoiceMenu {
  readonly choices: readonly Choice[];
  readonly chosen: number;
  readonly at: DOMRect;
  readonly choose: (choice: Choice) => void;
}

/**
 * Mentions of ingredients: "@" and the beginning of a name, arrows and Enter.
 *
 * @param choices for what has been typed
 * @param show what the list shows; undefined closes it
 */
export function ingredientMention(choices: (typed: string) => Choice[], show: (menu: ChoiceMenu | undefined) => void) {
  return Mention.extend({
    addAttributes: () => ({ at: { default: '' }, words: { default: '' }, bare: { default: false } }),
    parseHTML: () => [
      {
        tag: 'span[data-line]',
        getAttrs: (element) => ({ at: element.dataset.line, words: element.textContent, bare: element.dataset.bare === 'true' }),
      },
    ],
    renderHTML: ({ node }) => {
      const { at, words, bare } = node.attrs as Mentioned;
      return ['span', { 'data-line': at, 'data-bare': String(bare) }, words];
    },
    renderText: ({ node }) => mentionText(node.attrs as Mentioned),
    addNodeView: () => ReactNodeViewRenderer(MentionView, { as: 'span' }),
  }).configure({
    suggestion: {
      char: '@',
      allowedPrefixes: null,
      items: ({ query }) => choices(query),
      command: ({ editor, range, props }) => {
        const { at, words, bare } = props as unknown as Choice;
        editor
          .chain()
          .focus()
          .insertContentAt(range, [{ type: 'mention', attrs: { at, words, bare } }])
          .run();
      },
      render: () => {
        let props: SuggestionProps<Choice, Choice> | undefined;
        let chosen = 0;
        const draw = () => {
          const at = props?.clientRect?.();
          show(props && at ? { choices: props.items, chosen, at, choose: (choice) => props?.command(choice) } : undefined);
        };
        const take = (next: SuggestionProps<Choice, Choice>) => {
          props = next;
          chosen = 0;
          draw();
        };
        return {
          onStart: (next) => take(next as unknown as SuggestionProps<Choice, Choice>),
          onUpdate: (next) => take(next as unknown as SuggestionProps<Choice, Choice>),
          onExit: () => show(undefined),
          onKeyDown: ({ event }) => {
            const items = props?.items ?? [];
            const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
            const picked = items[chosen];
            if (by !== undefined && items.length > 0) chosen = (chosen + by + items.length) % items.length;
            else if ((event.key === 'Enter' || event.key === 'Tab') && picked) props?.command(picked);
            else return false;
            draw();
            return true;
          },
        };
      },
    },
  });
}
