import { memo } from 'react';
import { energyShareOfLine, energyShares, type Line, type LineFigures } from '@portiona/core';
import type { LinePlace } from '../../features/recipes/editRecipe';
import { EnergySplit } from '../../ui/EnergySplit';
import { numberText } from '../../ui/numberText';
import { useStation } from '../station';
import { LineWords, type LineWordsProps } from './LineWords';
import type { SheetActions } from './Sheet';

interface LineRowProps {
  readonly line: Line;
  readonly place: LinePlace;
  readonly figures: LineFigures | undefined;
  readonly batchKcal: number;
  readonly current: boolean;
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
export function LineRow({ line, place, figures, batchKcal, current, actions }: LineRowProps) {
  const { here, showWorking } = useStation();
  const { energyKcal, protein } = figures?.nutrients ?? {};
  const share = figures ? energyShareOfLine(figures, batchKcal) : 0;
  return (
    <div className={`row ${current ? 'cur' : ''}`}>
      <KeptWords
        line={line}
        food={line.food === undefined ? undefined : here.foodsById.get(line.food)}
        part={place.part}
        number={place.line}
        figures={figures}
        current={current}
        actions={actions}
      />
      <Cell
        amount={figures?.weights?.edible}
        decimals={figures?.weights && figures.weights.edible < 10 ? 1 : 0}
        onPress={() => showWorking('weight')}
        name="Weight"
      />
      <Cell
        amount={energyKcal?.amount}
        decimals={0}
        gap={(energyKcal?.gaps.length ?? 0) > 0}
        onPress={() => showWorking('energyKcal')}
        name="Energy"
      />
      <Cell
        amount={protein?.amount}
        decimals={1}
        gap={(protein?.gaps.length ?? 0) > 0}
        onPress={() => showWorking('protein')}
        name="Protein"
      />
      <Cell
        amount={figures?.usedCost.amount}
        decimals={2}
        gap={(figures?.usedCost.gaps.length ?? 0) > 0}
        onPress={() => showWorking('usedCost')}
        name="Used cost"
      />
      <span className="share">
        {figures && share > 0.004 && <EnergySplit shares={energyShares(figures)} width={Math.min(100, share * 100)} />}
      </span>
    </div>
  );
}

function Cell({
  amount,
  decimals,
  gap = false,
  onPress,
  name,
}: {
  readonly amount: number | undefined;
  readonly decimals: number;
  readonly gap?: boolean;
  readonly onPress: () => void;
  readonly name: string;
}) {
  return (
    <span className="num">
      {amount === undefined ? (
        <span className="warn" title={`${name} unknown`}>
          ?<span className="sr"> {name} unknown</span>
        </span>
      ) : (
        <button className="figbtn" tabIndex={-1} onClick={onPress} title={`Working of ${name.toLowerCase()}`}>
          {gap && <span className="warn">≥ </span>}
          {numberText(amount, decimals)}
        </button>
      )}
    </span>
  );
}
