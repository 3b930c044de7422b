import type { DoubtfulRowsDto, RowWaysDto } from '../../api/api.gen';
import { numberText } from '../../ui/numberText';
import { Segmented } from '../../ui/Segmented';

/** What is wrong with rows of a kind, in words. */
const KINDS: Readonly<Record<DoubtfulRowsDto['kind'], string>> = {
  energy: 'with energy missing, or not what the macronutrients make',
  parts: 'with a part above its whole',
  weight: 'with more than 100 g in 100 g',
};
const WAYS: Readonly<Record<DoubtfulRowsDto['ways'][number], string>> = {
  out: 'leave out',
  factored: 'energy from macronutrients',
  asIs: 'as they are',
};

/** Rows that cannot be right as they stand, each listed, and what is to be done with them: nothing is taken until it is said. */
export function DoubtfulRows({
  doubtful,
  ways,
  onWays,
}: {
  readonly doubtful: readonly DoubtfulRowsDto[];
  readonly ways: RowWaysDto;
  readonly onWays: (ways: RowWaysDto) => void;
}) {
  return doubtful.map(({ kind, ways: open, rows, first }) => (
    <section key={kind} className="doubtful" aria-label={`Rows ${KINDS[kind]}`}>
      <p>
        <b className="num">{numberText(rows, 0)}</b> {rows === 1 ? 'row' : 'rows'} <span className="muted">{KINDS[kind]}</span>
      </p>
      <Segmented
        label={`Rows ${KINDS[kind]}`}
        value={ways[kind] ?? ''}
        options={open.map((way) => [way, WAYS[way]])}
        onChange={(way) => way !== '' && onWays({ ...ways, [kind]: way })}
        className="mt-1"
      />
      <details className="mt-1">
        <summary>{rows > first.length ? `See the first ${numberText(first.length, 0)}` : rows === 1 ? 'See it' : 'See them all'}</summary>
        <ul className="faults" tabIndex={0} aria-label={`Rows ${KINDS[kind]}`}>
          {first.map(({ row, name, message }) => (
            <li key={`${row} ${message}`}>
              <span className="faint">row {row}</span> <b>{name}</b> {message}
            </li>
          ))}
        </ul>
      </details>
    </section>
  ));
}
