import { unitInHeading, unitsFor, type TableTarget, type TableUnit } from '@portiona/core';
import type { ColumnMappingDto, TableColumnDto, UnitReadingDto } from '../../api/api.gen';
import { Button } from '../../ui/Button';
import { TARGET_CHOICES, unitName } from './targetNames';
import { Select } from '../../ui/Select';
import { LedgerRow } from '../../ui/Ledger';

interface ColumnRowProps {
  readonly column: TableColumnDto;
  readonly mapped: ColumnMappingDto | undefined;
  /** What the table itself says of the unit; undefined where the column held nothing of a nutrient when it was looked at. */
  readonly read: UnitReadingDto | undefined;
  /** Targets that other columns hold already. */
  readonly taken: ReadonlySet<string>;
  readonly onMap: (mapped: ColumnMappingDto | undefined) => void;
}

/** One column of a table: what stands over it, some of its cells, and what is taken from it. */
export function ColumnRow({ column: { heading, samples }, mapped, read, taken, onMap }: ColumnRowProps) {
  const units = mapped ? unitsFor(mapped.target) : [];
  const unsaid = mapped !== undefined && isUnitUnsaid(mapped);
  const choose = (target: TableTarget | '') => {
    if (target === '') return onMap(undefined);
    // A unit that was read from the figures was read as of what the column held: of another thing it is asked again.
    const stated = unitInHeading(heading);
    const own = read?.from === 'values' && read.unit === mapped?.unit ? undefined : mapped?.unit;
    const fitting = [own, stated, unitsFor(target).length === 1 ? unitsFor(target)[0] : undefined].find(
      (unit) => unit !== undefined && unitsFor(target).includes(unit),
    );
    onMap({ heading, target, ...(fitting === undefined ? {} : { unit: fitting }) });
  };
  return (
    <LedgerRow className={mapped ? '' : 'unmapped'}>
      <span className="font-medium">{heading}</span>
      <span className="samples num">
        {samples.length === 0 ? <span className="faint">nothing in it</span> : samples.map((text, i) => <span key={i}>{text}</span>)}
      </span>
      <Select
        aria-label={`What ${heading} holds`}
        value={mapped?.target ?? ''}
        onChange={({ target }) => choose(target.value as TableTarget | '')}
      >
        <option value="">not taken</option>
        {TARGET_CHOICES.map(([target, name]) => (
          <option key={target} value={target} disabled={target !== mapped?.target && taken.has(target)}>
            {name}
          </option>
        ))}
      </Select>
      <span>
        {mapped && units.length > 1 && (
          <Select
            aria-label={`Unit of ${heading}`}
            value={mapped.unit ?? ''}
            aria-invalid={unsaid}
            onChange={({ target }) => onMap({ ...mapped, unit: target.value as TableUnit })}
          >
            {unsaid && <option value="">choose</option>}
            {units.map((unit) => (
              <option key={unit} value={unit}>
                {unitName(unit)}
              </option>
            ))}
          </Select>
        )}
      </span>
      {mapped && <UnitEvidence mapped={mapped} read={read} onMap={onMap} />}
    </LedgerRow>
  );
}

/** Whether a column could be in several units, and nobody has said in which it is. */
export function isUnitUnsaid({ target, unit }: ColumnMappingDto): boolean {
  return unit === undefined && unitsFor(target).length > 1;
}

/** What shows a column's unit, where its heading does not; or what speaks against what the heading says. */
function UnitEvidence({
  mapped,
  read,
  onMap,
}: {
  readonly mapped: ColumnMappingDto;
  readonly read: UnitReadingDto | undefined;
  readonly onMap: ColumnRowProps['onMap'];
}) {
  if (isUnitUnsaid(mapped))
    return (
      <p className="evidence asks">
        <span aria-hidden>△</span> Its heading says no unit{read?.from === 'nothing' ? `, and ${read.evidence}` : ''}: choose one, or it is
        not taken.
      </p>
    );
  if (!read) return null;
  const { against, evidence, from, unit } = read;
  if (against !== undefined && mapped.unit === unit)
    return (
      <p className="evidence asks">
        <span aria-hidden>△</span> {evidence}.{' '}
        <Button kind="quiet" onClick={() => onMap({ ...mapped, unit: against })}>
          Take {unitName(against)}
        </Button>
      </p>
    );
  if (from === 'heading' || mapped.unit !== unit) return null;
  return (
    <p className="evidence">
      <span aria-hidden>△</span> {unitName(unit ?? '')} by {from === 'cells' ? 'its cells' : 'its figures'}, not by its heading: {evidence}.
    </p>
  );
}
