import { unitsFor, type TableTarget, type TableUnit } from '@portiona/core';
import type { ColumnMappingDto, TableColumnDto } from '../../api/api.gen';
import { TARGET_CHOICES, unitName } from './targetNames';
import { Select } from '../../ui/Select';
import { LedgerRow } from '../../ui/Ledger';

interface ColumnRowProps {
  readonly column: TableColumnDto;
  readonly mapped: ColumnMappingDto | undefined;
  /** Targets that other columns hold already. */
  readonly taken: ReadonlySet<string>;
  readonly onMap: (mapped: ColumnMappingDto | undefined) => void;
}

/** One column of a table: what stands over it, some of its cells, and what is taken from it. */
export function ColumnRow({ column: { heading, samples }, mapped, taken, onMap }: ColumnRowProps) {
  const units = mapped ? unitsFor(mapped.target) : [];
  const choose = (target: TableTarget | '') => {
    if (target === '') return onMap(undefined);
    const fitting = mapped?.unit !== undefined && unitsFor(target).includes(mapped.unit) ? mapped.unit : unitsFor(target)[0];
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
            value={mapped.unit ?? units[0]}
            onChange={({ target }) => onMap({ ...mapped, unit: target.value as TableUnit })}
          >
            {units.map((unit) => (
              <option key={unit} value={unit}>
                {unitName(unit)}
              </option>
            ))}
          </Select>
        )}
      </span>
    </LedgerRow>
  );
}
