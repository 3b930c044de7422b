import type { ReactNode } from 'react';
import { Segmented } from '../../ui/Segmented';
import { numberText } from '../../ui/numberText';
import { SimulatorPanel } from './SimulatorPanel';
import { serialOf } from './scaleLink';
import { takeable } from './scaleState';
import type { Scale, ScaleKind } from './useScale';
import './scale.css';

interface ScalePanelProps {
  readonly scale: Scale;
  /** What is weighed: its name and how much of it is wanted, grams. */
  readonly wanted: { readonly name: string; readonly grams: number | undefined } | undefined;
  /** What a press on the large button does, in words; undefined where nothing is to be weighed. */
  readonly takeWords?: string;
  /** What lies there was taken already: it is not taken once more. */
  readonly spent?: boolean;
  readonly onTake: (grams: number) => void;
  /** More ways to take what lies there. */
  readonly children?: ReactNode;
}

/** The scale as it is read from across the kitchen: what lies on it, how much is to go, whether it is steady. */
export function ScalePanel({ scale, wanted, takeWords = 'Take the weight', spent = false, onTake, children }: ScalePanelProps) {
  const { kind, state, choose, tell, trouble } = scale;
  const kinds: readonly (readonly [ScaleKind, string])[] = [
    ['none', 'no scale'],
    ['simulated', 'simulated'],
    ...(serialOf() || kind === 'cable' ? [['cable', 'on a cable'] as const] : []),
  ];
  return (
    <section className="scale" aria-label="Scale">
      {kind !== 'none' && <Reading {...{ scale, wanted, takeWords, spent, onTake }}>{children}</Reading>}
      {trouble !== undefined && (
        <p className="bad" role="alert">
          ✕ {trouble}
        </p>
      )}
      <div className="scale-kinds">
        <Segmented label="Which scale" value={kind} options={kinds} onChange={choose} />
        {state.link === 'there' && state.most !== undefined && (
          <span className="muted text-small">
            {state.name}, {numberText(state.most / 1000, 0)} kg
          </span>
        )}
      </div>
      {kind === 'simulated' && <SimulatorPanel state={state} tell={tell} />}
    </section>
  );
}

function Reading({ scale: { state, tell }, wanted, takeWords = '', spent = false, onTake, children }: ScalePanelProps) {
  const shows = takeable(state);
  const can = spent && 'grams' in shows ? { because: 'taken: put the next on, or tare' } : shows;
  const toGo = wanted?.grams === undefined || !state.weight ? undefined : wanted.grams - state.weight.grams;
  const share =
    wanted?.grams !== undefined && wanted.grams > 0 && state.weight ? Math.max(0, state.weight.grams / (wanted.grams * 1.1)) : 0;
  const shown = state.overload ? '– – –' : state.weight ? numberText(state.weight.grams, 0) : '–';
  const how =
    state.link !== 'there'
      ? state.link === 'gone'
        ? 'not there: looked for'
        : 'looked for'
      : state.overload
        ? 'overloaded'
        : state.weight?.steady
          ? 'steady'
          : 'moving';
  return (
    <div className={`scale-face ${state.weight?.steady ? 'steady' : ''}`}>
      <p className="scale-top">
        <span>
          {wanted ? (
            <>
              {wanted.name}
              {wanted.grams !== undefined && (
                <>
                  , <b>{numberText(wanted.grams, 0)} g</b> wanted
                </>
              )}
            </>
          ) : (
            'nothing to weigh'
          )}
        </span>
        <span className="scale-how" role="status">
          <i aria-hidden /> {how}
        </span>
      </p>
      <p className="scale-grams">
        <b>{shown}</b> <span>g</span>
        {toGo !== undefined && (
          <em>{Math.abs(toGo) < 0.5 ? 'there' : toGo > 0 ? `${numberText(toGo, 0)} to go` : `${numberText(-toGo, 0)} over`}</em>
        )}
      </p>
      {wanted?.grams !== undefined && (
        <div className="scale-bar" aria-hidden>
          <i style={{ width: `${Math.min(100, 100 * share)}%` }} />
          <u />
        </div>
      )}
      {state.batteryLow && <p className="scale-said">▲ Its battery is low: what it shows may be off soon.</p>}
      {state.overload && <p className="scale-said">▲ More than it can weigh: take something off. Nothing is taken.</p>}
      <div className="scale-keys">
        <button type="button" onClick={() => tell({ do: 'tare' })} disabled={state.link !== 'there'}>
          <b>Tare</b>
          <span>T</span>
        </button>
        <button
          type="button"
          className="scale-take"
          disabled={!wanted || !('grams' in can)}
          onClick={() => 'grams' in can && onTake(can.grams)}
        >
          <b>{takeWords}</b>
          <span>{'grams' in can ? 'Space' : can.because}</span>
        </button>
      </div>
      {children}
    </div>
  );
}
