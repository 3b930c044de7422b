import { Node } from '@tiptap/core';
import { Fragment, Slice, type Node as DocumentNode } from '@tiptap/pm/model';
import { Plugin, TextSelection } from '@tiptap/pm/state';
import { Decoration, DecorationSet, type EditorView } from '@tiptap/pm/view';
import { ReactNodeViewRenderer } from '@tiptap/react';
import { stepSpans } from '@portiona/core';
import { synced } from './seenSelection';
import { blockOf, headedPart, stepLines, type Beside } from './stepDocument';
import { StepView } from './StepView';
import { wordsOf } from './stepWords';

/** Characters that one paste brings at most: a long method is a few thousand. */
const MOST_PASTED = 100_000;

interface StepOptions {
  /** Told when a paste is refused for its size. */
  readonly onRefused: () => void;
  /** The id of the part that a heading names; it is made where there is none of that name. */
  readonly partNamed: (name: string) => string | undefined;
}

/**
 * A step of the method. Enter begins the next, Backspace at its beginning joins it to the one before, Alt and the arrows move it; a
 * heading among them, written or pasted, makes the steps under it those of its part. What it says of time, temperature and signs is
 * marked.
 */
export const StepNode = Node.create<StepOptions>({
  name: 'step',
  content: 'inline*',
  defining: true,
  addOptions: () => ({ onRefused: () => undefined, partNamed: () => undefined }),
  // A step split in two is the step and a new one: what it is known by stays with the first.
  addAttributes: () => ({
    part: { default: null as string | null },
    id: { default: null as string | null, keepOnSplit: false },
    // Its time and place, which nothing that is pasted brings.
    beside: { default: null as Beside | null, keepOnSplit: false, rendered: false },
    // Only of what is being pasted: it becomes the part of what follows.
    heads: { default: false, keepOnSplit: false, rendered: false },
  }),
  parseHTML: () => [
    ...['p', 'li', 'div'].map((tag) => ({ tag })),
    ...['h1', 'h2', 'h3', 'h4', 'h5'].map((tag) => ({ tag, attrs: { heads: true } })),
  ],
  renderHTML: () => ['p', 0],
  addNodeView: () => ReactNodeViewRenderer(StepView),
  addKeyboardShortcuts() {
    const by = (step: 1 | -1) => () => moved(this.editor.view, step);
    const { partNamed } = this.options;
    return {
      'Alt-ArrowUp': by(-1),
      'Alt-ArrowDown': by(1),
      Backspace: () => joined(synced(this.editor.view), 'before'),
      Delete: () => joined(synced(this.editor.view), 'after'),
      Enter: () => headed(synced(this.editor.view), partNamed),
    };
  },
  addProseMirrorPlugins() {
    const { onRefused, partNamed } = this.options;
    return [
      new Plugin({
        props: {
          // A letter goes where the caret is seen to be, in the words of a step and not beside them.
          handleKeyDown: (view, { key, ctrlKey, metaKey }) => {
            if (key.length === 1 && !ctrlKey && !metaKey) synced(view);
            return false;
          },
          handlePaste: (_, event) => {
            const pasted = ['text/plain', 'text/html'].map((type) => event.clipboardData?.getData(type).length ?? 0);
            if (Math.max(...pasted) <= MOST_PASTED) return false;
            onRefused();
            return true;
          },
          decorations: ({ doc }) => DecorationSet.create(doc, said(doc)),
          transformPasted: (slice) => underHeadings(slice, partNamed),
          clipboardTextParser: (text, _, __, { state }) => {
            const nodes = stepLines(text).map((line) => state.schema.nodeFromJSON(blockOf(line)));
            return new Slice(Fragment.from(nodes), 1, 1);
          },
        },
      }),
    ];
  },
});

/** Joins a step to the one before, whose part and id it takes: from its beginning, or from the end of the other. */
function joined({ state, dispatch }: EditorView, to: 'before' | 'after'): boolean {
  const { $from, empty } = state.selection;
  const second = $from.index(0) + (to === 'before' ? 0 : 1);
  const edge = to === 'before' ? 0 : $from.parent.content.size;
  if (!empty || $from.parentOffset !== edge || second === 0 || second >= state.doc.childCount) return false;
  const at = to === 'before' ? $from.before(1) : $from.after(1);
  const [before, here] = [state.doc.child(second - 1), state.doc.child(second)];
  // Two sentences keep a space between them.
  const needsSpace = before.content.size > 0 && here.content.size > 0 && !/\s$/.test(wordsOf(before)) && !/^\s/.test(wordsOf(here));
  const transaction = state.tr.delete(at - 1, at + 1);
  if (needsSpace) transaction.insertText(' ', at - 1);
  dispatch(
    transaction.setSelection(TextSelection.create(transaction.doc, at - 1 + (needsSpace && to === 'before' ? 1 : 0))).scrollIntoView(),
  );
  return true;
}

/** A heading that was written becomes the part of the step that is begun under it. */
function headed({ state, dispatch }: EditorView, partNamed: StepOptions['partNamed']): boolean {
  const { $from, empty } = state.selection;
  const name = empty && $from.parentOffset === $from.parent.content.size ? headedPart(wordsOf($from.parent)) : undefined;
  const part = name === undefined ? undefined : partNamed(name);
  if (part === undefined) return false;
  const at = $from.before(1);
  const transaction = state.tr
    .delete(at + 1, at + 1 + $from.parent.content.size)
    .setNodeMarkup(at, undefined, { part, id: null, heads: false });
  dispatch(transaction.setSelection(TextSelection.create(transaction.doc, at + 1)).scrollIntoView());
  return true;
}

/** What is pasted, with headings among its steps gone and made the parts of what stands under them. */
function underHeadings(slice: Slice, partNamed: StepOptions['partNamed']): Slice {
  if (slice.content.childCount < 2) return slice;
  const steps: DocumentNode[] = [];
  let part: string | undefined;
  slice.content.forEach((step) => {
    const words = wordsOf(step);
    const name = (step.attrs as { heads?: boolean }).heads
      ? (headedPart(`${words.trim().replace(/:$/, '')}:`) ?? words)
      : headedPart(words);
    const headed = name === undefined ? undefined : partNamed(name);
    if (headed !== undefined) part = headed;
    else steps.push(step.type.create({ ...step.attrs, heads: false, ...(part === undefined ? {} : { part }) }, step.content));
  });
  // What begins with a heading stands by itself: it does not run on in the step it is pasted into.
  return steps.length === slice.content.childCount ? slice : new Slice(Fragment.from(steps), 0, 0);
}

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
