import { useId } from 'react';
import { Check } from 'lucide-react';
import type { DoneStep, Session, SessionPlan, StepPlace } from '@portiona/core';
import { classes } from '../../ui/classes';
import { readyToRing } from '../cook/useRinging';
import { DishSwatch, dishLook } from './DishSwatch';
import { at, lengthText, placeText, type ListedStep } from './planWords';

interface RunningListProps {
  readonly session: Session;
  readonly plan: SessionPlan;
  readonly steps: readonly ListedStep[];
  readonly titles: readonly string[];
  readonly now: number | undefined;
  readonly chosen: StepPlace | undefined;
  readonly onChoose: (place: StepPlace) => void;
  /** Says that a step is begun, over, or neither. */
  readonly onDone: (place: StepPlace, done: DoneStep | undefined) => void;
  /** Moves a step by so many minutes, by the arrow keys. */
  readonly onMove?: (place: StepPlace, by: number) => void;
  /** As the cook reads it from two metres. */
  readonly large?: boolean;
}

/** The plan as the cook reads it: time, what, where; a press says that a step is begun, and one more that it is over. */
export function RunningList({ session, plan, steps, titles, now, chosen, onChoose, onDone, onMove, large = false }: RunningListProps) {
  const done = new Map((session.done ?? []).map((one) => [`${one.dish}/${one.step}`, one]));
  const several = new Set(plan.steps.flatMap(({ on }) => on.flatMap(({ name, unit }) => (unit > 1 ? [name] : []))));
  const over = steps.filter((step) => done.get(`${step.dish}/${step.step}`)?.end !== undefined);
  const next = steps.find((step) => done.get(`${step.dish}/${step.step}`)?.end === undefined);
  const boxes = session.dishes.reduce((sum, { boxes: own = 0 }) => sum + own, 0);
  const overnight = at(session, plan.minutes).length > 5;
  const heading = useId();
  const tick = (step: ListedStep) => {
    const known = done.get(`${step.dish}/${step.step}`);
    const place = { dish: step.dish, step: step.step };
    const minute = now ?? (known ? step.end : step.start);
    // Sound is let out only where somebody pressed.
    readyToRing();
    if (!known) return onDone(place, { ...place, start: Math.max(0, minute) });
    if (known.end === undefined) return onDone(place, { ...known, end: Math.max(known.start, minute) });
    return onDone(place, undefined);
  };
  return (
    <>
      <h2 id={heading}>
        <span>Running list</span>
        <span>{over.length > 0 ? `✓ ${over.length} done` : `${steps.length} steps`}</span>
      </h2>
      <ol className={classes('running', large && 'large', overnight && 'overnight')} aria-labelledby={heading}>
        {steps.map((step) => {
          const key = `${step.dish}/${step.step}`;
          const known = done.get(key);
          const state = known === undefined ? 'open' : known.end === undefined ? 'under way' : 'done';
          const isNext = next === step;
          const place = placeText(step, several);
          return (
            <li
              key={key}
              className={classes(
                'run',
                state === 'done' && 'over',
                isNext && 'next',
                chosen && key === `${chosen.dish}/${chosen.step}` && 'chosen',
              )}
            >
              <button
                type="button"
                className="run-tick"
                role="checkbox"
                aria-checked={state === 'done' ? true : state === 'under way' ? 'mixed' : false}
                aria-label={`${step.number}, ${step.title}: ${state === 'open' ? 'begun' : state === 'under way' ? 'over' : 'not done'}`}
                title={state === 'open' ? 'Begun now' : state === 'under way' ? 'Over now' : 'Not done after all'}
                onClick={() => tick(step)}
              >
                {state === 'done' ? <Check size={large ? 24 : 13} aria-hidden /> : state === 'under way' ? <span aria-hidden>▸</span> : ''}
              </button>
              <button
                type="button"
                className="run-what"
                onClick={() => onChoose(step)}
                onKeyDown={(event) => {
                  const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
                  if (by === undefined || !onMove || known || event.altKey || event.ctrlKey || event.metaKey) return;
                  event.preventDefault();
                  onMove(step, by * (event.shiftKey ? 5 : 1));
                }}
                aria-pressed={chosen !== undefined && key === `${chosen.dish}/${chosen.step}`}
              >
                <b className="run-time">{at(session, step.start)}</b>
                <i className={`run-number ${dishLook(step.dish)}`}>{step.number}</i>
                <span className="run-title">{large ? step.text : step.title}</span>
                <span className="run-place">{place === '' ? lengthText(step.end - step.start) : place}</span>
                {(isNext || large) && (
                  <span className="run-more">
                    <DishSwatch dish={step.dish} small /> {titles[step.dish - 1]}, till {at(session, step.end)}
                    {step.hands < step.end - step.start && `, ${step.hands === 0 ? 'by itself' : `hands ${lengthText(step.hands)}`}`}
                  </span>
                )}
              </button>
            </li>
          );
        })}
      </ol>
      <div className="tear" />
      <p className="run-end">
        <b>{at(session, plan.minutes)}</b>
        <span className="muted">{boxes > 0 ? `all ${boxes} boxes filled` : 'all done'}</span>
      </p>
    </>
  );
}
