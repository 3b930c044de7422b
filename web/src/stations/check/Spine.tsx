import type { CheckedPlace } from '../../features/check/findingPlaces';

interface SpineProps {
  readonly places: readonly (readonly CheckedPlace[])[];
  /** Findings left with a reason. */
  readonly left: number;
  readonly onChoose: (place: string) => void;
}

/** Every place of the dish in its own order, with its mark: that all was looked at is seen, and what was found is one press away. */
export function Spine({ places, left, onChoose }: SpineProps) {
  return (
    <nav className="check-spine" aria-label="Looked at">
      <p className="spine-head">Looked at</p>
      {places.map((group, i) => (
        <ul key={i}>
          {group.map(({ id, name, findings }) => {
            const wrong = findings.some(({ severity }) => severity === 'wrong');
            const sign = findings.length === 0 ? '✓' : wrong ? '✕' : '▲';
            const tone = findings.length === 0 ? 'good' : wrong ? 'bad' : 'warn';
            const says = findings.length === 0 ? 'nothing found' : `${findings.length} found`;
            return (
              <li key={id}>
                {findings.length === 0 ? (
                  <span className="spine-row">
                    <span>{name}</span>
                    <span className={tone} aria-hidden>
                      {sign}
                    </span>
                    <span className="sr">, {says}</span>
                  </span>
                ) : (
                  <button className="spine-row found" onClick={() => onChoose(id)}>
                    <span>{name}</span>
                    <span className={tone} aria-hidden>
                      {sign}
                    </span>
                    <span className="sr">, {says}</span>
                  </button>
                )}
              </li>
            );
          })}
        </ul>
      ))}
      {left > 0 && <p className="spine-left">{left} left with a reason</p>}
    </nav>
  );
}
