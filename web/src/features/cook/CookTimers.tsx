import { clockFace, type TimerNow } from './timers';

/** Clocks that run beside the steps: what is left, or how long it is over. */
export function CookTimers({ timers, onStop }: { readonly timers: readonly TimerNow[]; readonly onStop: (id: string) => void }) {
  return (
    <div className="cook-timers" aria-label="Timers" role="group">
      {timers.map(({ timer, left, used }) => (
        <div key={timer.id} className={left <= 0 ? 'timer over' : 'timer'} style={{ '--used': `${used * 100}%` } as React.CSSProperties}>
          <span className="timer-name">
            {left <= 0 && '▲ '}
            {timer.name}
          </span>
          <button type="button" onClick={() => onStop(timer.id)} aria-label={`Stop the timer: ${timer.name}`}>
            stop
          </button>
          <b role="timer">{clockFace(left)}</b>
          <span className="timer-of">{left <= 0 ? `over ${timer.minutes} min` : `of ${timer.minutes}`}</span>
        </div>
      ))}
    </div>
  );
}
