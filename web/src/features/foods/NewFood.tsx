import { gramsOfMassUnit, parseLineText, type Food, type ParsedLine } from '@portiona/core';
import type { SavedFoodDto } from '../../api/api.gen';
import { Modal } from '../../ui/Modal';
import { NumberField } from '../../ui/NumberField';
import { FoodLabel } from './FoodLabel';
import { FoodName } from './FoodName';
import { FoodNotice } from './FoodNotice';
import { useFoodDraft } from './useFoodDraft';
import { Button } from '../../ui/Button';
import '../../ui/beside.css';
import './pantry.css';

interface NewFoodProps {
  readonly name: string;
  /** The line it is for: what is counted there must weigh something. */
  readonly text: string;
  readonly taken: ReadonlySet<string>;
  readonly onClose: () => void;
  readonly onAdded: (added: SavedFoodDto) => void;
}

/** A food added to the pantry without leaving the line that asks for it; packs and the rest can come later. */
export function NewFood({ name, text, taken, onClose, onAdded }: NewFoodProps) {
  const draft = useFoodDraft(undefined, taken, { id: '', name, source: 'label', nutrients: {} }, onAdded);
  const { food, change, add } = draft;
  const measure = measureAsked(parseLineText(text));
  return (
    <Modal open onClose={onClose} title="New food">
      <div
        className="tag new-food"
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey) || event.defaultPrevented) return;
          event.preventDefault();
          if (food.name.trim() !== '') void add();
        }}
      >
        <FoodName name={food.name} onChange={(name) => change({ name })} />
        <FoodNotice draft={draft} isNew />
        <FoodLabel food={food} change={change} />
        {measure !== undefined && (
          <div className="pair mt-2">
            <NumberField
              label={`One ${measure} weighs, in grams`}
              amount={food.measures?.[measure]}
              onChange={(grams) => change({ measures: weighing(food, measure, grams) })}
            />
          </div>
        )}
        <p className="mt-4 flex gap-3 items-center">
          <Button kind="main" disabled={food.name.trim() === ''} onClick={() => void add()}>
            Add and use it
          </Button>
          <span className="faint text-small">
            or <kbd>Ctrl Enter</kbd>; packs and prices can come later.
          </span>
        </p>
      </div>
    </Modal>
  );
}

/** What the line counts or measures in, where that is no weight; undefined for a line in grams or to taste. */
function measureAsked({ amount, unit, size, countWord }: ParsedLine): string | undefined {
  if (amount === undefined || (unit !== undefined && gramsOfMassUnit(unit) !== undefined)) return undefined;
  const thing = unit ?? countWord ?? 'piece';
  return size === undefined || size === 'medium' ? thing : `${size} ${thing}`;
}

function weighing(food: Food, measure: string, grams: number | undefined): Food['measures'] {
  const { [measure]: _, ...others } = food.measures ?? {};
  const measures = grams === undefined ? others : { ...others, [measure]: grams };
  return Object.keys(measures).length === 0 ? undefined : measures;
}
