import { keptName } from '../../api/kitchenAtHand';
/** A recipe or a food that was looked at. */
export interface RecentPlace {
  readonly to: string;
  readonly name: string;
}

const KEY = keptName('recent');
const MOST = 8;

/** What was looked at last, newest first. */
export function recentPlaces(): readonly RecentPlace[] {
  try {
    const found = JSON.parse(localStorage.getItem(KEY) ?? '[]') as unknown;
    return Array.isArray(found) ? found.filter(isPlace) : [];
  } catch {
    return [];
  }
}

/** Notes that something was looked at. */
export function noteVisit(place: RecentPlace): void {
  try {
    const others = recentPlaces().filter(({ to }) => to !== place.to);
    localStorage.setItem(KEY, JSON.stringify([place, ...others].slice(0, MOST)));
  } catch {
    // A browser that keeps nothing only costs the list of recent things.
  }
}

function isPlace(found: unknown): found is RecentPlace {
  return (
    typeof found === 'object' &&
    found !== null &&
    'to' in found &&
    'name' in found &&
    typeof found.to === 'string' &&
    typeof found.name === 'string'
  );
}
