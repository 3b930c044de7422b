import { useState } from 'react';
import { sumFromText, type Batch, type BatchEdit, type Kitchen } from '@portiona/core';
import { numberText } from '../../ui/numberText';
import { AnotherFood } from './AnotherFood';
import { weighedLine } from './toWeigh';

/** Which line is on the scale, and how another is put on it; no key: none is there. */
export interface OnScale {
  readonly key: string | undefined;
  readonly live: boolean;
  readonly onTarget: (key: string) => void;
}

interface WeighRowProps {
  readonly at: string;
  readonly amount: string;
  readonly food: string;
  /** Edible grams planned; undefined where nobody knows. */
  readonly planned: number | undefined;
  readonly batch: Batch;
  readonly kitchen: Kitchen;
  readonly onSay: (edit: BatchEdit) => void;
  readonly onScale: OnScale;
}

/** An ingredient at the stove: pressed, it asks for its weight, which may be a sum; left empty, it is in as planned. */
export function WeighRow({ at, amount, food, planned, batch, kitchen, onSay, onScale }: WeighRowProps) {
  const [typed, setTyped] = useState<string>();
  const [instead, setInstead] = useState(false);
  const lies = onScale.live && onScale.key === `line ${at}`;
  const done = batch.lines?.find((line) => 'at' in line && line.at === at);
  const isOut = done !== undefined && 'out' in done;
  const weighed = done && 'grams' in done ? done.grams : undefined;
  const ready = batch.cooking?.ready?.includes(at) ?? false;
  const read = typed === undefined || typed.trim() === '' ? undefined : sumFromText(typed);
  const sound = typed === undefined || typed.trim() === '' || (read !== undefined && read >= 0);
  const take = () => {
    if (typed === undefined || !sound) return;
    setTyped(undefined);
    if (read !== undefined) onSay(weighedLine(batch, at, read));
    onSay({ do: 'ready', at, ready: true });
  };
  const far = weighed !== undefined && planned !== undefined && Math.abs(weighed - planned) > 0.1 * planned;
  return (
    <div className={`weigh ${typed === undefined && !lies ? '' : 'on-scale'} ${isOut ? 'is-out' : ''}`}>
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
        onClick={() => {
          if (onScale.live && !lies) return onScale.onTarget(`line ${at}`);
          setInstead(false);
          setTyped(typed === undefined ? '' : undefined);
        }}
      >
        {amount !== '' && <b>{amount}</b>} {food}
        {done && 'food' in done && <span className="weigh-instead">▲ {kitchen.food(done.food)?.name ?? done.food} instead</span>}
      </button>
      <span className={`weigh-grams ${far ? 'warn' : ready || weighed !== undefined ? 'ok' : ''}`}>
        {lies && weighed === undefined && !isOut
          ? 'on the scale'
          : isOut
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
          {!isOut && (
            <button type="button" className="cook-plain" aria-expanded={instead} onClick={() => setInstead(!instead)}>
              Instead
            </button>
          )}
          {instead && (
            <AnotherFood
              label={`Instead of ${food}`}
              kitchen={kitchen}
              grams={read ?? weighed ?? planned}
              onTake={(id, grams) => {
                onSay({ do: 'line', line: { at, food: id, grams } });
                onSay({ do: 'ready', at, ready: true });
                setTyped(undefined);
                setInstead(false);
              }}
            />
          )}
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
