import { nutrientName, TOLERATED_FIGURES, type CardTolerances, type ToleratedFigure } from '@portiona/core';
import { useGetKitchenQuery } from '../../api/api.gen';
import { Button } from '../../ui/Button';
import { DropPanel } from '../../ui/DropPanel';
import { Input } from '../../ui/Input';
import { useChangeSettings } from '../kitchen/useChangeSettings';
import './driftWatch.css';

const NAMES: { readonly [figure in ToleratedFigure]?: string } = {
  weight: 'Weight of a box',
  usedCost: 'Cost, used',
  tillCost: 'Cost at the till',
};

/** How far each figure of a published card may move before it counts as drifted. Each is saved when it is left. */
export function Tolerances() {
  const kitchen = useGetKitchenQuery().data;
  const change = useChangeSettings();
  if (!kitchen) return null;
  const { card = {} } = kitchen;
  const tolerances: CardTolerances = card.tolerances ?? {};
  const keep = (figure: ToleratedFigure, percent: number | undefined) => {
    if (percent === tolerances[figure]) return;
    change({ card: { tolerances: { [figure]: percent ?? null } } });
  };
  const set = Object.values(tolerances).filter((percent) => percent > 0).length;
  return (
    <DropPanel
      trigger={
        <Button>
          What may move{set > 0 && `, ${set} set`} <span aria-hidden>▾</span>
        </Button>
      }
      className="w-[330px] max-w-[94vw] p-3"
      label="What may move"
    >
      <p className="m-0 text-compact muted">
        A figure that moves no further than this still holds, and is shown as moved. Left empty: not at all. Words, allergens and broken
        promises always count.
      </p>
      <div className="tolerances">
        {TOLERATED_FIGURES.map((figure) => (
          <Tolerance
            key={`${figure} ${tolerances[figure]}`}
            name={NAMES[figure] ?? nutrientName(figure as Parameters<typeof nutrientName>[0])}
            percent={tolerances[figure]}
            onChange={(percent) => keep(figure, percent)}
          />
        ))}
      </div>
    </DropPanel>
  );
}

interface ToleranceProps {
  readonly name: string;
  readonly percent: number | undefined;
  readonly onChange: (percent: number | undefined) => void;
}

function Tolerance({ name, percent, onChange }: ToleranceProps) {
  return (
    <>
      <span>{name}</span>
      <span className="flex gap-1 items-baseline">
        <Input
          className="num"
          type="number"
          min={0}
          max={100}
          step="any"
          defaultValue={percent ?? ''}
          placeholder="0"
          aria-label={`${name}: may move by percent`}
          onBlur={({ target }) => {
            if (target.validity.badInput || !target.validity.valid) target.value = String(percent ?? '');
            else onChange(target.value === '' || Number(target.value) === 0 ? undefined : Number(target.value));
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
          }}
        />
        %
      </span>
    </>
  );
}
