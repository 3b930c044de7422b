import type { ReactNode } from 'react';
import { useMay } from '../account/useMe';
import { OnlyLooking } from '../account/OnlyLooking';
import { useGetKitchenQuery, type KitchenDto } from '../../api/api.gen';
import { useChangeSettings } from './useChangeSettings';
import { Modal } from '../../ui/Modal';
import { OwnFigure } from './OwnFigure';
import { OwnVessels } from './OwnVessels';
import { CURRENCIES, MEASURES, RULES } from './settingChoices';
import { Input } from '../../ui/Input';
import { Select } from '../../ui/Select';

const STAPLES: readonly (readonly [KitchenDto['staples'], string])[] = [
  ['counted', 'Counted like everything else'],
  ['free', 'Free: the card says so'],
];

const GUIDELINES_SAID: readonly (readonly ['rules' | 'uk' | 'us', string])[] = [
  ['rules', 'as the rules of the cards: US rules the US guideline, else the UK one'],
  ['uk', 'UK guideline: 2 days in the fridge, 1 with rice'],
  ['us', 'US guideline: 3 to 4 days in the fridge'],
];

/** What holds for the whole kitchen; each choice is saved as it is made, and every figure follows. */
export function KitchenSettings({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const kitchen = useGetKitchenQuery().data;
  const change = useChangeSettings();
  const edits = useMay('edit');
  if (!kitchen) return null;
  return (
    <Modal
      open={open}
      onClose={onClose}
      title={kitchen.name}
      hint={`These hold for every recipe and card of the kitchen.${edits ? ' Changes are saved at once.' : ''}`}
    >
      <OnlyLooking what="kitchen" />
      <fieldset className="grid gap-3" disabled={!edits}>
        <Row name="Name of the kitchen">
          <Input
            className="font-serif"
            key={kitchen.name}
            defaultValue={kitchen.name}
            maxLength={200}
            aria-label="Name of the kitchen"
            onBlur={({ target }) => {
              const name = target.value.trim();
              if (name === '') target.value = kitchen.name;
              else if (name !== kitchen.name) change({ name });
            }}
          />
        </Row>
        <Choice name="Prices are in" options={CURRENCIES} chosen={kitchen.currency} onChoose={(currency) => change({ currency })} />
        <Choice name="Rounding and claims on cards" options={RULES} chosen={kitchen.rules} onChoose={(rules) => change({ rules })} />
        <Choice
          name="Spoons and cups, where a recipe does not say"
          options={MEASURES}
          chosen={kitchen.measures}
          onChoose={(measures) => change({ measures })}
        />
        <Choice name="Pantry staples" options={STAPLES} chosen={kitchen.staples} onChoose={(staples) => change({ staples })} />
        <Row name="A price is stale after">
          <span className="flex gap-2 items-baseline">
            <Input
              className="w-[80px] num"
              type="number"
              min={1}
              max={3650}
              key={kitchen.maxPriceAge}
              defaultValue={kitchen.maxPriceAge ?? ''}
              placeholder="never"
              aria-label="A price is stale after, days"
              onBlur={({ target }) => {
                const days = Math.round(Number(target.value));
                const emptied = target.value === '' && !target.validity.badInput;
                if (emptied && kitchen.maxPriceAge !== undefined) change({ maxPriceAge: null });
                if (days >= 1 && days !== kitchen.maxPriceAge) change({ maxPriceAge: days });
              }}
            />
            days
          </span>
        </Row>
        <Choice
          name="Boxes keep as long as it says"
          options={GUIDELINES_SAID}
          chosen={kitchen.guideline ?? 'rules'}
          onChoose={(guideline) => change({ guideline: guideline === 'rules' ? null : guideline })}
        />
        <OwnVessels
          key={JSON.stringify(kitchen.vessels ?? [])}
          vessels={kitchen.vessels ?? []}
          onChange={(vessels) => change({ vessels })}
        />
        <OwnFigure key={kitchen.index?.formula ?? ''} index={kitchen.index} onChange={(index) => change({ index })} />
      </fieldset>
    </Modal>
  );
}

function Choice<Word extends string>({
  name,
  options,
  chosen,
  onChoose,
}: {
  readonly name: string;
  readonly options: readonly (readonly [Word, string])[];
  readonly chosen: Word;
  readonly onChoose: (word: Word) => void;
}) {
  return (
    <Row name={name}>
      <Select value={chosen} onChange={({ target }) => onChoose(target.value as Word)} aria-label={name}>
        {options.map(([word, text]) => (
          <option key={word} value={word}>
            {text}
          </option>
        ))}
      </Select>
    </Row>
  );
}

function Row({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  return (
    <div className="grid gap-1">
      <span className="muted">{name}</span>
      {children}
    </div>
  );
}
