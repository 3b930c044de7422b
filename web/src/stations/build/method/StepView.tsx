import { NodeViewContent, NodeViewWrapper, type ReactNodeViewProps } from '@tiptap/react';
import { speaksOfOven, stepSpans, temperatureText, type Amount } from '@portiona/core';
import { numberText } from '../../../ui/numberText';
import { useStation } from '../../station';
import { wordsOf } from './stepWords';

/** A step as it is written, the part it makes, and what was understood of it. */
export function StepView({ node, updateAttributes, editor, getPos }: ReactNodeViewProps) {
  const { recipe, here } = useStation();
  const words = wordsOf(node);
  const part = (node.attrs as { part: string | null }).part ?? '';
  const alone = node.content.size === 0 && editor.state.doc.childCount === 1;
  const at = getPos();
  const number = at === undefined ? 1 : editor.state.doc.resolve(at).index(0) + 1;
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
        span.kind === 'time' ? (
          <span key={span.from}>{timeText(span.minutes)}</span>
        ) : span.kind === 'temperature' ? (
          <span key={span.from}>{temperatureText(span.temperature, fahrenheitFirst, speaksOfOven(words))}</span>
        ) : null,
      )}
      {done && <span className="good">✓ sign</span>}
      {cooks && !done && <span className="faint">no “until …” yet</span>}
    </>
  );
}

function timeText(minutes: Amount): string {
  const [low, high] = typeof minutes === 'number' ? [minutes, minutes] : minutes;
  const one = (of: number) => numberText(of, Number.isInteger(of) ? 0 : 1);
  return low === high ? `${one(low)} min` : `${one(low)} to ${one(high)} min`;
}
