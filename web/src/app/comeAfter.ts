import { DROP_PANEL } from '../ui/DropPanel';
import { HINT } from '../ui/Hints';
import { MODAL } from '../ui/Modal';
import { TOAST_LIST } from '../ui/Toasts';
import { STATIONS } from './stations';

/** What is loaded once the first page stands: so that a key opens it at once, and a server that has gone away closes nothing. */
const LATER: readonly (() => Promise<unknown>)[] = [
  MODAL.load,
  () => import('./Finder'),
  DROP_PANEL.load,
  TOAST_LIST.load,
  HINT.load,
  () => import('./RecipePage'),
  ...STATIONS.map(({ load }) => load),
  () => import('./beside'),
  () => import('../features/foods/NewFood'),
  () => import('./KeysHelp'),
];

/** Loads the rest, one after another, while nothing else is to be done. */
export function comeAfter(): void {
  const next = (at: number) => {
    const load = LATER[at];
    // What cannot be loaded now is loaded when it is asked for.
    if (load)
      requestIdleCallback(
        () =>
          void load().then(
            () => next(at + 1),
            () => undefined,
          ),
        { timeout: 4000 },
      );
  };
  next(0);
}
