import type { MeDto } from '../../api/api.gen';
import { kitchenPath } from '../../api/kitchenAtHand';
import { signedInAs } from '../../api/pageToken';

const LAST = 'portiona:last-kitchen';

/** Notes the kitchen that is at hand, to be opened again next time. */
export function noteKitchen(key: string): void {
  try {
    localStorage.setItem(LAST, key);
  } catch {
    // A browser that keeps nothing only opens the first kitchen each time.
  }
}

/** Where somebody who is signed in goes: to the page they came for, else to the kitchen they were in last. @param back a path of this place; others are not gone to */
export function placeToGo(me: MeDto, back: string | null): string {
  if (me.mustSetUp) return '/account';
  if (back !== null && /^\/(?![/\\])/.test(back)) return back;
  const open = me.kitchens.filter(({ deletedAt }) => deletedAt === undefined);
  const last = open.find(({ key }) => key === lastKitchen()) ?? open[0];
  return last ? kitchenPath(last.key) : '/account';
}

/** Goes there: a new page, which holds nothing of whoever was signed in before. */
export function arrive(me: MeDto, back: string | null): void {
  signedInAs(me);
  window.location.assign(placeToGo(me, back));
}

function lastKitchen(): string | null {
  try {
    return localStorage.getItem(LAST);
  } catch {
    return null;
  }
}
