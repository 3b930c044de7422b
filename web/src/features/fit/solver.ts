import { Programme, solveWith, type Solver } from '@portiona/core';
import highs from 'highs';
import wasmUrl from 'highs/runtime?url';

/** The package types its default export as the module itself. */
const load = highs as unknown as (options: { locateFile: () => string }) => Promise<Solver>;

/** The solver, made ready when this is first imported: in a worker, never in the page itself. */
export const solver = load({ locateFile: () => wasmUrl }).then(warmed);

/** The browser compiles the solver when it is first used: a small programme takes that from the first answer. */
function warmed(loaded: Solver): Solver {
  const small = new Programme();
  const [x, y] = [small.variable('x', 0, 5, { cost: 1, whole: true }), small.variable('y', 0, 9, { cost: 1 })];
  small.row(
    [
      [x, 1],
      [y, 2],
    ],
    '>=',
    3,
  );
  solveWith(loaded)(small.text());
  return loaded;
}
