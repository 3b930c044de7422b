import { USUAL_START, type AdjustedStep, type DoneStep, type Equipment, type Session, type StepPlace } from '@portiona/core';

/** A session with some keys changed; undefined takes a key out, an empty list too. */
export function withKeys(session: Session, keys: { readonly [Key in keyof Session]?: Session[Key] | undefined }): Session {
  return Object.fromEntries(
    Object.entries({ ...session, ...keys }).filter(
      ([key, held]) => held !== undefined && (key === 'dishes' || !Array.isArray(held) || held.length > 0),
    ),
  ) as unknown as Session;
}

const isAt = (place: StepPlace) => (one: StepPlace) => one.dish === place.dish && one.step === place.step;

/** A step put at a minute by hand, or let go. */
export function withPin(session: Session, place: StepPlace, start: number | undefined): Session {
  const others = (session.pinned ?? []).filter((one) => !isAt(place)(one));
  return withKeys(session, { pinned: start === undefined ? others : [...others, { dish: place.dish, step: place.step, start }] });
}

/** A step begun, over, or neither. */
export function withDone(session: Session, place: StepPlace, done: DoneStep | undefined): Session {
  const others = (session.done ?? []).filter((one) => !isAt(place)(one));
  return withKeys(session, { done: done ? [...others, done] : others });
}

/** What a step takes in this session; undefined: what its recipe says. */
export function withAdjusted(session: Session, place: StepPlace, adjusted: Omit<AdjustedStep, 'dish' | 'step'> | undefined): Session {
  const others = (session.adjusted ?? []).filter((one) => !isAt(place)(one));
  const own = adjusted && (Object.fromEntries(Object.entries(adjusted).filter(([, held]) => held !== undefined)) as typeof adjusted);
  return withKeys(session, {
    adjusted: own && Object.keys(own).length > 0 ? [...others, { dish: place.dish, step: place.step, ...own }] : others,
  });
}

/** A session without one of its dishes, and without what was said of it. */
export function withoutDish(session: Session, dish: number): Session {
  const kept = <One extends StepPlace>(list: readonly One[] | undefined) =>
    list?.filter((one) => one.dish !== dish).map((one) => ({ ...one, dish: one.dish > dish ? one.dish - 1 : one.dish }));
  return withKeys(session, {
    dishes: session.dishes.filter((_, i) => i !== dish - 1),
    done: kept(session.done),
    pinned: kept(session.pinned),
    adjusted: kept(session.adjusted),
  });
}

/** How many units of a kind of equipment there are, and places of each; one of one, where nothing is said, is not written. */
export function withEquipment(session: Session, { name, count = 1, shelves = 1 }: Equipment): Session {
  const others = (session.equipment ?? []).filter((one) => one.name !== name);
  const own = { name, ...(count === 1 ? {} : { count }), ...(shelves === 1 ? {} : { shelves }) };
  return withKeys(session, { equipment: count === 1 && shelves === 1 ? others : [...others, own] });
}

/** The time of day at which a session of so many minutes begins, to be over by another; none on the day before. */
export function startFor(finishBy: string, minutes: number): string | undefined {
  const [hours = 0, rest = 0] = finishBy.split(':').map(Number);
  const start = hours * 60 + rest - minutes;
  if (start < 0) return undefined;
  return `${String(Math.floor(start / 60)).padStart(2, '0')}:${String(start % 60).padStart(2, '0')}`;
}

/** When a session starts. */
export function startOf({ start = USUAL_START }: Pick<Session, 'start'>): string {
  return start;
}
