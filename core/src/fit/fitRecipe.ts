import { midpointOf } from '../quantity/index.js';
import { briefJudgements, targetBand, targetFigure, type TargetJudgement } from '../brief/index.js';
import { placedLines, recipeFigures, type Brief, type Kitchen, type Recipe, type RecipeFigures, type Target } from '../recipe/index.js';
import { snappedAmounts } from '../scale/index.js';
import { changesOf, printedStepFactor, withChanges, withFactors, type LineChange } from './lineChange.js';
import { anywhere, roundings, SAME_FACTOR, costlyChange, wholeSteps } from './factorRows.js';
import { aimOf, limitRows, SAFE, type Aim } from './limitRows.js';
import { Programme, type Solve } from './programme.js';
import { adjustableLines, type AdjustableLine } from './allowedChange.js';

/** Amounts changed so that a dish meets its brief. */
export interface FitProposal {
  readonly kind: 'proposal';
  readonly changes: readonly LineChange[];
  /** The recipe with all of them. */
  readonly recipe: Recipe;
  readonly before: readonly TargetJudgement[];
  readonly after: readonly TargetJudgement[];
  /** False: the figures keep to the brief, their bands reach over it. */
  readonly sure: boolean;
  /** False: it keeps to the targets as it is, and would not as a card prints it, which is what `after` tells. */
  readonly printed: boolean;
  /** False: amounts could not be brought to what is easily weighed. */
  readonly rounded: boolean;
  /** In the solver's words; "Optimal" says that no smaller change does it. */
  readonly status: string;
  /** Sum of the changes as it was made least, before amounts were rounded: shares of lines, times their weights. */
  readonly cost: number;
}

/** Targets that cannot hold together. */
export interface FitConflict {
  readonly kind: 'conflict';
  /** The smallest set that cannot: taking any one of them away leaves the others possible. */
  readonly targets: readonly Target[];
  /** How near each comes when the others of the set hold, in its unit. */
  readonly nearest: readonly { readonly target: Target; readonly amount: number | undefined }[];
  /** What comes nearest to all targets at once, by the sum of shares they are missed by. */
  readonly closest: FitProposal;
  /** Lines that stand at the end of what they may move by there. */
  readonly atTheirEnd: readonly string[];
}

export type FitAnswer =
  | FitProposal
  | FitConflict
  | { readonly kind: 'no targets' }
  | { readonly kind: 'holds'; readonly before: readonly TargetJudgement[] }
  /** No line may move. */
  | { readonly kind: 'nothing moves' }
  /** Of these nothing is known. */
  | { readonly kind: 'unknown'; readonly targets: readonly Target[] };

/** A wish missed by a share of it costs as many shares of a line. */
const WISH_COST = 4;
/** What a target is missed by weighs more than any change of lines, where the nearest is sought. */
const MISS_COST = 1000;
/** How far a factor is moved to see what it does. */
const NUDGE = 1e-3;
const MOST_ROUNDS = 5;
/** Amounts are brought to the usual steps, or where that cannot be further away or to finer ones; where few lines move, further. */
const ROUNDINGS = [
  { share: 1, reach: 0, most: Infinity },
  { share: 1, reach: 3, most: 12 },
  { share: 0.2, reach: 0, most: Infinity },
  { share: 0.2, reach: 4, most: 8 },
  { share: 0.04, reach: 0, most: Infinity },
];
/** Which way amounts are rounded may cost so much more than need be: a twentieth of one line. */
const ROUNDING_GAP = 0.05;
/** Figures foretold as near as this are linear. */
const FORETOLD = 1e-8;

/**
 * Changes amounts as little as possible so that a dish keeps to the targets of its brief: a linear programme, mixed-integer where
 * pieces and packs stay whole. Its rows are what one engine says each line does to each figure (docs/reckoning.md, "Grams as
 * written" to "Cost"); where that is not linear, it is set up anew at what was found. First the whole 95 % band is brought within
 * the limits (docs/reckoning.md, "How sure it is"), then the figures alone. Amounts are brought to what is easily weighed within
 * the same programme, so rounding breaks no target. Every answer is the engine's own reading of the changed recipe as a card would
 * print it: the steps are the card's (docs/reckoning.md, "Scaling"), and what is said to hold holds for who weighs what is printed.
 *
 * @param solve the solver; its "Optimal" is the certificate
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function fitRecipe(recipe: Recipe, brief: Brief, kitchen: Kitchen, solve: Solve): FitAnswer {
  const targets = brief.targets ?? [];
  if (targets.length === 0) return { kind: 'no targets' };
  const fit = new Fit(recipe, targets, kitchen, solve);
  const unknown = fit.before.filter(({ amount, target }) => amount === undefined && target.wish !== true);
  if (unknown.length > 0) return { kind: 'unknown', targets: unknown.map(({ target }) => target) };
  if (fit.before.every(({ verdict }) => verdict === 'holds')) return { kind: 'holds', before: fit.before };
  if (!fit.moves) return { kind: 'nothing moves' };
  return fit.proposal(true) ?? fit.proposal(false) ?? fit.conflict();
}

type Factors = ReadonlyMap<string, number>;
/** By line and target, a serving's figure for a whole share of the line. */
type Slopes = ReadonlyMap<string, ReadonlyMap<Target, number>>;

/** Which rows a programme has: hard targets that must hold, that may be missed at a price, and whether bands count. */
interface Asked {
  readonly must: readonly Target[];
  readonly may: readonly Target[];
  readonly sure: boolean;
  /** True: whatever the change of lines costs. */
  readonly atAnyCost?: boolean;
  /** Amounts found, to be brought to steps of a share of the usual ones. */
  readonly rounding?: { readonly share: number; readonly reach: number; readonly found: Factors };
}

interface Found {
  readonly factors: Factors;
  readonly status: string;
  readonly cost: number;
}

class Fit {
  readonly before: readonly TargetJudgement[];
  readonly #lines: readonly AdjustableLine[];
  readonly #hard: readonly Target[];
  readonly #wishes: readonly Target[];
  #known: { readonly at: Factors; readonly amounts: ReadonlyMap<Target, number>; readonly slopes: Slopes } | undefined;

  /** As a card would print it now: what is proposed is proposed of that. */
  readonly recipe: Recipe;

  constructor(
    readonly written: Recipe,
    readonly targets: readonly Target[],
    readonly kitchen: Kitchen,
    readonly solve: Solve,
  ) {
    this.recipe = snappedAmounts(written).recipe;
    const figures = recipeFigures(this.recipe, kitchen);
    this.before = this.#judged(figures);
    this.#lines = adjustableLines(figures, kitchen);
    this.#hard = targets.filter(({ wish }) => wish !== true);
    // A wish for something nobody knows cannot be worked for.
    this.#wishes = this.before.flatMap(({ target, amount }) => (target.wish === true && amount !== undefined ? [target] : []));
  }

  get moves(): boolean {
    return this.#lines.some(({ allowed }) => allowed.kind === 'free' || allowed.kind === 'steps');
  }

  /** The least change that keeps to every hard target. */
  proposal(sure: boolean): FitProposal | undefined {
    const asked = { must: this.#hard, may: [], sure };
    const found = this.#settled(asked);
    if (!found) return undefined;
    const proposals: FitProposal[] = [];
    for (const { share, reach, most } of ROUNDINGS) {
      if (found.factors.size > most) continue;
      const rounded = this.#settled({ ...asked, rounding: { share, reach, found: found.factors } }, found.factors);
      if (!rounded) continue;
      const proposal = this.#proposalOf({ ...found, factors: rounded.factors }, share === 1);
      if (proposal.sure === sure && proposal.printed) return proposal;
      proposals.push(proposal);
    }
    proposals.push(this.#proposalOf(found, false));
    // Finer amounts keep to it as they are, and may not where they are printed: that is what is told of them.
    return proposals.find((one) => one.sure) ?? proposals.find((one) => one.printed) ?? (sure ? undefined : proposals[0]);
  }

  /** What cannot be, and what comes nearest. */
  conflict(): FitConflict {
    const targets = this.#smallestConflict();
    const nearest = targets.map((target) => {
      const found = this.#settled(
        { must: targets.filter((one) => one !== target), may: [target], sure: false, atAnyCost: true },
        undefined,
        false,
      );
      return { target, amount: found && targetFigure(target, this.#figures(found.factors), this.kitchen).amount };
    });
    const closest = this.#closest();
    const atTheirEnd = this.#lines.filter(({ at, allowed }) => isAtEnd(allowed, closest.factors.get(at) ?? 1)).map(({ at }) => at);
    return { kind: 'conflict', targets, nearest, closest: this.#proposalOf(closest, true), atTheirEnd };
  }

  /** Takes one target after the other away and keeps it away where the rest still cannot be (a deletion filter). */
  #smallestConflict(): readonly Target[] {
    let conflict = this.#hard;
    for (const target of this.#hard) {
      const rest = conflict.filter((one) => one !== target);
      if (rest.length > 0 && !this.#settled({ must: rest, may: [], sure: false, atAnyCost: true })) conflict = rest;
    }
    return conflict;
  }

  #closest(): Found {
    const asked = { must: [], may: this.#hard, sure: false };
    const found = this.#settled(asked, undefined, false) ?? { factors: new Map(), status: 'not solved', cost: 0 };
    const rounding = { share: 1, reach: 0, found: found.factors };
    const rounded = this.#settled({ ...asked, rounding }, found.factors, false);
    return rounded ? { ...found, factors: rounded.factors } : found;
  }

  /**
   * Solves, and again from what was found until the engine agrees; figures that are linear in every amount need one round.
   *
   * @param checked whether what must hold is held against the engine at the end
   */
  #settled(asked: Asked, from: Factors = new Map(), checked = true): Found | undefined {
    let at = from;
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const found = this.#solved(asked, at);
      if (!found) return undefined;
      if (!checked || this.#keepsTo(asked, found.factors)) return found;
      at = found.factors;
    }
    return undefined;
  }

  /** Held against the engine, with the bands that the amounts found have. */
  #keepsTo({ must, sure }: Asked, factors: Factors): boolean {
    const figures = this.#figures(factors);
    return must.every((target) => {
      const amount = this.#amount(target, figures);
      const { low = -Infinity, high = Infinity } = this.#aim(target, amount, figures, sure);
      const hair = (Math.abs(target.amount) * SAFE) / 2;
      return amount >= low - hair && amount <= high + hair;
    });
  }

  #solved(asked: Asked, at: Factors): Found | undefined {
    const programme = new Programme();
    const terms = this.#variables(programme, asked);
    const figures = this.#figures(at);
    const slopes = this.#slopes(at, figures);
    const aimed = [
      ...asked.must.map((target) => ({ target, price: Infinity })),
      ...asked.may.map((target) => ({ target, price: MISS_COST })),
    ];
    const wished = (asked.atAnyCost ? [] : this.#wishes).map((target) => ({ target, price: WISH_COST * (target.weight ?? 1) }));
    [...aimed, ...wished].forEach(({ target, price }, t) => {
      const now = this.#amount(target, figures);
      // What the figure comes to: what it is now, and what each line adds by moving from where it is.
      const moved: [string, number][] = [];
      let constant = now;
      for (const [place, variable] of terms) {
        const slope = slopes.get(place)?.get(target) ?? 0;
        moved.push([variable, slope]);
        constant -= slope * (at.get(place) ?? 1);
      }
      limitRows(programme, { moved, constant, price, name: `t${t}` }, this.#aim(target, now, figures, asked.sure), target.amount || 1);
    });
    const { status, objective, values } = this.solve(programme.text(), asked.rounding ? ROUNDING_GAP : 0);
    if (status !== 'Optimal') return undefined;
    const factors = new Map([...terms].map(([place, variable]) => [place, values.get(variable) ?? 1]));
    return { factors: this.#cleaned(factors, asked), status, cost: objective };
  }

  /** A variable for every line that may move: its factor, and what moving it costs. */
  #variables(programme: Programme, { rounding, atAnyCost }: Asked): Map<string, string> {
    const terms = new Map<string, string>();
    this.#lines.forEach(({ at, line, allowed, weight }, i) => {
      if (allowed.kind === 'stays') return;
      const x = programme.variable(`x${i}`, 0, Infinity);
      terms.set(at, x);
      if (allowed.kind === 'with') return;
      const found = rounding?.found.get(at) ?? 1;
      if (atAnyCost) anywhere(programme, x, `${i}`, allowed);
      else if (allowed.kind === 'free') {
        const step = rounding && printedStepFactor(line, this.recipe, found, rounding.share);
        if (!rounding || step === undefined) costlyChange(programme, x, `${i}`, weight, allowed);
        else roundings(programme, x, `${i}`, weight, { ...allowed, found, step, reach: rounding.reach });
      } else if (rounding) programme.row([[x, 1]], '=', found);
      else wholeSteps(programme, x, `${i}`, weight, allowed);
    });
    this.#keepInStep(programme, terms);
    return terms;
  }

  /** A line in step with another moves by the same factor; with one that stays it stays. */
  #keepInStep(programme: Programme, terms: Map<string, string>): void {
    for (const { at, allowed } of this.#lines) {
      const own = terms.get(at);
      if (allowed.kind !== 'with' || own === undefined) continue;
      const lead = terms.get(allowed.at);
      if (lead === undefined || allowed.at === at) programme.row([[own, 1]], '=', 1);
      else
        programme.row(
          [
            [own, 1],
            [lead, -1],
          ],
          '=',
          0,
        );
    }
  }

  /** What moving a line by one whole share of itself does to a serving's figures; what told the figures here rightly is kept. */
  #slopes(at: Factors, figures: RecipeFigures): Slopes {
    const amounts = new Map(this.targets.map((target) => [target, this.#amount(target, figures)]));
    if (this.#known && foretells(this.#known, at, amounts)) return this.#known.slopes;
    const slopes = new Map<string, Map<Target, number>>();
    const here = withFactors(this.recipe, at);
    for (const { at: place, allowed } of this.#lines) {
      if (allowed.kind === 'stays') continue;
      const factor = at.get(place) ?? 1;
      if (factor === 0) continue;
      const nudged = recipeFigures(withFactors(here, new Map([[place, (factor + NUDGE) / factor]])), this.kitchen);
      slopes.set(place, new Map([...amounts].map(([target, amount]) => [target, (this.#amount(target, nudged) - amount) / NUDGE])));
    }
    this.#known = { at, amounts, slopes };
    return slopes;
  }

  /** Whole steps made exactly whole, and factors that are 1 but for the last digits made 1. */
  #cleaned(factors: Factors, { rounding }: Asked): Factors {
    const cleaned = new Map<string, number>();
    for (const { at, line, allowed } of this.#lines) {
      const factor = factors.get(at);
      // What stays need not be a whole number of steps.
      if (factor === undefined || Math.abs(factor - 1) <= SAME_FACTOR) continue;
      const step =
        allowed.kind === 'steps'
          ? allowed.step
          : rounding && allowed.kind === 'free'
            ? printedStepFactor(line, this.recipe, rounding.found.get(at) ?? 1, rounding.share)
            : undefined;
      const rounded = step === undefined ? factor : Math.round(factor / step) * step;
      // What could not be brought to a step within its bounds stays as it was found.
      const whole = Math.abs(rounded - factor) < SAME_FACTOR ? rounded : factor;
      if (Math.abs(whole - 1) > SAME_FACTOR) cleaned.set(at, whole);
    }
    return cleaned;
  }

  #proposalOf({ factors, status, cost }: Found, rounded: boolean): FitProposal {
    const changes = this.#changesOf(factors);
    const recipe = withChanges(this.written, changes);
    // Readers weigh what is printed.
    const after = this.#judged(recipeFigures(snappedAmounts(recipe).recipe, this.kitchen));
    const sure = after.every(({ verdict, target }) => verdict === 'holds' || target.wish === true);
    const printed = !after.some(({ verdict, target }) => verdict === 'missed' && target.wish !== true);
    return { kind: 'proposal', changes, recipe, before: this.before, after, sure, printed, rounded, status, cost };
  }

  /** Changes of the lines as they are written, to what was found for them as they are printed. */
  #changesOf(factors: Factors): LineChange[] {
    const written = new Map(placedLines(this.written).map(({ at, line }) => [at, line.amount ?? line.toTaste]));
    return changesOf(this.recipe, factors).flatMap((change) => {
      const from = written.get(change.at) ?? change.from;
      const factor = midpointOf(from) === 0 ? change.factor : midpointOf(change.to) / midpointOf(from);
      return Math.abs(factor - 1) < SAME_FACTOR ? [] : [{ ...change, from, factor }];
    });
  }

  #aim(target: Target, amount: number, figures: RecipeFigures, sure: boolean): Aim {
    return aimOf(target, amount, sure ? targetBand(target, figures, this.kitchen) : undefined);
  }

  #amount(target: Target, figures: RecipeFigures): number {
    return targetFigure(target, figures, this.kitchen).amount ?? 0;
  }

  #figures(factors: Factors): RecipeFigures {
    return recipeFigures(withFactors(this.recipe, factors), this.kitchen);
  }

  #judged(figures: RecipeFigures): TargetJudgement[] {
    return briefJudgements(figures, { targets: this.targets }, this.kitchen).filter((one) => one.kind === 'target');
  }
}

/** Whether slopes taken elsewhere say what the figures are here: they then do everywhere between, the figures being linear. */
function foretells(
  known: { readonly at: Factors; readonly amounts: ReadonlyMap<Target, number>; readonly slopes: Slopes },
  at: Factors,
  amounts: ReadonlyMap<Target, number>,
): boolean {
  return [...amounts].every(([target, amount]) => {
    let foretold = known.amounts.get(target) ?? 0;
    for (const [place, slopes] of known.slopes) foretold += (slopes.get(target) ?? 0) * ((at.get(place) ?? 1) - (known.at.get(place) ?? 1));
    return Math.abs(foretold - amount) <= FORETOLD * Math.max(1, Math.abs(amount));
  });
}

function isAtEnd(allowed: AdjustableLine['allowed'], factor: number): boolean {
  if (allowed.kind === 'free') return factor <= allowed.low + 1e-6 || factor >= allowed.high - 1e-6;
  return allowed.kind === 'steps' && (factor <= allowed.least * allowed.step + 1e-6 || factor >= allowed.most * allowed.step - 1e-6);
}
