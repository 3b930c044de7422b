import { NodeViewWrapper, type ReactNodeViewProps } from '@tiptap/react';
import { endsSentence, mentionReads, placesByReference, type Mention } from '@portiona/core';
import { useStation } from '../../station';
import { MENTIONED } from './stepWords';

/** An ingredient within a step, with its amount as it stands now; a press shows its name alone, or its amount again. */
export function MentionView({ node, updateAttributes, editor, getPos }: ReactNodeViewProps) {
  const { at, bare, words } = node.attrs as Mention;
  const { recipe, computed } = useStation();
  const place = placesByReference(recipe).get(at);
  const line = computed.ok && place !== undefined ? computed.figures.lines.find((one) => one.at === place) : undefined;
  const pos = getPos();
  const { doc } = editor.state;
  const before = pos === undefined ? '' : doc.textBetween(doc.resolve(pos).start(), pos, undefined, MENTIONED);
  const said = line && mentionReads(line, bare, endsSentence(before));
  return (
    <NodeViewWrapper as="span">
      <button
        type="button"
        tabIndex={-1}
        className={`mention ${said ? '' : 'bad'}`}
        title={
          said ? (bare ? 'By its name alone; a press gives its amount' : 'With its amount; a press leaves it out') : 'No such line any more'
        }
        onClick={() => updateAttributes({ bare: !bare })}
      >
        {said?.text ?? words}
      </button>
    </NodeViewWrapper>
  );
}
