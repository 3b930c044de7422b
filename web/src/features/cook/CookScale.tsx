import { coreTemperatures, type Batch, type BatchEdit, type Food } from '@portiona/core';
import { numberText } from '../../ui/numberText';
import { ScalePanel } from '../scale/ScalePanel';
import { takeable } from '../scale/scaleState';
import type { Scale } from '../scale/useScale';
import type { ToWeigh } from './toWeigh';

interface CookScaleProps {
  readonly scale: Scale;
  readonly batch: Batch;
  readonly target: ToWeigh | undefined;
  /** Grams of the target before it was trimmed, where that was weighed. */
  readonly before: number | undefined;
  readonly onBefore: (grams: number) => void;
  readonly onTake: (grams: number) => void;
  /** What lies there was taken: it is not taken once more. */
  readonly spent: boolean;
  /** The step in hand, and what is in it. */
  readonly step: number;
  readonly foods: readonly Food[];
  readonly say: (edit: BatchEdit) => void;
}

/** The scale and its probe at the stove: one row is on it at a time. */
export function CookScale({ scale, batch, target, before, onBefore, onTake, spent, step, foods, say }: CookScaleProps) {
  const can = takeable(scale.state);
  return (
    <ScalePanel scale={scale} wanted={target && { name: target.name, grams: target.grams }} spent={spent} onTake={onTake}>
      {target?.kind === 'line' && !spent && (
        <p className="scale-more">
          {before === undefined ? (
            <button type="button" disabled={!('grams' in can)} onClick={() => 'grams' in can && onBefore(can.grams)}>
              That is before trimming
            </button>
          ) : (
            <span>
              Was {numberText(before, 0)} g
              {scale.state.weight && scale.state.weight.grams > 0 && scale.state.weight.grams < before
                ? `: ${numberText(100 * (1 - scale.state.weight.grams / before), 1)} % trimmed`
                : ': trim it, and put it back on'}
            </span>
          )}
        </p>
      )}
      {scale.state.probe && <Probe scale={scale} batch={batch} step={step} foods={foods} say={say} />}
    </ScalePanel>
  );
}

/** What the probe shows, beside what the middle has to reach; taken into the step. */
function Probe({ scale, batch, step, foods, say }: Pick<CookScaleProps, 'scale' | 'batch' | 'step' | 'foods' | 'say'>) {
  const { probe } = scale.state;
  const [hottest] = [...coreTemperatures(foods)].sort((a, b) => b.celsius - a.celsius);
  const taken = (batch.temperatures ?? []).filter((one) => one.step === step).at(-1);
  if (!probe) return null;
  const reached = hottest === undefined ? undefined : probe.celsius >= hottest.celsius;
  return (
    <div className="scale-more">
      <span>
        In the middle <b>{numberText(probe.celsius, 1)} °C</b> / {numberText(probe.celsius * 1.8 + 32, 0)} °F,{' '}
        {probe.steady ? 'steady' : 'rising or falling'}
        {hottest && (
          <>
            {' '}
            {reached ? '✓' : '▲'} {hottest.says}
          </>
        )}
      </span>
      {step > 0 && (
        <button
          type="button"
          disabled={!probe.steady}
          onClick={() => say({ do: 'temperature', reading: { step, celsius: probe.celsius, at: new Date().toISOString() } })}
        >
          Note it at this step
        </button>
      )}
      {taken && <span>Noted: {numberText(taken.celsius, 1)} °C</span>}
    </div>
  );
}
