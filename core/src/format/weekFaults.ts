import type { Batch } from '../batch/index.js';
import type { Session } from '../plan/index.js';
import { daysOfWeek, type BoxOf, type Person, type Week } from '../week/index.js';
import { didYouMean, type Fault } from './fault.js';

/** What a week may speak of: by id. */
export interface WeekReferences {
  readonly people: ReadonlySet<string>;
  readonly batches: ReadonlyMap<string, Pick<Batch, 'boxes'>>;
  readonly sessions: ReadonlyMap<string, Pick<Session, 'dishes'>>;
  /** Ids of entries that could not be read: nothing is said of them. */
  readonly unread: ReadonlySet<string>;
}

/** What is wrong with a person alone: two people whose boxes could not be told apart, meals said twice. */
export function* personFaults(person: Person, others: readonly Person[], path: string): Generator<Fault> {
  const plain = ({ name }: Person) => name.trim().toLowerCase();
  if (others.some((other) => other.id !== person.id && plain(other) === plain(person)))
    yield { path: `${path}.name`, message: `"${person.name}" is another person's name; boxes are told apart by it: write another` };
  for (const [i, { meal }] of (person.meals ?? []).entries())
    if (person.meals?.findIndex((one) => one.meal === meal) !== i)
      yield { path: `${path}.meals[${i}].meal`, message: `"${meal}" is said twice; say it once` };
}

/** Weeks that begin on one day, as they would take each other's place. */
export function* weeksTwice(weeks: readonly (Week | undefined)[], path: string): Generator<Fault> {
  for (const [i, week] of weeks.entries()) {
    const first = weeks.findIndex((other) => other?.from === week?.from);
    if (week && first < i) yield { path: `${path}[${i}].from`, message: `${path}[${first}] begins on ${week.from} too; put both into one` };
  }
}

/** Faults of a week: one that begins on another day than a Monday, days outside it, two boxes for one meal, people, batches and sessions that are not there. */
export function* weekFaults(week: Week, references: WeekReferences, path: string): Generator<Fault> {
  if (new Date(`${week.from}T12:00:00Z`).getUTCDay() !== 1)
    yield { path: `${path}.from`, message: `a week begins on a Monday; ${week.from} is none` };
  const days = new Set(daysOfWeek(week));
  const last = [...days].at(-1) ?? week.from;
  const outside = (date: string, at: string): Fault[] =>
    days.has(date) ? [] : [{ path: at, message: `must be a day of this week, ${week.from} to ${last}` }];
  const { people, unread } = references;
  const nobody = (person: string, at: string): Fault[] =>
    people.has(person) || unread.has(person) ? [] : [{ path: at, message: `unknown person "${person}"${didYouMean(person, [...people])}` }];
  const taken = new Set<string>();
  for (const [i, { person, date, meal, box }] of week.meals.entries()) {
    const at = `${path}.meals[${i}]`;
    yield* nobody(person, `${at}.person`);
    yield* outside(date, `${at}.date`);
    const slot = JSON.stringify([person, date, meal]);
    if (taken.has(slot)) yield { path: at, message: `${person} has a box at this meal already; take one of them out` };
    taken.add(slot);
    yield* boxFaults(box, references, `${at}.box`);
  }
  for (const key of ['off', 'again'] as const)
    for (const [i, { person, date }] of (week[key] ?? []).entries()) {
      yield* nobody(person, `${path}.${key}[${i}].person`);
      yield* outside(date, `${path}.${key}[${i}].date`);
    }
  for (const [i, { session, dish }] of (week.seasoned ?? []).entries())
    yield* boxFaults({ session, dish }, references, `${path}.seasoned[${i}]`);
  for (const [i, { box }] of (week.gone ?? []).entries()) yield* boxFaults(box, references, `${path}.gone[${i}].box`);
}

function* boxFaults(box: BoxOf, { batches, sessions, unread }: WeekReferences, path: string): Generator<Fault> {
  if ('session' in box) {
    const session = sessions.get(box.session);
    if (!session) {
      if (!unread.has(box.session))
        yield { path: `${path}.session`, message: `unknown session "${box.session}"${didYouMean(box.session, [...sessions.keys()])}` };
    } else if (box.dish > session.dishes.length)
      yield { path: `${path}.dish`, message: `there is no dish ${box.dish}; the session has ${session.dishes.length}` };
    return;
  }
  const batch = batches.get(box.batch);
  if (!batch) {
    if (!unread.has(box.batch))
      yield { path: `${path}.batch`, message: `unknown batch "${box.batch}"${didYouMean(box.batch, [...batches.keys()])}` };
  } else if (!batch.boxes?.some(({ name }) => name === box.name))
    yield {
      path: `${path}.name`,
      message: `the batch has no boxes "${box.name}"${didYouMean(
        box.name,
        (batch.boxes ?? []).map(({ name }) => name),
      )}`,
    };
}

/**
 * A week without what speaks of people, batches and sessions that are not there any more: so that what is written can be read again.
 */
export function withoutGoneBoxes(week: Week, references: Omit<WeekReferences, 'unread'>): Week {
  const there = (box: BoxOf) => boxFaults(box, { ...references, unread: new Set() }, '').next().done === true;
  const own = ({ person }: { readonly person: string }) => references.people.has(person);
  const boxes = week.meals.filter(({ box }) => there(box));
  // Somebody who is not there any more has eaten all the same: those boxes are gone.
  const eaten = boxes.filter((meal) => !own(meal)).map(({ box }) => ({ box, count: 1 }));
  const gone = [...(week.gone ?? []).filter(({ box }) => there(box)), ...eaten];
  return {
    ...week,
    meals: boxes.filter(own),
    ...(week.off ? { off: week.off.filter(own) } : {}),
    ...(week.again ? { again: week.again.filter(own) } : {}),
    ...(week.seasoned ? { seasoned: week.seasoned.filter(({ session, dish }) => there({ session, dish })) } : {}),
    ...(gone.length > 0 || week.gone ? { gone } : {}),
  };
}
