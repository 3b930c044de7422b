import { useMemo } from 'react';
import { Link } from 'react-router';
import {
  planProblem,
  sessionSteps,
  whyHere,
  type Recipe,
  type Session,
  type SessionPlan,
  type StepPlace,
  type WhyHere,
} from '@portiona/core';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { withAdjusted, withPin } from './sessionEdits';
import { at, lengthText, type ListedStep } from './planWords';

interface StepWhyProps {
  readonly session: Session;
  readonly plan: SessionPlan;
  readonly steps: readonly ListedStep[];
  readonly recipes: readonly Recipe[];
  readonly chosen: StepPlace;
  readonly now: number;
  readonly onChange: (next: (session: Session) => Session) => void;
}

/** Why a step stands where it does, and what it takes: for this session. */
export function StepWhy({ session, plan, steps, recipes, chosen, now, onChange }: StepWhyProps) {
  const why = useMemo(() => {
    const problem = planProblem(session, (id) => recipes.find((recipe) => recipe.id === id) as Recipe, now);
    return whyHere(problem, plan, chosen);
  }, [session, recipes, now, plan, chosen]);
  const step = steps.find((one) => one.dish === chosen.dish && one.step === chosen.step);
  const recipe = recipes.find(({ id }) => id === session.dishes[chosen.dish - 1]?.recipe);
  if (!step || !recipe) return null;
  const timed = sessionSteps(session, chosen.dish - 1, recipe)[chosen.step - 1];
  const own = (session.adjusted ?? []).find((one) => one.dish === chosen.dish && one.step === chosen.step);
  const late = plan.late.find((one) => one.dish === chosen.dish && one.step === chosen.step);
  const pinned = (session.pinned ?? []).find((one) => one.dish === chosen.dish && one.step === chosen.step);
  const whole = (text: string) =>
    text.trim() === '' || !Number.isFinite(Number(text)) ? undefined : Math.min(100_000, Math.max(0, Math.round(Number(text))));
  const adjust = (keys: Partial<NonNullable<typeof own>>) => {
    const { dish: _, step: __, ...before } = own ?? chosen;
    onChange((one) => withAdjusted(one, chosen, { ...before, ...keys }));
  };
  const read = ['minutes', 'hands', 'uses'].filter((key) => step.read.has(key));
  return (
    <div className="plan-card why">
      <h3>
        Why {step.number} is here: {step.title}, {at(session, step.start)}
      </h3>
      <ul>
        {why.map((one, i) => (
          <li key={i}>{whyText(one, steps, session)}</li>
        ))}
        {pinned && pinned.start !== step.start && (
          <li className="warn">▲ You put it at {at(session, pinned.start)}; no plan was found that keeps that.</li>
        )}
        {late && <li className="warn">▲ It starts {lengthText(late.by)} later than it may wait; no plan keeps that.</li>}
      </ul>
      <div className="step-takes">
        <Field label="minutes">
          <Input type="number" min={0} value={timed?.minutes ?? 0} onChange={({ target }) => adjust({ minutes: whole(target.value) })} />
        </Field>
        <Field label="of them, hands">
          <Input type="number" min={0} value={timed?.hands ?? 0} onChange={({ target }) => adjust({ hands: whole(target.value) })} />
        </Field>
        <Field label="may wait, min">
          <Input
            type="number"
            min={0}
            placeholder="any"
            value={timed?.within ?? ''}
            onChange={({ target }) => adjust({ within: whole(target.value) })}
          />
        </Field>
        {pinned && (
          <Button kind="quiet" onClick={() => onChange((one) => withPin(one, chosen, undefined))}>
            Let it go
          </Button>
        )}
        {own && (
          <Button kind="quiet" onClick={() => onChange((one) => withAdjusted(one, chosen, undefined))}>
            As the recipe says
          </Button>
        )}
      </div>
      <p className="muted text-small">
        {read.length > 0 &&
          `${read.map((key) => ({ minutes: 'Minutes', hands: 'hands', uses: 'place' })[key]).join(', ')} read from its words. `}
        What is changed here is for this day; <Link to={`/recipes/${recipe.id}/build?side=method`}>the method</Link> keeps it for every day.
      </p>
    </div>
  );
}

function whyText(why: WhyHere, steps: readonly ListedStep[], session: Session) {
  const named = (place: StepPlace) => {
    const step = steps.find((one) => one.dish === place.dish && one.step === place.step);
    return step ? `${step.number} ${step.title}` : '';
  };
  const until = (place: StepPlace, hands = false) => {
    const step = steps.find((one) => one.dish === place.dish && one.step === place.step);
    return step ? <b>{at(session, hands ? step.start + step.hands : step.end)}</b> : null;
  };
  switch (why.is) {
    case 'first':
      return <span>Nothing comes before it: it begins at once.</span>;
    case 'done':
      return <span>It is done, or under way.</span>;
    case 'pinned':
      return <span>You put it here.</span>;
    case 'after':
      return (
        <>
          <span>It waits for {named(why.of)}, until</span> {until(why.of)}
        </>
      );
    case 'cook':
      return (
        <>
          <span>Hands are bound by {named(why.of)}, until</span> {until(why.of, true)}
        </>
      );
    case 'place':
      return (
        <>
          <span>
            The {why.name === 'hob' ? 'ring' : why.name} is held by {named(why.of)}, until
          </span>{' '}
          {until(why.of)}
        </>
      );
    case 'holds':
      return <span>{named(why.of)} may not wait longer after it, and cannot be sooner.</span>;
    case 'free':
      return (
        <>
          <span>Here less stands and waits; it could start sooner, by</span> <b>{lengthText(why.sooner)}</b>
        </>
      );
  }
}
