import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';
import {
  PlanSearch,
  planProblem,
  sessionPlan,
  unplannable,
  USUAL_START,
  type Evening,
  type EveningMove,
  type Recipe,
  type Session,
} from '@portiona/core';

/** Minutes of a session that cannot be planned: an hour stands for it. */
const UNPLANNED = 60;
/** Slices of search for a session's length: enough for all but the largest. */
const SLICES = 20;

/** When boxes are put from the freezer into the fridge, and how long that is shown: minutes. */
const EVENING = { at: '20:00', minutes: 15 } as const;

/**
 * Sessions as a calendar (RFC 5545), each as long as its plan takes, and evenings on which boxes go into the fridge or the freezer, with a
 * reminder; times are those of the kitchen's own clock, wherever that is.
 *
 * @param name of the kitchen
 */
export function sessionsCalendar(
  sessions: readonly Session[],
  recipes: ReadonlyMap<string, Recipe>,
  name: string,
  evenings: readonly Evening[],
): string {
  const calendar = ical({ name, prodId: { company: 'Portiona', product: 'Plan', language: 'EN' }, method: ICalCalendarMethod.PUBLISH });
  for (const session of sessions) {
    const minutes = minutesOf(session, recipes);
    // Floating times are written as they stand in UTC: so no zone, and no summer time, moves them.
    const start = new Date(`${session.date}T${session.start ?? USUAL_START}:00Z`);
    calendar.createEvent({
      id: `${session.id}@portiona`,
      start,
      end: new Date(start.getTime() + (minutes ?? UNPLANNED) * 60_000),
      // As the kitchen's clock says, in whatever zone it hangs.
      floating: true,
      summary: session.name ?? 'Session',
      description: [
        ...session.dishes.map(({ recipe, boxes }) => {
          const { title = recipe, servings } = recipes.get(recipe) ?? {};
          return `${title}, ${boxes ?? servings ?? '?'} boxes`;
        }),
        ...(minutes === undefined ? ['It cannot be planned as it stands: its length is a guess.'] : []),
      ].join('\n'),
    });
  }
  for (const { date, thaw, freeze } of evenings) {
    const start = new Date(`${date}T${EVENING.at}:00Z`);
    const event = calendar.createEvent({
      id: `evening-${date}@portiona`,
      start,
      end: new Date(start.getTime() + EVENING.minutes * 60_000),
      floating: true,
      summary: [
        ...(thaw.length > 0 ? [`Into the fridge: ${movedText(thaw)}`] : []),
        ...(freeze.length > 0 ? [`Into the freezer: ${movedText(freeze)}`] : []),
      ].join('; '),
    });
    // At the time itself.
    event.createAlarm({ type: ICalAlarmType.display, trigger: 0 });
  }
  return calendar.toString();
}

function movedText(moves: readonly EveningMove[]): string {
  return moves.map(({ pool, count }) => `${count} ${pool.title}`).join(', ');
}

/** What a session takes; undefined where it cannot be planned. */
function minutesOf(session: Session, recipes: ReadonlyMap<string, Recipe>): number | undefined {
  if (session.dishes.some(({ recipe }) => !recipes.has(recipe)) || unplannable(session, recipes, () => '').length > 0) return undefined;
  const search = new PlanSearch(
    planProblem(session, (id) => recipes.get(id) as Recipe),
    1,
  );
  for (let slice = 0; slice < SLICES && !search.finished; slice++) search.goOn();
  return sessionPlan(search).minutes;
}
