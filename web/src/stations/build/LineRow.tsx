import { memo } from 'react';
import { useDroppable } from '@dnd-kit/core';
import {
  energyShareOfLine,
  energyShares,
  lineText,
  type Figure,
  type Line,
  type LineFigures,
  type WorkedFigure,
  type LinePlace,
} from '@portiona/core';
import { EnergySplit } from '../../ui/EnergySplit';
import { numberText } from '../../ui/numberText';
import { useStation } from '../station';
import type { Column } from './columns';
import { useIsDropPlace } from './dropMark';
import { RowHandle } from './RowHandle';
import type { SelectBy } from './useLineSelection';
import { LineWords, type LineWordsProps } from './LineWords';
import type { SheetActions } from './useSheetActions';

interface LineRowProps {
  readonly line: Line;
  readonly place: LinePlace;
  readonly figures: LineFigures | undefined;
  readonly columns: readonly Column[];
  /** Of which each line's share is drawn; undefined: none is. */
  readonly batchKcal: number | undefined;
  readonly current: boolean;
  readonly selected: boolean;
  readonly onSelect: (place: LinePlace, by: SelectBy) => void;
  readonly actions: SheetActions;
}

/** The words of a line change with the line alone, while its figures are made anew at every key. */
const KeptWords = memo(LineWords, (before: LineWordsProps, after: LineWordsProps) => {
  const weights = [before.figures?.weights, after.figures?.weights];
  return (
    !after.current &&
    !before.current &&
    before.line === after.line &&
    before.food === after.food &&
    before.part === after.part &&
    before.number === after.number &&
    before.actions === after.actions &&
    weights[0]?.purchase === weights[1]?.purchase &&
    weights[0]?.eaten === weights[1]?.eaten &&
    before.figures?.of.kind === after.figures?.of.kind
  );
});

/** One ingredient as text, and what it comes to. */
export function LineRow({ line, place, figures, columns, batchKcal, current, selected, onSelect, actions }: LineRowProps) {
  const { here, showWorking } = useStation();
  const { setNodeRef } = useDroppable({ id: `${place.part}/${place.line}` });
  const isDropPlace = useIsDropPlace(place);
  const share = figures && batchKcal !== undefined ? energyShareOfLine(figures, batchKcal) : 0;
  const food = line.food === undefined ? undefined : here.foodsById.get(line.food);
  return (
    <div ref={setNodeRef} className={`row ${current ? 'cur' : ''} ${selected ? 'picked' : ''} ${isDropPlace ? 'drop' : ''}`}>
      <RowHandle place={place} name={line.text ?? lineText(line, food)} selected={selected} onSelect={onSelect} />
      <KeptWords line={line} food={food} part={place.part} number={place.line} figures={figures} current={current} actions={actions} />
      {columns.map((column) => (
        <Cell key={column.id} column={column} figure={figures && column.ofLine(figures, here.kitchen)} onPress={showWorking} />
      ))}
      {batchKcal !== undefined && (
        <span className="share">
          {figures && share > 0.004 && <EnergySplit shares={energyShares(figures)} width={Math.min(100, share * 100)} />}
        </span>
      )}
    </div>
  );
}

interface CellProps {
  readonly column: Column;
  readonly figure: Figure | undefined;
  readonly onPress: (figure: WorkedFigure) => void;
}

function Cell({ column: { name, head, decimals, opens }, figure, onPress }: CellProps) {
  const { here } = useStation();
  const label = head(here.kitchen);
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
