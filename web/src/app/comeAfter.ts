import { STATIONS } from './stations';
import { TOOLS } from './toolPanels';

/** What is loaded once the first page stands: so that a key opens it at once, and a server that has gone away closes nothing. */
const LATER: readonly (() => Promise<unknown>)[] = [
  () => import('./Finder'),
  () => import('./RecipePage'),
  ...STATIONS.map(({ load }) => load),
  ...Object.values(TOOLS).map(({ load }) => load),
  () => import('../working/WorkingPanel'),
  () => import('../features/foods/NewFood'),
  () => import('../features/kitchen/KitchenSettings'),
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
