import { keptName } from '../api/kitchenAtHand';
import { adoptEdits } from '../features/cook/cookStore';

/** What the browser kept work under before it told kitchens apart, and under what it is kept now. */
const BEFORE: readonly (readonly [prefix: string, kind: string])[] = [
  ['portiona-kept:', 'recipe'],
  ['portiona-session:', 'session'],
  ['portiona-week:', 'week'],
  ['portiona-food:', 'food'],
  ['portiona-shopping:', 'shopping'],
];

/** Work that was kept in this browser when there was one kitchen, and has not reached it, becomes the kitchen's at hand: nothing written is lost. */
export async function adoptKept(): Promise<void> {
  try {
    for (const [prefix, kind] of BEFORE)
      for (const key of Object.keys(localStorage).filter((one) => one.startsWith(prefix))) {
        const to = `${keptName(kind)}:${key.slice(prefix.length)}`;
        if (localStorage.getItem(to) === null) localStorage.setItem(to, localStorage.getItem(key) ?? '');
        localStorage.removeItem(key);
      }
    await adoptEdits();
  } catch {
    // A browser that keeps nothing has nothing to be taken over.
  }
}
