import type { CardSeries, CardSettings } from '@portiona/core';

/**
 * How cards are printed, with some of it changed, as a JSON merge patch (RFC 7396): what is left out stays, null takes it away, objects are
 * changed within. Series are changed by their names; one of which only the name is said has nothing more to say.
 *
 * @param changes as sent: read by the kitchen file's classes once it is put together
 */
export function patchedCard(was: CardSettings, changes: object): object {
  return patched(was as Plain, changes as Plain);
}

type Plain = Readonly<Record<string, unknown>>;

function patched(was: Plain, changes: Plain): Plain {
  const made = new Map(Object.entries(was));
  for (const [key, change] of Object.entries(changes)) {
    const before = made.get(key);
    if (change === null) made.delete(key);
    else if (key === 'series' && Array.isArray(change)) made.set(key, seriesPatched((before ?? []) as readonly CardSeries[], change));
    else made.set(key, isPlain(change) ? patched(isPlain(before) ? before : {}, change) : change);
  }
  return Object.fromEntries(made);
}

function seriesPatched(was: readonly CardSeries[], changes: readonly unknown[]): readonly unknown[] {
  const named = (one: unknown) => (isPlain(one) ? one.name : undefined);
  const kept = was.filter(({ name }) => !changes.some((one) => named(one) === name));
  return [...kept, ...changes.filter((one) => named(one) === undefined || Object.keys(one as Plain).length !== 1)];
}

function isPlain(found: unknown): found is Plain {
  return typeof found === 'object' && found !== null && !Array.isArray(found);
}
