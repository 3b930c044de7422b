import { memo } from 'react';
import { useDroppable } from '@dnd-kit/core';
import {
  energyShares,
  lineText,
  type Figure,
  type Finding,
  type Line,
  type LineFigures,
  type WorkedFigure,
  type LinePlace,
} from '@portiona/core';
import type { LoadedKitchen } from '../../features/kitchen/useKitchen';
import { EnergySplit } from '../../ui/EnergySplit';
import { numberText } from '../../ui/numberText';
import type { Column } from './columns';
import { comesToTheSame, readsTheSame } from './sameFigures';
import { useIsDropPlace } from './dropMark';
import { RowHandle } from './RowHandle';
import type { SelectBy } from './useLineSelection';
import { LineWords } from './LineWords';
import type { SheetActions } from './useSheetActions';

interface LineRowProps {
  readonly line: Line;
  readonly place: LinePlace;
  readonly figures: LineFigures | undefined;
  readonly columns: readonly Column[];
  /** Whether its share of the batch's energy is drawn; the sheet says how long. */
  readonly shares: boolean;
  /** Whether the food it is counted as stands in a column of its own. */
  readonly named: boolean;
  /** What the dish calls one serving ("box"). */
  readonly servingName: string;
  /** What Check found in it. */
  readonly found: readonly Finding[] | undefined;
  readonly here: LoadedKitchen;
  readonly onWorking: (figure: WorkedFigure) => void;
  readonly current: boolean;
  readonly selected: boolean;
  readonly onSelect: (place: LinePlace, by: SelectBy) => void;
  readonly actions: SheetActions;
}

/** One ingredient as text, and what it comes to. At every key all lines are computed anew: those that come to the same are left as they are. */
export const LineRow = memo(Row, (before, after) => {
  const { part, line } = before.place;
  return (
    before.line === after.line &&
    part === after.place.part &&
    line === after.place.line &&
    !before.current &&
    !after.current &&
    before.selected === after.selected &&
    before.shares === after.shares &&
    before.named === after.named &&
    before.servingName === after.servingName &&
    before.columns === after.columns &&
    foundText(before.found) === foundText(after.found) &&
    before.here === after.here &&
    before.onSelect === after.onSelect &&
    before.onWorking === after.onWorking &&
    before.actions === after.actions &&
    readsTheSame(before.figures, after.figures) &&
    comesToTheSame(before.figures, after.figures, after.columns, after.here.kitchen)
  );
});

/** At every check findings are made anew: those that say the same leave the row as it is. */
function foundText(found: readonly Finding[] | undefined): string {
  return found?.map(({ severity, message }) => severity + message).join('\n') ?? '';
}

function Row(props: LineRowProps) {
  const { line, place, figures, columns, shares, named, servingName, found, current, selected, here, onSelect, onWorking, actions } = props;
  const { setNodeRef } = useDroppable({ id: `${place.part}/${place.line}` });
  const isDropPlace = useIsDropPlace(place);
  const food = line.food === undefined ? undefined : here.foodsById.get(line.food);
  const kcal = figures?.counted ? (figures.nutrients.energyKcal.amount ?? 0) : 0;
  return (
    <div ref={setNodeRef} className={`row ${current ? 'cur' : ''} ${selected ? 'picked' : ''} ${isDropPlace ? 'drop' : ''}`}>
      <RowHandle place={place} name={line.text ?? lineText(line, food)} selected={selected} onSelect={onSelect} />
      <LineWords
        line={line}
        food={food}
        part={place.part}
        number={place.line}
        figures={figures}
        servingName={servingName}
        found={found}
        current={current}
        actions={actions}
      />
      {columns.map((column) => (
        <Cell
          key={column.id}
          column={column}
          label={column.head(here.kitchen)}
          figure={figures && column.ofLine(figures, here.kitchen)}
          onPress={onWorking}
        />
      ))}
      {shares && <span className="share">{figures && kcal > 0 && <EnergySplit shares={energyShares(figures)} kcal={kcal} />}</span>}
      {named && (
        <span className={`as-food ${line.agreed === false ? 'warn' : ''}`}>
          {food ? `${line.agreed === false ? '▲ ' : ''}${food.name}` : line.recipe === undefined ? '✕ no food yet' : ''}
        </span>
      )}
    </div>
  );
}

interface CellProps {
  readonly column: Column;
  /** What stands over the column. */
  readonly label: string;
  readonly figure: Figure | undefined;
  readonly onPress: (figure: WorkedFigure) => void;
}

function Cell({ column: { name, decimals, opens }, label, figure, onPress }: CellProps) {
  if (figure?.amount === undefined)
    return (
      <span className="num" data-head={label}>
        {figure && figure.gaps.length === 0 ? (
          <span className="faint">made</span>
        ) : (
          <span className="warn" title={`${name} unknown`}>
            ?<span className="sr"> {name} unknown</span>
          </span>
        )}
      </span>
    );
  return (
    <span className="num" data-head={label}>
      <button className="figbtn" tabIndex={-1} onClick={() => onPress(opens)} title={`Working of ${name.toLowerCase()}`}>
        {figure.gaps.length > 0 && <span className="warn">≥ </span>}
        {numberText(figure.amount, decimals(figure.amount))}
      </button>
    </span>
  );
}
