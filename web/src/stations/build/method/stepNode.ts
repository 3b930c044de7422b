import { Node } from '@tiptap/core';
import { Fragment, Slice, type Node as DocumentNode } from '@tiptap/pm/model';
import { Plugin, TextSelection } from '@tiptap/pm/state';
import { Decoration, DecorationSet, type EditorView } from '@tiptap/pm/view';
import { ReactNodeViewRenderer } from '@tiptap/react';
import { stepSpans } from '@portiona/core';
import { blockOf, stepLines } from './stepDocument';
import { StepView } from './StepView';
import { wordsOf } from './stepWords';

/** Characters that one paste brings at most: a long method is a few thousand. */
const MOST_PASTED = 100_000;

interface StepOptions {
  /** Told when a paste is refused for its size. */
  readonly onRefused: () => void;
}

/** A step of the method. Enter begins the next, Alt and the arrows move it; what it says of time, temperature and signs is marked. */
export const StepNode = Node.create<StepOptions>({
  name: 'step',
  content: 'inline*',
  defining: true,
  addOptions: () => ({ onRefused: () => undefined }),
  // A step split in two is the step and a new one: what it is known by stays with the first.
  addAttributes: () => ({ part: { default: null as string | null }, id: { default: null as string | null, keepOnSplit: false } }),
  parseHTML: () => ['p', 'li', 'div', 'h1', 'h2', 'h3', 'h4'].map((tag) => ({ tag })),
  renderHTML: () => ['p', 0],
  addNodeView: () => ReactNodeViewRenderer(StepView),
  addKeyboardShortcuts() {
    const by = (step: 1 | -1) => () => moved(this.editor.view, step);
    return { 'Alt-ArrowUp': by(-1), 'Alt-ArrowDown': by(1) };
  },
  addProseMirrorPlugins() {
    const { onRefused } = this.options;
    return [
      new Plugin({
        props: {
          handlePaste: (_, event) => {
            const pasted = ['text/plain', 'text/html'].map((type) => event.clipboardData?.getData(type).length ?? 0);
            if (Math.max(...pasted) <= MOST_PASTED) return false;
            onRefused();
            return true;
          },
          decorations: ({ doc }) => DecorationSet.create(doc, said(doc)),
          clipboardTextParser: (text, _, __, { state }) => {
            const nodes = stepLines(text).map((line) => state.schema.nodeFromJSON(blockOf(line)));
            return new Slice(Fragment.from(nodes), 1, 1);
          },
        },
      }),
    ];
  },
});

function said(doc: DocumentNode): Decoration[] {
  const found: Decoration[] = [];
  doc.forEach((step, at) => {
    for (const { kind, from, to } of stepSpans(wordsOf(step)))
      found.push(Decoration.inline(at + 1 + from, at + 1 + to, { class: `said ${kind}` }));
  });
  return found;
}

/** Swaps the step the caret is in with the one above or below. */
function moved({ state, dispatch }: EditorView, by: 1 | -1): boolean {
  const { $from } = state.selection;
  const index = $from.index(0);
  const other = index + by;
  if (other < 0 || other >= state.doc.childCount) return true;
  const steps = Array.from({ length: state.doc.childCount }, (_, i) => state.doc.child(i));
  const [here, there] = [state.doc.child(index), state.doc.child(other)];
  steps[index] = there;
  steps[other] = here;
  const shift = by === 1 ? there.nodeSize : -there.nodeSize;
  const transaction = state.tr.replaceWith(0, state.doc.content.size, steps);
  const { anchor, head } = state.selection;
  dispatch(transaction.setSelection(TextSelection.create(transaction.doc, anchor + shift, head + shift)).scrollIntoView());
  return true;
}
