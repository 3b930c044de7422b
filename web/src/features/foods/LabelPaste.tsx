import { useState } from 'react';
import {
  doubtedOf,
  drainedShare,
  foodOfLabel,
  namedAllergens,
  nutrientName,
  unitOf,
  readLabelText,
  type Food,
  type Nutrient,
  type PrintedBasis,
  type ReadLabel,
} from '@portiona/core';
import { Button } from '../../ui/Button';
import { ChipButton } from '../../ui/ChipButton';
import { NumberField } from '../../ui/NumberField';
import { TextArea } from '../../ui/TextArea';

interface LabelPasteProps {
  readonly food: Food;
  readonly onUse: (read: Partial<Food>) => void;
}

type Printed = Nutrient | 'salt';

const HUNDRED: readonly PrintedBasis[] = [
  { amount: 100, unit: 'g' },
  { amount: 100, unit: 'ml' },
];

/**
 * The text of a label, pasted or typed as it stands on the packet, read into figures to look over before they are used. What is sure is
 * taken; what is doubted only when it is pressed; and what the figures are for is asked where the text does not say it.
 */
export function LabelPaste({ food, onUse }: LabelPasteProps) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const [agreed, setAgreed] = useState<ReadonlySet<Printed>>(new Set());
  const [chosenPer, setChosenPer] = useState<PrintedBasis>();
  if (!open)
    return (
      <Button kind="quiet" className="text-small" onClick={() => setOpen(true)}>
        Paste the label’s text
      </Button>
    );
  const read = readLabelText(text);
  const doubted = doubtedOf(read);
  const figures = Object.entries(read.nutrients) as [Printed, number][];
  const sure = figures.filter(([printed]) => !doubted.has(printed));
  const inDoubt = figures.filter(([printed]) => doubted.has(printed));
  const taken = figures.length - inDoubt.filter(([printed]) => !agreed.has(printed)).length;
  const per = chosenPer ?? (doubted.has('per') ? undefined : read.per);
  const close = () => {
    setOpen(false);
    setText('');
    setAgreed(new Set());
    setChosenPer(undefined);
  };
  const use = () => {
    if (!per || taken === 0) return;
    const without = new Set(inDoubt.map(([printed]) => printed).filter((printed) => !agreed.has(printed)));
    onUse(foodOfLabel(food, read, { per, without }));
    close();
  };
  const toggle = (printed: Printed) => {
    const next = new Set(agreed);
    if (!next.delete(printed)) next.add(printed);
    setAgreed(next);
  };
  return (
    <div className="paste">
      <TextArea
        rows={5}
        aria-label="Text of the label"
        placeholder="Nutrition per 100 g: Energy 1430 kJ / 341 kcal, fat 1.5 g, of which saturates <0.5 g …"
        value={text}
        maxLength={20_000}
        autoFocus
        onChange={({ target }) => {
          setText(target.value);
          setAgreed(new Set());
          setChosenPer(undefined);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && figures.length > 0) {
            event.preventDefault();
            use();
          } else if (event.key === 'Escape') close();
        }}
      />
      {text.trim() !== '' && (
        <div aria-live="polite">
          {figures.length === 0 ? (
            <p className="muted">No figure found in this text yet.</p>
          ) : (
            <>
              <Per read={read} per={per} asked={read.per === undefined || doubted.has('per')} onChoose={setChosenPer} />
              <p className="read">
                {sure.map(([printed, amount]) => (
                  <span key={printed} className={food.nutrients?.[printed] !== amount ? 'font-semibold' : 'muted'}>
                    {nutrientName(printed)} {amount} {unitOf(printed)}
                  </span>
                ))}
              </p>
              {inDoubt.length > 0 && (
                <div role="group" aria-label="Figures in doubt" className="doubts">
                  <p className="warn text-small">
                    <span aria-hidden>▲</span> In doubt, and left out unless you take {inDoubt.length === 1 ? 'it' : 'them'}:
                  </p>
                  <p className="flex flex-wrap gap-1">
                    {inDoubt.map(([printed, amount]) => (
                      <ChipButton key={printed} tone="warn" aria-pressed={agreed.has(printed)} onClick={() => toggle(printed)}>
                        {agreed.has(printed) && '✓ '}
                        {nutrientName(printed)} {amount} {unitOf(printed)}
                      </ChipButton>
                    ))}
                    {inDoubt.length > 1 && (
                      <Button kind="quiet" className="text-small" onClick={() => setAgreed(new Set(inDoubt.map(([printed]) => printed)))}>
                        Take all
                      </Button>
                    )}
                  </p>
                </div>
              )}
              {read.doubts.map(({ why }) => (
                <p key={why} className="muted text-small">
                  {why}
                </p>
              ))}
              {read.notes.map((note) => (
                <p key={note} className="warn text-small">
                  <span aria-hidden>▲</span> {note}
                </p>
              ))}
              <Beside read={read} />
            </>
          )}
        </div>
      )}
      <p className="flex gap-3 items-center">
        <Button kind="main" disabled={taken === 0 || !per} onClick={use}>
          {inDoubt.length === 0 ? 'Use these figures' : `Use ${taken} of ${figures.length} figures`}
        </Button>
        <kbd>Ctrl Enter</kbd>
        <Button kind="quiet" className="ml-auto" onClick={close}>
          Leave it
        </Button>
      </p>
    </div>
  );
}

interface PerProps {
  readonly read: ReadLabel;
  readonly per: PrintedBasis | undefined;
  /** The text does not say it, or not surely. */
  readonly asked: boolean;
  readonly onChoose: (per: PrintedBasis) => void;
}

/** What the figures are for: as the label says it, or asked. */
function Per({ read, per, asked, onChoose }: PerProps) {
  const total = read.carbohydrateIs === 'total' && <span className="muted">, carbohydrate with fibre</span>;
  if (!asked)
    return (
      <p>
        For {basisText(per)}
        {total}:
      </p>
    );
  const same = (one: PrintedBasis | undefined, other: PrintedBasis) => one?.amount === other.amount && one.unit === other.unit;
  const offers = [...(read.per ? [read.per] : []), ...HUNDRED.filter((one) => !same(read.per, one))];
  return (
    <div role="group" aria-label="What the figures are for">
      <p className={per ? '' : 'warn'}>
        {!per && <span aria-hidden>▲ </span>}
        {read.per ? `For ${basisText(read.per)}?` : 'The text does not say for how much.'} {per ? `For ${basisText(per)}` : 'Choose'}
        {total}:
      </p>
      <div className="flex flex-wrap gap-1 items-center">
        {offers.map((one) => (
          <ChipButton key={basisText(one)} tone="warn" aria-pressed={same(per, one)} onClick={() => onChoose(one)}>
            {same(per, one) && '✓ '}
            {basisText(one)}
          </ChipButton>
        ))}
        <span className="grams">
          <NumberField
            label="or grams:"
            amount={per?.unit === 'g' && per.amount !== 100 ? per.amount : undefined}
            onChange={(amount) => amount !== undefined && onChoose({ amount, unit: 'g' })}
          />
        </span>
      </div>
    </div>
  );
}

const basisText = (per: PrintedBasis | undefined) => (per ? `${per.amount} ${per.unit}` : '');

/** What else the label says and is taken along. */
function Beside({ read }: { readonly read: ReadLabel }) {
  const { allergens, net, serving } = read;
  const share = drainedShare(read);
  const told = [
    ...(allergens.contains.length > 0 ? [`contains ${namedAllergens(allergens.contains).join(', ')}`] : []),
    ...(allergens.mayContain.length > 0 ? [`may contain ${namedAllergens(allergens.mayContain).join(', ')}`] : []),
    ...(share === undefined ? [] : [`drained ${basisText(read.drained)} of ${basisText(net)}`]),
    ...(serving?.unit === 'g' ? [`a serving is ${basisText(serving)}`] : []),
  ];
  return (
    <>
      {told.length > 0 && <p className="text-small">Taken along: {told.join('; ')}.</p>}
      {net && share === undefined && <p className="muted text-small">The pack holds {basisText(net)}; its price is entered under Packs.</p>}
    </>
  );
}
