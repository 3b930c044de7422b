import type { SessionPlan, StepPlace } from '@portiona/core';
import { lengthText, numberOf, type ListedStep } from './planWords';
import type { usePlan } from './usePlan';

/** What makes it last so long: the chain it hangs on, and what one more of something would save. */
export function HoldsUp({
  plan,
  said,
  chain,
  steps,
}: {
  readonly plan: SessionPlan;
  readonly said: ReturnType<typeof usePlan>['said'];
  readonly chain: readonly StepPlace[];
  readonly steps: readonly ListedStep[];
}) {
  const busy = new Map<string, number>();
  for (const { on, start, end } of plan.steps)
    for (const { name, unit } of on) busy.set(`${name} ${unit}`, (busy.get(`${name} ${unit}`) ?? 0) + end - start);
  const [most] = [...busy].sort((a, b) => b[1] - a[1]);
  return (
    <div className="plan-card">
      <h3>What holds it up</h3>
      <p className="plan-chain">
        Longest chain: {chain.map((place) => numberOf(steps, place)).join(' · ')}, {lengthText(plan.minutes)}
      </p>
      {most && (
        <p className="pair">
          <span>The {most[0].replace(/ 1$/, '')}, busy</span>
          <b>
            {lengthText(Math.min(most[1], plan.minutes))} of {lengthText(plan.minutes)}
          </b>
        </p>
      )}
      {(said?.oneMore ?? []).map(({ name, saves, proven }) => (
        <p className="pair" key={name ?? 'cook'}>
          <span>
            One more {name === undefined ? 'cook' : name === 'hob' ? 'ring' : name} saves{proven ? '' : ' at most'}
          </span>
          <b>{lengthText(saves)}</b>
        </p>
      ))}
      {said?.finished && said.oneMore.length === 0 && <p className="muted">No more cooks or things would make it shorter.</p>}
    </div>
  );
}
