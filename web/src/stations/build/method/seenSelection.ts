import type { Node as DocumentNode } from '@tiptap/pm/model';
import { TextSelection, type Selection } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';

/**
 * What is selected on the page, which a key or a press may have moved a moment before the editor hears of it.
 *
 * @param doc the document as it is to be, its places those of the page
 * @returns undefined where the editor is not what is written in
 */
export function seenSelection(view: EditorView, doc: DocumentNode): Selection | undefined {
  const { anchorNode, anchorOffset, focusNode, focusOffset } = document.getSelection() ?? {};
  if (!anchorNode || !focusNode || !view.dom.contains(anchorNode) || !view.dom.contains(focusNode) || !view.hasFocus()) return undefined;
  const [anchor, head] = [view.posAtDOM(anchorNode, anchorOffset ?? 0), view.posAtDOM(focusNode, focusOffset ?? 0)];
  return TextSelection.between(doc.resolve(anchor), doc.resolve(head));
}

/** The editor with the caret where it is seen: a key must not act where it stood before. */
export function synced(view: EditorView): EditorView {
  const { selection, doc, tr } = view.state;
  // What is selected as a whole, a mention, the page shows as no place in the text.
  const seen = selection instanceof TextSelection ? seenSelection(view, doc) : undefined;
  if (seen && !seen.eq(selection)) view.dispatch(tr.setSelection(seen));
  return view;
}
