import { useState } from 'react';
import { Link } from 'react-router';
import { lastDay, dayAfter, givenOf, type MealSeen } from '@portiona/core';
import { Button } from '../../ui/Button';
import { dayMonth } from '../plan/planWords';
import type { ProposalHere } from './useProposal';
import type { WeekHere } from './useWeek';
import { repointed } from './weekEdits';
import { MissSaid, useMisses } from './WeekSum';
import { boxName, dayShort, MEAL_NAMES, noteText, untilText } from './weekWords';

interface WeekLooksProps {
  readonly here: WeekHere;
  readonly seen: readonly MealSeen[];
  readonly proposal: ProposalHere;
}

/** Days that are not met, told at once: of a week with few boxes nearly all are. */
const SHOWN = 6;

/** Everything of a week that a person should look at: what is not met, boxes that are wrong where they are, and what was left out. */
export function WeekLooks({ here, seen, proposal }: WeekLooksProps) {
  const { week, ground, opened, change } = here;
  const [all, setAll] = useState(false);
  const every = useMisses(here, proposal).slice(1);
  const misses = all ? every : every.slice(0, SHOWN);
  const noted = seen.filter(({ notes }) => notes.length > 0);
  const cooked = opened.leftOut.filter(
    ({ kind, session, dish }) =>
      kind === 'cooked' && week.meals.some(({ box }) => 'session' in box && box.session === session && box.dish === dish),
  );
  const unboxed = opened.leftOut.filter(({ kind }) => kind === 'no boxes');
  const uncomputed = opened.leftOut.filter(({ kind }) => kind === 'not computed');
  const unlogged = opened.sessions.filter(
    ({ id, date }) => date < ground.today && ground.pools.some(({ box }) => 'session' in box && box.session === id),
  );
  const given = givenOf([...ground.others, ...week.meals, ...proposal.open], [...ground.gone, ...(week.gone ?? [])]);
  const end = dayAfter(week.from, 6);
  const wasted = ground.pools.flatMap((pool) => {
    const count = pool.count - (given.get(pool.key) ?? 0);
    return count > 0 && week.meals.length > 0 && lastDay(pool) <= end && lastDay(pool) >= ground.today ? [{ pool, count }] : [];
  });
  if (misses.length + noted.length + cooked.length + unboxed.length + uncomputed.length + unlogged.length + wasted.length === 0)
    return null;
  const nameOf = (id: string) => ground.people.find((person) => person.id === id)?.name ?? id;
  return (
    <section className="week-looks" aria-label="To look at">
      <h3>To look at</h3>
      <ul>
        {misses.map((miss) => (
          <li
            key={`${miss.person} ${miss.date} ${miss.meal ?? ''} ${miss.judgement?.target.figure ?? ''} ${miss.judgement?.target.is ?? ''}`}
          >
            <MissSaid {...{ miss, here, proposal }} />
          </li>
        ))}
        {every.length > SHOWN && (
          <li>
            <Button kind="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
              {all ? 'Fewer' : `${every.length - SHOWN} more that are not met`}
            </Button>
          </li>
        )}
        {noted.map(({ meal, pool, notes }) => (
          <li key={`${meal.person} ${meal.date} ${meal.meal}`} className="warn">
            ▲ {nameOf(meal.person)}, {dayShort(meal.date)}, {MEAL_NAMES[meal.meal].toLowerCase()}, {pool ? boxName(pool) : 'a box'}:{' '}
            {notes.map(noteText).join('; ')}.
          </li>
        ))}
        {wasted.map(({ pool, count }) => (
          <li key={pool.key} className="warn">
            ▲ {count} {boxName(pool)} {count === 1 ? 'is' : 'are'} given to nobody, and {count === 1 ? 'keeps' : 'keep'} until{' '}
            {dayMonth(lastDay(pool))} only.
          </li>
        ))}
        {cooked.length > 0 && (
          <li>
            {cooked.map(({ title }) => title).join(', ')}: cooked since, and in boxes.{' '}
            <Button onClick={() => change((one) => repointed(one, cooked, ground.pools))}>Take the boxes as they were filled</Button>
          </li>
        )}
        {unlogged.map(({ id, name, date }) => (
          <li key={id} className="muted">
            <Link className="underline" to={`/plan/${id}`}>
              {name}
            </Link>{' '}
            of {dayMonth(date)} is not logged as batches with boxes: its boxes count as they were planned.
          </li>
        ))}
        {unboxed.length > 0 && (
          <li className="muted">
            {unboxed.length === 1 ? 'One batch says' : `${unboxed.length} batches say`} of no boxes and may still be in the freezer; they
            count for nothing here:{' '}
            {unboxed.map(({ batch = '', title, date }, i) => (
              <span key={batch}>
                {i > 0 && ', '}
                <Link className="underline" to={`/portion/${batch}`}>
                  {title.split(',')[0]}, {untilText(date)}
                </Link>
              </span>
            ))}
            .
          </li>
        )}
        {uncomputed.map(({ title, date, because }, i) => (
          <li key={i} className="warn">
            ▲ {title}, {untilText(date)}: its boxes cannot be worked out ({because}).
          </li>
        ))}
      </ul>
    </section>
  );
}
