import { useState } from 'react';
import { proposedHands, stepInCircle, timedSteps, type Recipe, type StepWay, type TimedStep } from '@portiona/core';
import { Button } from '../../../ui/Button';
import { DropPanel } from '../../../ui/DropPanel';
import { Field } from '../../../ui/Field';
import { Input } from '../../../ui/Input';
import { TextArea } from '../../../ui/TextArea';
import type { Beside } from './stepDocument';
import { numbersOfText, timingText, usesOfText, usesText } from './timingText';

interface StepTimingProps {
  readonly recipe: Recipe;
  /** From 1, among the steps that are written. */
  readonly number: number;
  readonly words: string;
  readonly beside: Beside;
  readonly onChange: (beside: Beside) => void;
}

/** A step's time and place: said, or read from its words, and how to say otherwise. */
export function StepTiming({ recipe, number, words, beside, onChange }: StepTimingProps) {
  const steps = timedSteps(recipe);
  const timed = steps[number - 1];
  if (!timed) return null;
  const usual = timedSteps({ steps: (recipe.steps ?? []).map((step) => (typeof step === 'string' ? step : withoutOrder(step))) });
  const said = Object.keys(beside).length > 0;
  const ways = beside.or?.length ?? 0;
  return (
    <DropPanel
      label={`Time and place of step ${number}`}
      className="step-timing"
      trigger={
        <button type="button" className={said ? 'step-time said-so' : 'step-time'} title="Time and place of this step">
          {timingText(timed, usual[number - 1]?.after ?? [])}
          {ways > 0 && `, or ${ways === 1 ? 'another way' : `${ways} other ways`}`}
        </button>
      }
    >
      <Timing steps={steps} timed={timed} words={words} beside={beside} onChange={onChange} />
    </DropPanel>
  );
}

function withoutOrder<Named extends object>(step: Named): Named {
  const { after: _, ...rest } = step as Named & { after?: unknown };
  return rest as Named;
}

interface TimingProps {
  readonly steps: readonly TimedStep[];
  readonly timed: TimedStep;
  readonly words: string;
  readonly beside: Beside;
  readonly onChange: (beside: Beside) => void;
}

function Timing({ steps, timed, words, beside, onChange }: TimingProps) {
  const change = (next: Partial<Record<keyof Beside, unknown>>) => {
    const all = Object.entries({ ...beside, ...next }).filter(([, value]) => value !== undefined);
    onChange(Object.fromEntries(all));
  };
  const usualHands = timed.uses.length === 0 ? timed.minutes : 0;
  const proposed = proposedHands(words, timed.minutes);
  return (
    <>
      <p className="text-small muted mb-2">What stands in grey is read from the words. Write to say otherwise; empty it to read again.</p>
      <div className="timing-fields">
        <Minutes
          label="Takes, min"
          said={beside.minutes}
          read={`${timed.read.has('minutes') ? timed.minutes : ''}`}
          onSay={(minutes) => change({ minutes })}
        />
        <Minutes label="Of it by hand, min" said={beside.hands} read={`${usualHands}`} onSay={(hands) => change({ hands })} />
        <Words
          label="Holds"
          said={
            beside.uses &&
            usesText(beside.uses.map((use) => (typeof use === 'string' ? { name: use, at: undefined } : { ...use, at: use.at })))
          }
          read={timed.read.has('uses') ? usesText(timed.uses) || 'nothing' : ''}
          onSay={(text) => change({ uses: text === undefined ? undefined : usesOfText(text) })}
        />
        <After steps={steps} timed={timed} beside={beside} onSay={(after) => change({ after })} />
        <Minutes label="Then within, min" said={beside.within} read="any time" onSay={(within) => change({ within })} />
      </div>
      {beside.hands === undefined && proposed !== usualHands && (
        <p className="text-small mb-2">
          Its words suggest {proposed} min by hand.{' '}
          <Button kind="quiet" onClick={() => change({ hands: proposed })}>
            Say {proposed}
          </Button>
        </p>
      )}
      <Ways ways={beside.or ?? []} onChange={(or) => change({ or: or.length === 0 ? undefined : or })} />
    </>
  );
}

interface SaidProps<Value> {
  readonly label: string;
  readonly said: Value | undefined;
  /** What counts while nothing is said. */
  readonly read: string;
  readonly onSay: (said: Value | undefined) => void;
}

function Minutes({ label, said, read, onSay }: SaidProps<number>) {
  return (
    <Words
      label={label}
      said={said === undefined ? undefined : String(said)}
      read={read}
      check={(text) => (/^\d{1,5}$/.test(text) && Number(text) <= 86_400 ? undefined : 'whole minutes')}
      onSay={(text) => onSay(text === undefined ? undefined : Number(text))}
    />
  );
}

function After({
  steps,
  timed,
  beside,
  onSay,
}: {
  readonly steps: readonly TimedStep[];
  readonly timed: TimedStep;
  readonly beside: Beside;
  readonly onSay: (ids: readonly string[] | undefined) => void;
}) {
  const check = (text: string) => {
    if (text === 'none') return undefined;
    const numbers = numbersOfText(text);
    if (!numbers) return 'numbers of steps, or “none”';
    if (numbers.includes(timed.number)) return 'a step cannot wait for itself';
    if (numbers.some((one) => one < 1 || one > steps.length)) return `there are ${steps.length} steps`;
    if (numbers.some((one) => steps[one - 1]?.step.id === undefined)) return 'once that step is saved';
    const next = steps.map((step) => (step.number === timed.number ? { ...step, after: numbers } : step));
    return stepInCircle(next) === undefined ? undefined : 'they would wait for each other';
  };
  const usual = timed.read.has('after') ? (timed.after.length === 0 ? 'none' : timed.after.join(', ')) : '';
  return (
    <Words
      label="After step"
      said={beside.after === undefined ? undefined : timed.after.length === 0 ? 'none' : timed.after.join(', ')}
      read={usual}
      check={check}
      onSay={(text) =>
        onSay(
          text === undefined
            ? undefined
            : text === 'none'
              ? []
              : (numbersOfText(text) ?? []).flatMap((number) => steps[number - 1]?.step.id ?? []),
        )
      }
    />
  );
}

/** A field whose grey words count until something is written; what cannot be is said under it and not taken. */
function Words({ label, said, read, check, onSay }: SaidProps<string> & { readonly check?: (text: string) => string | undefined }) {
  const [typed, setTyped] = useState<string>();
  const fault = typed === undefined || typed.trim() === '' ? undefined : check?.(typed.trim());
  return (
    <Field label={label}>
      <Input
        value={typed ?? said ?? ''}
        placeholder={read}
        aria-invalid={fault !== undefined}
        onChange={({ target }) => {
          setTyped(target.value);
          const text = target.value.trim();
          if (text === '') onSay(undefined);
          else if (check?.(text) === undefined) onSay(text);
        }}
        onBlur={() => fault === undefined && setTyped(undefined)}
      />
      {fault !== undefined && <span className="bad text-small">✕ {fault}</span>}
    </Field>
  );
}

function Ways({ ways, onChange }: { readonly ways: readonly StepWay[]; readonly onChange: (ways: readonly StepWay[]) => void }) {
  const [adding, setAdding] = useState<StepWay>();
  const names = new Set(ways.map(({ name }) => name));
  const isReady = adding !== undefined && adding.name.trim() !== '' && adding.text.trim() !== '' && !names.has(adding.name.trim());
  return (
    <div className="step-ways">
      <b className="text-small">Other ways to do it</b>
      {ways.map((way) => (
        <p key={way.name}>
          <b>{way.name}:</b> {way.text}{' '}
          <Button kind="quiet" onClick={() => onChange(ways.filter((one) => one !== way))} aria-label={`Take out: ${way.name}`}>
            Take out
          </Button>
        </p>
      ))}
      {adding === undefined ? (
        <Button kind="quiet" onClick={() => setAdding({ name: '', text: '' })}>
          Write another way
        </Button>
      ) : (
        <>
          <Field label="Called">
            <Input
              value={adding.name}
              maxLength={80}
              placeholder="air fryer"
              onChange={({ target }) => setAdding({ ...adding, name: target.value })}
              autoFocus
            />
          </Field>
          <Field label="In these words">
            <TextArea
              value={adding.text}
              rows={2}
              maxLength={2000}
              placeholder="Air-fry at 190 °C, 14 min, turning once, until gold."
              onChange={({ target }) => setAdding({ ...adding, text: target.value })}
            />
          </Field>
          {names.has(adding.name.trim()) && <p className="bad text-small">✕ Another way is called so.</p>}
          <div className="flex gap-2">
            <Button
              kind="main"
              disabled={!isReady}
              onClick={() => {
                onChange([...ways, { name: adding.name.trim(), text: adding.text.trim() }]);
                setAdding(undefined);
              }}
            >
              Add it
            </Button>
            <Button onClick={() => setAdding(undefined)}>Not now</Button>
          </div>
        </>
      )}
    </div>
  );
}
