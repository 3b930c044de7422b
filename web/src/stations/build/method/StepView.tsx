import { NodeViewContent, NodeViewWrapper, type ReactNodeViewProps } from '@tiptap/react';
import type { Node as DocumentNode } from '@tiptap/pm/model';
import { speaksOfOven, stepSpans, temperatureText } from '@portiona/core';
import { FoundMark } from '../../../features/check/FoundMark';
import { NoteMark } from '../../../features/notes/NoteMark';
import { useStation } from '../../station';
import type { Beside } from './stepDocument';
import { StepTiming } from './StepTiming';
import { wordsOf } from './stepWords';

/** A step as it is written, the part it makes, and what was understood of it. */
export function StepView({ node, updateAttributes, editor, getPos }: ReactNodeViewProps) {
  const { recipe, here, check } = useStation();
  const words = wordsOf(node);
  const part = (node.attrs as { part: string | null }).part ?? '';
  const alone = node.content.size === 0 && editor.state.doc.childCount === 1;
  const at = getPos();
  const number = at === undefined ? 1 : editor.state.doc.resolve(at).index(0) + 1;
  const { beside, id } = node.attrs as { beside: Beside | null; id?: string | null };
  return (
    <NodeViewWrapper className={node.content.size === 0 && !alone ? 'step-row unwritten' : 'step-row'}>
      <div className="step-words">
        <NodeViewContent<'p'> as="p" />
        {alone && (
          <span className="step-hint" contentEditable={false}>
            Soften the onions in the oil, medium heat, 8 min, until gold at the edge. “@” mentions an ingredient.
          </span>
        )}
      </div>
      <div className="step-said" contentEditable={false}>
        {recipe.parts.length > 1 && (
          <select
            aria-label={`Part of step ${number}`}
            value={part}
            onChange={({ target }) => updateAttributes({ part: target.value === '' ? null : target.value })}
          >
            <option value="">no part</option>
            {recipe.parts.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        )}
        {words.trim() !== '' && at !== undefined && (
          <StepTiming
            recipe={recipe}
            number={writtenNumber(editor.state.doc, number)}
            words={words}
            beside={beside ?? {}}
            onChange={(next) => updateAttributes({ beside: Object.keys(next).length === 0 ? null : next })}
          />
        )}
        {at !== undefined && words.trim() !== '' && (
          <FoundMark findings={check.byPlace.get(`step/${writtenNumber(editor.state.doc, number)}`) ?? []} of={`step ${number}`} />
        )}
        {typeof id === 'string' && words.trim() !== '' && (
          <NoteMark place={`step/${id}`} of={`step ${writtenNumber(editor.state.doc, number)}`} />
        )}
        <Said words={words} fahrenheitFirst={(recipe.measures ?? here.kitchen.settings.measures) === 'us'} />
      </div>
    </NodeViewWrapper>
  );
}

/** Core temperatures lie under this, °C: reaching one is a sign that a step is done. */
const CORE_BELOW = 100;

function Said({ words, fahrenheitFirst }: { readonly words: string; readonly fahrenheitFirst: boolean }) {
  if (words.trim() === '') return null;
  const spans = stepSpans(words);
  const cooks = spans.some(({ kind }) => kind !== 'sign');
  const done = spans.some((span) => span.kind === 'sign' || (span.kind === 'temperature' && span.temperature.celsius < CORE_BELOW));
  return (
    <>
      {spans.map((span) =>
        span.kind === 'temperature' ? (
          <span key={span.from}>{temperatureText(span.temperature, fahrenheitFirst, speaksOfOven(words))}</span>
        ) : null,
      )}
      {done && <span className="good">✓ sign</span>}
      {cooks && !done && <span className="faint">no “until …” yet</span>}
    </>
  );
}

/** The number of a step among those that have words. */
function writtenNumber(doc: DocumentNode, number: number): number {
  let written = 0;
  for (let i = 0; i < number; i++) if (wordsOf(doc.child(i)).trim() !== '') written++;
  return written;
}
