import { useState } from 'react';
import type { ScaleOrder } from '@portiona/core';
import { Input } from '../../ui/Input';
import type { ScaleState } from './scaleState';

/** The simulated scale's own panel: what is put on it and taken off, and everything that can be wrong with one. */
export function SimulatorPanel({ state, tell }: { readonly state: ScaleState; readonly tell: (order: ScaleOrder) => void }) {
  const [grams, setGrams] = useState('300');
  const [celsius, setCelsius] = useState('74');
  const amount = Number(grams.replace(',', '.'));
  const degrees = Number(celsius.replace(',', '.'));
  return (
    <details className="simulator">
      <summary>Its other side: what lies on it</summary>
      <div className="simulator-row">
        <label>
          <span className="sr">Grams for the simulated scale</span>
          <Input
            inputMode="decimal"
            value={grams}
            aria-label="Grams for the simulated scale"
            onChange={({ target }) => setGrams(target.value)}
          />{' '}
          g
        </label>
        <button type="button" disabled={!Number.isFinite(amount)} onClick={() => tell({ do: 'put', grams: amount })}>
          put on
        </button>
        <button type="button" disabled={!Number.isFinite(amount)} onClick={() => tell({ do: 'put', grams: -amount })}>
          take off
        </button>
        <button type="button" onClick={() => tell({ do: 'clear' })}>
          everything off
        </button>
      </div>
      <div className="simulator-row">
        <Choice name="settles in" options={[0, 1.2, 4]} unit="s" onChoose={(seconds) => tell({ do: 'settle', seconds })} start={1.2} />
        <Choice name="trembles" options={[0, 1, 8]} unit="g" onChoose={(of) => tell({ do: 'noise', grams: of })} start={0} />
        <Choice name="creeps" options={[0, 6, 60]} unit="g/min" onChoose={(of) => tell({ do: 'drift', grams: of })} start={0} />
      </div>
      <div className="simulator-row">
        <button type="button" aria-pressed={state.batteryLow} onClick={() => tell({ do: 'battery', low: !state.batteryLow })}>
          battery low
        </button>
        <button type="button" onClick={() => tell({ do: 'unplug', seconds: 5 })}>
          unplug for 5 s
        </button>
        <button type="button" onClick={() => tell({ do: 'put', grams: 9000 })}>
          overload
        </button>
      </div>
      <div className="simulator-row">
        <label>
          <Input
            inputMode="decimal"
            value={celsius}
            aria-label="Degrees for the simulated probe"
            onChange={({ target }) => setCelsius(target.value)}
          />{' '}
          °C
        </label>
        <button type="button" disabled={!Number.isFinite(degrees)} onClick={() => tell({ do: 'probe', celsius: degrees })}>
          probe in
        </button>
        <button type="button" onClick={() => tell({ do: 'probe', celsius: null })}>
          probe out
        </button>
      </div>
    </details>
  );
}

function Choice({
  name,
  options,
  unit,
  start,
  onChoose,
}: {
  readonly name: string;
  readonly options: readonly number[];
  readonly unit: string;
  readonly start: number;
  readonly onChoose: (of: number) => void;
}) {
  const [chosen, setChosen] = useState(start);
  return (
    <label>
      {name}{' '}
      <select
        value={chosen}
        onChange={({ target }) => {
          setChosen(Number(target.value));
          onChoose(Number(target.value));
        }}
      >
        {options.map((one) => (
          <option key={one} value={one}>
            {one} {unit}
          </option>
        ))}
      </select>
    </label>
  );
}
