import type { Session, SessionPlan } from '@portiona/core';
import { at, cookName, lengthText } from './planWords';
import { freeStretches, timelineRows } from './timelineRows';

/** How long each cook is bound, and when they are free. */
export function Hands({ session, plan }: { readonly session: Session; readonly plan: SessionPlan }) {
  const rows = timelineRows(plan.steps, session.cooks ?? 1).filter(({ kind }) => kind === 'hands');
  return (
    <div className="plan-card">
      {rows.map((row) => {
        const busy = row.bars.reduce((sum, { from, to }) => sum + to - from, 0);
        const who = cookName(session, row.number);
        return (
          <div key={row.key}>
            <h3>{who === 'you' ? 'Your hands' : `${who}’s hands`}</h3>
            <p className="pair">
              <span>Busy</span>
              <b>{lengthText(busy)}</b>
            </p>
            {freeStretches(row.bars, 15)
              .slice(0, 3)
              .map(({ from, to }) => (
                <p className="pair" key={from}>
                  <span>
                    Free {at(session, from)} to {at(session, to)}
                  </span>
                  <b>{lengthText(to - from)}</b>
                </p>
              ))}
          </div>
        );
      })}
    </div>
  );
}
