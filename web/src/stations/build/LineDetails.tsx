import { useState } from 'react';
import { Link } from 'react-router';
import { METHODS, RETAINED_USES, type Food, type Line, type Method } from '@portiona/core';
import { useMay } from '../../features/account/useMe';
import { useRecipeState } from '../../features/recipes/useRecipeState';
import { withKeys } from '../../features/recipes/editRecipe';
import { numberText } from '../../ui/numberText';
import { Select } from '../../ui/Select';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { TextArea } from '../../ui/TextArea';
import { DropPanel } from '../../ui/DropPanel';
import { Button } from '../../ui/Button';

const WEIGHED_AS = [
  ['', 'as usual for it'],
  ['AP', 'as bought'],
  ['EP', 'the edible part'],
] as const;
const LINE_STATES = ['', 'raw', 'cooked', 'dry', 'drained'] as const;
const METHOD_WORDS: Readonly<Record<Method, string>> = {
  scale: 'scale',
  pack: 'pack',
  spoon: 'spoon',
  cup: 'cup',
  count: 'count',
  eye: 'by eye',
  assumed: 'assumed',
};

/** What is said of a line beside its words: how it is weighed, in which state, how much of it is eaten, and a remark. */
export function LineDetails({
  part,
  line,
  food,
  name,
  onWrite,
}: {
  readonly part: number;
  readonly line: Line;
  readonly food: Food | undefined;
  readonly name: string;
  readonly onWrite: (line: Line) => void;
}) {
  const partId = useRecipeState().present?.parts[part]?.id;
  const mayWrite = useMay('comment');
  const write = (change: { readonly [key in keyof Line]?: Line[key] | undefined }) => onWrite(withKeys(line, change));
  return (
    <DropPanel
      trigger={
        <Button kind="quiet">
          Details ▾<span className="sr"> of {name}</span>
        </Button>
      }
      className="p-3 w-[330px] grid gap-2"
      label={`Details of ${name}`}
      onEscapeKeyDown={leaveField}
      onPointerDownOutside={leaveField}
    >
      {line.food !== undefined && <FoodAsWeighed line={line} write={write} />}
      {food && (
        <Lost
          key={`${line.loss}`}
          loss={line.loss}
          usual={food.refuse ?? 0}
          asBought={line.as === 'AP'}
          onChange={(loss) => write({ loss })}
        />
      )}
      <EatenShare retained={line.retained} onChange={(retained) => write({ retained })} />
      <LabelledSelect
        label="Measured by"
        value={line.method ?? ''}
        of={[['', 'as its unit is'] as const, ...METHODS.map((method) => [method, METHOD_WORDS[method]] as const)]}
        onChange={(method) => write({ method: method === '' ? undefined : method })}
      />
      <Comment key={line.comment ?? ''} comment={line.comment} onChange={(comment) => write({ comment })} />
      {partId !== undefined && line.id !== undefined && mayWrite && (
        <Link className="underline" to={{ search: `?working=notes&at=${encodeURIComponent(`line/${partId}/${line.id}`)}` }}>
          A note on it, for the others
        </Link>
      )}
    </DropPanel>
  );
}

/** How a food is weighed: a part of another recipe is taken as it is cooked. */
function FoodAsWeighed({ line, write }: { readonly line: Line; readonly write: (change: Pick<Partial<Line>, 'as' | 'state'>) => void }) {
  return (
    <div className="pair">
      <LabelledSelect
        label="Weighed as"
        value={line.as ?? ''}
        of={WEIGHED_AS}
        onChange={(as) => write({ as: as === '' ? undefined : as })}
      />
      <LabelledSelect
        label="In which state"
        value={(LINE_STATES as readonly string[]).includes(line.state ?? '') ? (line.state ?? '') : ''}
        of={LINE_STATES.map((state) => [state, state === '' ? 'as the food’s figures' : state] as const)}
        onChange={(state) => write({ state: state === '' ? undefined : state })}
      />
    </div>
  );
}

/** What is being written is taken before the fields go. */
function leaveField(): void {
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
}

function LabelledSelect<Value extends string>({
  label,
  value,
  of,
  onChange,
}: {
  readonly label: string;
  readonly value: Value;
  readonly of: readonly (readonly [Value, string])[];
  readonly onChange: (value: Value) => void;
}) {
  return (
    <Field label={label}>
      <Select value={value} onChange={({ target }) => onChange(target.value as Value)}>
        {of.map(([one, words]) => (
          <option key={one} value={one}>
            {words}
          </option>
        ))}
      </Select>
    </Field>
  );
}

/** What this line loses in peeling and trimming, where it is not what the food says; the food is left as it is. */
function Lost({
  loss,
  usual,
  asBought,
  onChange,
}: {
  readonly loss: number | undefined;
  readonly usual: number;
  readonly asBought: boolean;
  readonly onChange: (loss: number | undefined) => void;
}) {
  const [text, setText] = useState(loss === undefined ? '' : String(Math.round(loss * 1000) / 10));
  const percent = Number(text.replace(',', '.'));
  const sound = text.trim() === '' || (Number.isFinite(percent) && percent >= 0 && percent <= MOST_LOST);
  return (
    <div>
      <Field label="Lost in peeling and trimming, %">
        <Input
          className="num"
          inputMode="decimal"
          value={text}
          placeholder={`${numberText(usual * 100, 0)}, as the food says`}
          aria-invalid={!sound}
          onChange={({ target }) => setText(target.value)}
          onBlur={() => {
            const next = text.trim() === '' ? undefined : percent / 100;
            if (sound && next !== loss) onChange(next);
          }}
          onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        />
      </Field>
      {!sound ? (
        <p className="bad text-small">A share from 0 to {MOST_LOST} %.</p>
      ) : (
        <p className="faint text-small">
          {asBought
            ? 'Of what is bought: less of it is counted.'
            : 'Of what is bought: what a count weighs, and how much to buy for a weight.'}
        </p>
      )}
    </div>
  );
}

/** Per cent: what loses more is not worth the buying. */
const MOST_LOST = 95;

/** How much of the line is eaten, with what is usual by use. */
function EatenShare({
  retained,
  onChange,
}: {
  readonly retained: number | undefined;
  readonly onChange: (retained: number | undefined) => void;
}) {
  const [text, setText] = useState<string>();
  const shown = text ?? (retained === undefined ? '' : String(Math.round(retained * 1000) / 10));
  const percent = Number(shown.replace(',', '.'));
  const sound = shown.trim() === '' || (Number.isFinite(percent) && percent >= 0 && percent <= 100);
  const use = RETAINED_USES.find(({ share }) => share === retained);
  return (
    <div>
      <div className="pair">
        <Field label="Eaten, %">
          <Input
            className="num"
            inputMode="decimal"
            value={shown}
            placeholder="all of it"
            aria-invalid={!sound}
            onChange={({ target }) => setText(target.value)}
            onBlur={() => {
              if (text !== undefined && sound) onChange(text.trim() === '' ? undefined : percent / 100);
              setText(undefined);
            }}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          />
        </Field>
        <Field label="Usual for">
          <Select value={use?.use ?? ''} onChange={({ target }) => onChange(RETAINED_USES.find((one) => one.use === target.value)?.share)}>
            <option value="">all is eaten</option>
            {RETAINED_USES.map((one) => (
              <option key={one.use} value={one.use}>
                {one.use}, {numberText(one.share * 100, 0)} %
              </option>
            ))}
          </Select>
        </Field>
      </div>
      <p className="faint text-small mt-1">
        {use ? `${use.because}; weigh what is left over to be sure.` : 'Marinades, boiling water and tray oil are not all eaten.'}
      </p>
    </div>
  );
}

/** A remark of the kitchen's own; it is on no card. */
function Comment({
  comment,
  onChange,
}: {
  readonly comment: string | undefined;
  readonly onChange: (comment: string | undefined) => void;
}) {
  const [text, setText] = useState(comment ?? '');
  return (
    <Field label="Comment, on no card">
      <TextArea
        rows={2}
        maxLength={1000}
        value={text}
        onChange={({ target }) => setText(target.value)}
        onBlur={() => text.trim() !== (comment ?? '') && onChange(text.trim() === '' ? undefined : text.trim())}
      />
    </Field>
  );
}
