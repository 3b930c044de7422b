/** What a solver found. */
export interface Solved {
  /** In the solver's words; "Optimal" is its certificate that nothing better exists. */
  readonly status: string;
  readonly objective: number;
  readonly values: ReadonlyMap<string, number>;
}

/**
 * Solves a linear or mixed-integer programme given in the LP format.
 *
 * @param gap how far what is found may cost more than what is proven; left out: nothing
 */
export type Solve = (programme: string, gap?: number) => Solved;

/** The solver as its package gives it: only what is used of it. */
export interface Solver {
  solve(
    programme: string,
    options: { readonly [option: string]: number | boolean | string },
  ): {
    readonly Status: string;
    readonly ObjectiveValue: number;
    readonly Columns: { readonly [name: string]: { readonly Primal?: number } };
  };
}

/**
 * How the solver is run. No gap is allowed between what it finds and what it proves but the one asked for, so that its "Optimal" is exact. Programmes
 * here are small: searching at once is quicker than the heuristics that large ones need. Times in seconds.
 */
const OPTIONS = {
  output_flag: false,
  mip_rel_gap: 0,
  mip_heuristic_effort: 0,
  mip_heuristic_run_rins: false,
  mip_heuristic_run_rens: false,
  mip_heuristic_run_root_reduced_cost: false,
  mip_heuristic_run_zi_round: false,
  mip_heuristic_run_feasibility_jump: false,
  mip_detect_symmetry: false,
  mip_allow_restart: false,
  mip_pscost_minreliable: 1,
  time_limit: 10,
} as const;

/** A solver that proves what it finds. */
export function solveWith(solver: Solver): Solve {
  return (programme, gap = 0) => {
    return solved(solver, programme, { ...OPTIONS, mip_abs_gap: gap });
  };
}

/**
 * A solver for larger programmes, with its heuristics: what it found by the end of the time counts, proven or not, as its status says.
 *
 * @param seconds given to it at most
 */
export function searchWith(solver: Solver, seconds: number): Solve {
  return (programme, gap = 0) => {
    return solved(solver, programme, { output_flag: false, mip_rel_gap: 0, mip_abs_gap: gap, time_limit: seconds });
  };
}

function solved(solver: Solver, programme: string, options: Parameters<Solver['solve']>[1]): Solved {
  const { Status, ObjectiveValue, Columns } = solver.solve(programme, options);
  const values = new Map(Object.entries(Columns).map(([name, { Primal = 0 }]) => [name, Primal]));
  return { status: Status, objective: ObjectiveValue, values };
}

/** A sum of variables, each times its coefficient. */
export type Terms = readonly (readonly [variable: string, coefficient: number])[];

/** Smaller coefficients are noise of the arithmetic. */
const NOISE = 1e-12;

/** A programme as it is put together: what is to be least, rows that must hold, bounds of variables, which are whole. */
export class Programme {
  readonly #least: [string, number][] = [];
  readonly #rows: string[] = [];
  readonly #bounds: string[] = [];
  readonly #whole: string[] = [];

  /** Adds a variable between two bounds; Infinity for none. */
  variable(name: string, low: number, high: number, { cost = 0, whole = false }: { cost?: number; whole?: boolean } = {}): string {
    const upper = Number.isFinite(high) ? ` <= ${written(high)}` : '';
    this.#bounds.push(` ${written(low)} <= ${name}${upper}`);
    if (cost !== 0) this.#least.push([name, cost]);
    if (whole) this.#whole.push(name);
    return name;
  }

  row(terms: Terms, is: '<=' | '>=' | '=', right: number): void {
    const kept = terms.filter(([, coefficient]) => Math.abs(coefficient) > NOISE);
    // A row of nothing: it holds, or no amount of anything can make it hold.
    if (kept.length === 0) {
      const holds = is === '<=' ? right >= 0 : is === '>=' ? right <= 0 : right === 0;
      if (!holds) this.#rows.push(` r${this.#rows.length}: ${this.variable(`none${this.#rows.length}`, 0, 0)} = 1`);
      return;
    }
    this.#rows.push(` r${this.#rows.length}: ${sum(kept)} ${is} ${written(right)}`);
  }

  /** In the LP format. */
  text(): string {
    const least = this.#least.length > 0 ? sum(this.#least) : `0 ${this.variable('nothing', 0, 0)}`;
    const whole = this.#whole.length > 0 ? ['General', ` ${this.#whole.join(' ')}`] : [];
    return ['Minimize', ` cost: ${least}`, 'Subject To', ...this.#rows, 'Bounds', ...this.#bounds, ...whole, 'End', ''].join('\n');
  }
}

function sum(terms: Terms): string {
  return terms.map(([variable, coefficient]) => `${coefficient < 0 ? '-' : '+'} ${written(Math.abs(coefficient))} ${variable}`).join(' ');
}

function written(amount: number): string {
  return String(amount);
}
