import { useState } from 'react';
import { sumFromText, type Batch, type BatchEdit } from '@portiona/core';
import { numberText } from '../../ui/numberText';

interface WeighRowProps {
  readonly at: string;
  readonly amount: string;
  readonly food: string;
  /** Edible grams planned; undefined where nobody knows. */
  readonly planned: number | undefined;
  readonly batch: Batch;
  readonly onSay: (edit: BatchEdit) => void;
}

/** An ingredient at the stove: pressed, it asks for its weight, which may be a sum; left empty, it is in as planned. */
export function WeighRow({ at, amount, food, planned, batch, onSay }: WeighRowProps) {
  const [typed, setTyped] = useState<string>();
  const done = batch.lines?.find((line) => 'at' in line && line.at === at);
  const isOut = done !== undefined && 'out' in done;
  const weighed = done && 'grams' in done ? done.grams : undefined;
  const ready = batch.cooking?.ready?.includes(at) ?? false;
  const read = typed === undefined || typed.trim() === '' ? undefined : sumFromText(typed);
  const sound = typed === undefined || typed.trim() === '' || (read !== undefined && read >= 0);
  const take = () => {
    if (typed === undefined || !sound) return;
    setTyped(undefined);
    // Another food in its place stays in its place.
    if (read !== undefined)
      onSay({ do: 'line', line: done && 'food' in done && 'at' in done ? { ...done, grams: read } : { at, grams: read } });
    onSay({ do: 'ready', at, ready: true });
  };
  const far = weighed !== undefined && planned !== undefined && Math.abs(weighed - planned) > 0.1 * planned;
  return (
    <div className={`weigh ${typed === undefined ? '' : 'on-scale'} ${isOut ? 'is-out' : ''}`}>
      <button
        type="button"
        className="weigh-tick"
        role="checkbox"
        aria-checked={ready}
        aria-label={`In: ${amount} ${food}`.replace(/\s+/g, ' ')}
        onClick={() => onSay({ do: 'ready', at, ready: !ready })}
      >
        {ready ? '✓' : ''}
      </button>
      <button
        type="button"
        className="weigh-name"
        aria-expanded={typed !== undefined}
        onClick={() => setTyped(typed === undefined ? '' : undefined)}
      >
        {amount !== '' && <b>{amount}</b>} {food}
      </button>
      <span className={`weigh-grams ${far ? 'warn' : ready || weighed !== undefined ? 'ok' : ''}`}>
        {isOut
          ? 'left out'
          : weighed !== undefined
            ? `${far ? '▲ ' : ''}${numberText(weighed, 0)} g`
            : planned === undefined
              ? ''
              : `${numberText(planned, planned < 20 ? 1 : 0)} g`}
      </span>
      {typed !== undefined && (
        <div className="weigh-panel">
          <label>
            <span>Weighed, g, as it goes in: peeled and trimmed</span>
            <input
              inputMode="text"
              autoFocus
              value={typed}
              aria-invalid={!sound}
              placeholder={weighed === undefined ? (planned === undefined ? '' : numberText(planned, 0)) : String(weighed)}
              onChange={({ target }) => setTyped(target.value)}
              onKeyDown={(event) => {
                event.stopPropagation();
                if (event.key === 'Enter') take();
                if (event.key === 'Escape') setTyped(undefined);
              }}
            />
          </label>
          <button type="button" className="cook-main" disabled={!sound} onClick={take}>
            {read === undefined ? 'In as planned' : `Take ${numberText(read, 0)} g`}
          </button>
          <button
            type="button"
            className="cook-plain"
            onClick={() => {
              setTyped(undefined);
              onSay(isOut || weighed !== undefined ? { do: 'as planned', at } : { do: 'line', line: { at, out: true } });
            }}
          >
            {isOut ? 'It is in' : weighed !== undefined ? 'As planned' : 'Left out'}
          </button>
          {!sound && (
            <span className="bad" role="alert">
              “{typed}” is no weight
            </span>
          )}
        </div>
      )}
    </div>
  );
}
