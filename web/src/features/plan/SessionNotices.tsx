import { Link } from 'react-router';
import { LONGEST_STANDING, type Fault, type MovedStep, type Session, type SessionPlan, type StepPlace } from '@portiona/core';
import { Button } from '../../ui/Button';
import { at, lengthText, numberOf, type ListedStep } from './planWords';

interface SessionNoticesProps {
  readonly session: Session;
  readonly steps: readonly ListedStep[];
  readonly titles: readonly string[];
  readonly faults: readonly Fault[];
  readonly trouble: string | undefined;
  readonly waitsForNothing: readonly StepPlace[];
  /** Dishes without a method, from 0. */
  readonly unwritten: readonly number[];
  readonly standing: readonly (StepPlace & { readonly minutes: number })[];
  readonly late: SessionPlan['late'];
  readonly moved: readonly MovedStep[] | undefined;
  readonly onSeen: () => void;
}

/** What is to be known of a session before its plan is followed. */
export function SessionNotices({
  session,
  steps,
  titles,
  faults,
  trouble,
  waitsForNothing,
  unwritten,
  standing,
  late,
  moved,
  onSeen,
}: SessionNoticesProps) {
  return (
    <>
      {faults.map(({ message }) => (
        <p className="notice" role="alert" key={message}>
          ✕ {message}.
        </p>
      ))}
      {trouble !== undefined && (
        <p className="notice" role="alert">
          ✕ {trouble}
        </p>
      )}
      {waitsForNothing.length > 0 && (
        <p className="notice" role="status">
          ▲ {waitsForNothing.map(({ dish, step }) => `Step ${step} of ${titles[dish - 1]}`).join(', ')}{' '}
          {waitsForNothing.length === 1 ? 'fills boxes and waits' : 'fill boxes and wait'} for nothing, as the method stands: it says no
          part, and not what it comes after. Say so in{' '}
          <Link to={`/recipes/${session.dishes[(waitsForNothing[0]?.dish ?? 1) - 1]?.recipe}/build?side=method`}>the method</Link>.
        </p>
      )}
      {unwritten.length > 0 && (
        <p className="notice" role="status">
          ▲ {unwritten.map((d) => titles[d]).join(', ')} {unwritten.length === 1 ? 'has' : 'have'} no method: nothing of it is planned.
        </p>
      )}
      {standing.length > 0 && (
        <p className="notice" role="status">
          ▲{' '}
          {standing
            .map(({ dish, step, minutes }) => `${titles[dish - 1]} stands ${lengthText(minutes)} before ${numberOf(steps, { dish, step })}`)
            .join('; ')}
          . Cooked food is cooled within {lengthText(LONGEST_STANDING)}: say how long it may wait (press the step), or put it later.
        </p>
      )}
      {late.length > 0 && (
        <p className="notice" role="status">
          ▲ No plan keeps every wait short enough:{' '}
          {late.map(({ dish, step, by }) => `${numberOf(steps, { dish, step })} starts ${lengthText(by)} late`).join(', ')}.
        </p>
      )}
      {moved && (
        <p className="notice" role="status">
          <span>{movedText(moved, steps, session)}</span>
          <Button kind="quiet" onClick={onSeen}>
            Seen
          </Button>
        </p>
      )}
    </>
  );
}

function movedText(moved: readonly MovedStep[], steps: readonly ListedStep[], session: Session): string {
  const still = moved.filter(({ from }) => from !== undefined);
  if (still.length === 0) return 'Nothing had to move.';
  const told = still.slice(0, 4).map(({ dish, step, from = 0, to }) => {
    const one = steps.find((listed) => listed.dish === dish && listed.step === step);
    return `${one?.title ?? ''} ${at(session, from)} → ${at(session, to)}`;
  });
  return `Planned anew, ${still.length === 1 ? 'one step' : `${still.length} steps`} moved: ${told.join('; ')}${still.length > 4 ? ' …' : ''}.`;
}
