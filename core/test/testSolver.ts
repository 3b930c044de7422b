import highsImport from 'highs';
import { searchWith, solveWith, type Solve, type Solver } from '../src/fit/programme.js';

/** The package types its default export as the module itself. */
const load = highsImport as unknown as () => Promise<Solver>;

/** The solver that the page runs in its worker. */
export async function testSolver(): Promise<Solve> {
  return solveWith(await load());
}

/** The same with its heuristics, as the week's worker has it. */
export async function testSearch(seconds: number): Promise<Solve> {
  return searchWith(await load(), seconds);
}
