import { useState } from 'react';
import { nutrientName, unitOf, readLabelText, type Food, type Nutrient, type ReadLabel } from '@portiona/core';
import { Button } from '../../ui/Button';
import { TextArea } from '../../ui/TextArea';

interface LabelPasteProps {
  readonly food: Food;
  readonly onUse: (read: Partial<Food>) => void;
}

/** The text of a label, pasted or typed as it stands on the packet, read into figures to look over before they are used. */
export function LabelPaste({ food, onUse }: LabelPasteProps) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  if (!open)
    return (
      <Button kind="quiet" className="text-small" onClick={() => setOpen(true)}>
        Paste the label’s text
      </Button>
    );
  const read = readLabelText(text);
  const figures = Object.entries(read.nutrients) as [Nutrient | 'salt', number][];
  const close = () => {
    setOpen(false);
    setText('');
  };
  return (
    <div className="paste">
      <TextArea
        rows={4}
        aria-label="Text of the label"
        placeholder="Nutrition per 100 g: Energy 1430 kJ / 341 kcal, fat 1.5 g, of which saturates <0.5 g …"
        value={text}
        maxLength={10_000}
        autoFocus
        onChange={({ target }) => setText(target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && figures.length > 0) {
            event.preventDefault();
            onUse(foodOf(read));
            close();
          } else if (event.key === 'Escape') close();
        }}
      />
      {text.trim() !== '' && (
        <div aria-live="polite">
          {figures.length === 0 ? (
            <p className="muted">No figure found in this text yet.</p>
          ) : (
            <>
              <p className="muted">
                {read.per ? `For ${read.per.amount} ${read.per.unit}` : 'The text does not say for how much: check “per” above'}
                {read.carbohydrateIs === 'total' && ', carbohydrate with fibre'}:
              </p>
              <p className="read">
                {figures.map(([nutrient, amount]) => (
                  <span key={nutrient} className={changes(food, nutrient, amount) ? 'font-semibold' : 'muted'}>
                    {nutrientName(nutrient)} {amount} {unitOf(nutrient)}
                  </span>
                ))}
              </p>
              {read.notes.map((note) => (
                <p key={note} className="warn text-small">
                  <span aria-hidden>▲</span> {note}
                </p>
              ))}
            </>
          )}
        </div>
      )}
      <p className="flex gap-3 items-center">
        <Button
          kind="main"
          disabled={figures.length === 0}
          onClick={() => {
            onUse(foodOf(read));
            close();
          }}
        >
          Use these figures
        </Button>
        <kbd>Ctrl Enter</kbd>
        <Button kind="quiet" className="ml-auto" onClick={close}>
          Leave it
        </Button>
      </p>
    </div>
  );
}

/** What the reading changes of a food: its figures whole, so that nothing of an older label stays among them. */
function foodOf({ per, nutrients, carbohydrateIs }: ReadLabel): Partial<Food> {
  return {
    nutrients,
    source: 'label',
    carbohydrateIs: carbohydrateIs === 'total' ? 'total' : undefined,
    ...(per ? { per: per.amount === 100 && per.unit === 'g' ? undefined : per } : {}),
  };
}

function changes(food: Food, nutrient: Nutrient | 'salt', amount: number): boolean {
  return food.nutrients?.[nutrient] !== amount;
}
