import type { Session, SessionPlan } from '@portiona/core';
import { at, cookName, lengthText, placeText, type ListedStep } from './planWords';

interface PlanTableProps {
  readonly session: Session;
  readonly plan: SessionPlan;
  readonly steps: readonly ListedStep[];
  readonly titles: readonly string[];
}

/** The timeline as a table: the same, for who reads rather than looks, and for paper. */
export function PlanTable({ session, plan, steps, titles }: PlanTableProps) {
  const several = new Set(plan.steps.flatMap(({ on }) => on.flatMap(({ name, unit }) => (unit > 1 ? [name] : []))));
  return (
    <table className="plan-table">
      <caption className="sr">Every step with its time, dish, cook and place</caption>
      <thead>
        <tr>
          <th scope="col">no.</th>
          <th scope="col">from</th>
          <th scope="col">till</th>
          <th scope="col">what</th>
          <th scope="col">dish</th>
          <th scope="col">hands</th>
          <th scope="col">on</th>
        </tr>
      </thead>
      <tbody>
        {steps.map((step) => (
          <tr key={`${step.dish}/${step.step}`}>
            <td className="num">{step.number}</td>
            <td className="num">{at(session, step.start)}</td>
            <td className="num">{at(session, step.end)}</td>
            <th scope="row">{step.title}</th>
            <td>{titles[step.dish - 1]}</td>
            <td>{step.cook === null ? '–' : `${cookName(session, step.cook)}, ${lengthText(step.hands)}`}</td>
            <td>{placeText(step, several) || '–'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
