import { useMemo, type ReactNode } from 'react';
import { poolsByKey, shelvesOn, dayAfter, weekMisses, type WeekMiss } from '@portiona/core';
import { Button } from '../../ui/Button';
import type { ProposalHere } from './useProposal';
import type { WeekHere } from './useWeek';
import { withAgain, withBox, withMeals } from './weekEdits';
import { boxesText, dayShort, missText, wayText } from './weekWords';

interface WeekSumProps {
  readonly here: WeekHere;
  readonly proposal: ProposalHere;
}

interface WeekHeadProps extends WeekSumProps {
  /** What else can be done with the week. */
  readonly more: ReactNode;
}

/** How many boxes are eaten and what stays, what cannot be met, and the way to have the rest proposed. */
export function WeekSum({ here, proposal, more }: WeekHeadProps) {
  const { week, ground, change } = here;
  const misses = useMisses(here, proposal);
  const [first] = misses;
  const after = shelvesOn(week, ground, dayAfter(week.from, 7));
  const stay = after.freezer.reduce((sum, { boxes }) => sum + boxes.filter(({ meal }) => !meal).length, 0);
  const { state, open } = proposal;
  const over = dayAfter(week.from, 6) < ground.today;
  return (
    <>
      <h2>
        {week.meals.length === 0 ? 'Nothing given yet' : `${boxesText(week.meals.length)} eaten${stay > 0 ? `, ${stay} stay frozen` : ''}`}
      </h2>
      <span className="week-state" role="status">
        {state === 'looking' && <span className="muted">Looking for the best week …</span>}
        {state === 'failed' && <span className="bad">✕ Nothing is proposed: {proposal.why}.</span>}
        {state === 'there' && (
          <span className={proposal.proposal?.proven ? 'ok' : 'muted'}>
            {open.length === 0 && proposal.proposal?.meals.length === 0
              ? 'Nothing more to propose: no box that keeps would go to a meal that has none.'
              : open.length === 0
                ? '✓ all taken'
                : `${boxesText(open.length)} proposed; ${proposal.proposal?.proven ? '✓ no better week, proven' : 'the best found so far'}`}
          </span>
        )}
      </span>
      <span className="week-ways">
        {state === 'looking' ? (
          <Button onClick={proposal.dismiss}>Stop looking</Button>
        ) : (
          <>
            {open.length > 0 && (
              <Button kind="main" onClick={() => change((one) => withMeals(one, open))}>
                Take all {open.length}
              </Button>
            )}
            {state === 'there' && open.length > 0 && !proposal.proposal?.proven && (
              <Button onClick={() => proposal.ask(true)}>Look longer</Button>
            )}
            {state === 'there' && <Button onClick={proposal.dismiss}>{open.length > 0 ? 'Dismiss' : 'Done'}</Button>}
            {state !== 'there' && !over && (
              <Button
                kind={week.meals.length === 0 ? 'main' : 'plain'}
                onClick={() => proposal.ask()}
                disabled={ground.people.length === 0 || ground.pools.length === 0}
              >
                {week.meals.length === 0 ? 'Propose a week' : 'Propose the rest'}
              </Button>
            )}
          </>
        )}
      </span>
      {more}
      {first && (
        <p className="week-said">
          <MissSaid miss={first} here={here} proposal={proposal} />
          {misses.length > 1 && <span className="muted text-small">and {misses.length - 1} more below</span>}
        </p>
      )}
    </>
  );
}

/** What the days miss: with what is proposed taken, where something is. A week in which nothing is given misses nothing yet. */
export function useMisses({ week, ground }: WeekHere, { open }: ProposalHere): readonly WeekMiss[] {
  return useMemo(
    () => (week.meals.length === 0 && open.length === 0 ? [] : weekMisses(withMeals(week, open), ground)),
    [week, open, ground],
  );
}

/** One thing of a day that is not met, what would do, and a button for that. */
export function MissSaid({ miss, here, proposal }: WeekSumProps & { readonly miss: WeekMiss }) {
  const { ground, opened, change } = here;
  const name = ground.people.find(({ id }) => id === miss.person)?.name ?? miss.person;
  const [way] = miss.ways;
  return (
    <span className="week-miss">
      <span className="warn">
        <b>
          ▲ {name}, {dayShort(miss.date)}, {missText(miss, opened.currency)}.
        </b>{' '}
        {way ? wayText(way, poolsByKey(ground.pools), opened.currency) : 'No single box that keeps would mend it.'}
      </span>
      {way && (
        <Button
          onClick={() =>
            change((one) => {
              const taken = withBox(
                withMeals(
                  one,
                  proposal.open.filter((meal) => meal.date === miss.date && meal.person === miss.person),
                ),
                way.meal,
                way.meal.box,
              );
              return way.loosened === 'again' ? withAgain(taken, miss.person, miss.date, way.pool.recipe) : taken;
            })
          }
        >
          {way.loosened === 'none' && way.breaks.length === 0 ? 'Give it' : 'Allow it'}
        </Button>
      )}
    </span>
  );
}
