import { useState } from 'react';
import { METHODS, RETAINED_USES, type Line, type Method } from '@portiona/core';
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
  line,
  name,
  onWrite,
}: {
  readonly line: Line;
  readonly name: string;
  readonly onWrite: (line: Line) => void;
}) {
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
      <EatenShare retained={line.retained} onChange={(retained) => write({ retained })} />
      <LabelledSelect
        label="Measured by"
        value={line.method ?? ''}
        of={[['', 'as its unit is'] as const, ...METHODS.map((method) => [method, METHOD_WORDS[method]] as const)]}
        onChange={(method) => write({ method: method === '' ? undefined : method })}
      />
      <Comment key={line.comment ?? ''} comment={line.comment} onChange={(comment) => write({ comment })} />
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
