import ical, { ICalCalendarMethod } from 'ical-generator';
import { PlanSearch, planProblem, sessionPlan, unplannable, USUAL_START, type Recipe, type Session } from '@portiona/core';

/** Minutes of a session that cannot be planned: an hour stands for it. */
const UNPLANNED = 60;
/** Slices of search for a session's length: enough for all but the largest. */
const SLICES = 20;

/**
 * Sessions as a calendar (RFC 5545), each as long as its plan takes; times are those of the kitchen's own clock, wherever that is.
 *
 * @param name of the kitchen
 */
export function sessionsCalendar(sessions: readonly Session[], recipes: ReadonlyMap<string, Recipe>, name: string): string {
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
  return calendar.toString();
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
