import type { Kitchen } from '@portiona/core';
import { COLUMNS, FOOD_COLUMN, MOST_COLUMNS, SHARE_COLUMN } from './columns';
import { DropPanel } from '../../ui/DropPanel';
import { Button } from '../../ui/Button';

interface ColumnChoiceProps {
  readonly shown: readonly string[];
  readonly kitchen: Kitchen;
  readonly onChoose: (shown: readonly string[]) => void;
}

/** Which figures stand beside the lines, in this browser. */
export function ColumnChoice({ shown, kitchen, onChoose }: ColumnChoiceProps) {
  const all = [
    ...COLUMNS.map(({ id, name, head }) => ({ id, name, head: head(kitchen) })),
    { id: SHARE_COLUMN, name: 'Energy share', head: 'bars' },
    { id: FOOD_COLUMN, name: 'Counted as', head: 'the food' },
  ];
  const full = shown.length >= MOST_COLUMNS;
  return (
    <DropPanel
      trigger={
        <Button kind="quiet" className="ml-3 text-tiny">
          Columns ▾
        </Button>
      }
      className="p-2 w-[220px]"
      label="Columns beside the lines"
    >
      {all.map(({ id, name, head }) => (
        <label key={id} className="menu-item">
          <span className="flex gap-2 items-center">
            <input
              type="checkbox"
              checked={shown.includes(id)}
              disabled={full && !shown.includes(id)}
              onChange={({ target }) => onChoose(target.checked ? [...shown, id] : shown.filter((one) => one !== id))}
            />
            {name}
          </span>
          <span className="faint">{head}</span>
        </label>
      ))}
      <p className="faint text-small px-2 pt-1">{MOST_COLUMNS} at most; all at once would leave no room for the words.</p>
    </DropPanel>
  );
}
