import jsep, { type Expression } from 'jsep';
import { NO_GAPS, type Figure } from '../figure/index.js';
import { type CarbohydrateConvention, type Nutrient, NUTRIENTS } from '../food/index.js';
import { roundHalfAway } from '../quantity/index.js';
import { derivedFigures } from './derived.js';
import { eachKey, figureKey } from './nutrientAmounts.js';
import type { ServingFigures } from './recipeFigures.js';
import { shownFigure } from './shownFigure.js';

/** Something in a formula that cannot be computed: what, and what may stand there. */
export class FormulaError extends Error {
  constructor(
    readonly formula: string,
    reason: string,
  ) {
    super(`the formula "${formula}" cannot be read: ${reason}`);
    this.name = 'FormulaError';
  }
}

/** An index that a kitchen defines for itself: a formula over a serving's figures, and how it is rounded. */
export interface IndexFormula {
  readonly name: string;
  /** "(energyKcal / 50) + fat / 12 - min(fibre, 4) / 5" */
  readonly formula: string;
  /** Rounded to the nearest multiple of this, half away from zero; not rounded when left out. */
  readonly step?: number;
}

/** Longer than any index, short enough to be nobody's weapon. */
const LONGEST = 500;
const DEEPEST = 40;

const FUNCTIONS: { readonly [name: string]: (...terms: number[]) => number } = {
  min: Math.min,
  max: Math.max,
  abs: Math.abs,
};
const OPERATORS: { readonly [operator: string]: (a: number, b: number) => number } = {
  '+': (a, b) => a + b,
  '-': (a, b) => a - b,
  '*': (a, b) => a * b,
  '/': (a, b) => a / b,
};

/**
 * An index over a serving's figures (docs/reckoning.md, "Ratios and the kitchen's own figure"), by a formula of + - * /, min, max,
 * abs, numbers and names: every nutrient, `salt`, `weight`, `cost`, `kcalPer100g`, `proteinPer100kcal`. Parsed by a library and
 * walked; nothing is run.
 *
 * @returns the index; unknown when a figure in it is, and with the gaps of every figure in it
 * @throws FormulaError for what is no such formula
 * @example indexOf({ name: 'points', formula: 'energyKcal / 50', step: 1 }, serving, 'available').amount // 13
 */
export function indexOf(index: IndexFormula, serving: ServingFigures, convention: CarbohydrateConvention): Figure {
  return indexWorking(index, serving, convention).rounded;
}

/** How an index comes about. */
export interface IndexWorking {
  /** The figures that its formula names, each once, in their order. */
  readonly terms: readonly { readonly name: string; readonly figure: Figure }[];
  /** Before it is rounded; undefined where a figure in it is unknown, or where something is divided by nothing. */
  readonly unrounded: number | undefined;
  readonly rounded: Figure;
}

/**
 * The same with what it is reckoned from.
 *
 * @throws FormulaError for what is no such formula
 */
export function indexWorking({ formula, step }: IndexFormula, serving: ServingFigures, convention: CarbohydrateConvention): IndexWorking {
  const gaps = new Set<string>();
  const terms = new Map<string, Figure>();
  const walk = (node: Expression, depth: number): number | undefined => {
    if (depth > DEEPEST) throw new FormulaError(formula, 'it is nested too deep');
    switch (node.type) {
      case 'Literal':
        if (typeof node.value !== 'number') throw new FormulaError(formula, `"${nameIn(node)}" is no number`);
        return node.value;
      case 'Identifier': {
        const figure = figureNamed(nameIn(node), serving, convention);
        if (!figure) throw new FormulaError(formula, `there is no figure "${nameIn(node)}"; use one of ${INDEX_FIGURES.join(', ')}`);
        terms.set(nameIn(node), figure);
        figure.gaps.forEach((gap) => gaps.add(gap));
        return figure.amount;
      }
      case 'UnaryExpression': {
        const { operator, argument } = node as Expression & { operator: string; argument: Expression };
        const term = walk(argument, depth + 1);
        if (operator !== '-' && operator !== '+') throw new FormulaError(formula, `"${operator}" may not stand in it`);
        return term === undefined ? undefined : operator === '-' ? -term : term;
      }
      case 'BinaryExpression': {
        const { operator, left, right } = node as Expression & { operator: string; left: Expression; right: Expression };
        const act = Object.hasOwn(OPERATORS, operator) ? OPERATORS[operator] : undefined;
        if (!act) throw new FormulaError(formula, `"${operator}" may not stand in it; use + - * /`);
        return combined([walk(left, depth + 1), walk(right, depth + 1)], ([a, b]) => act(a ?? 0, b ?? 0));
      }
      case 'CallExpression': {
        const { callee, arguments: terms } = node as Expression & { callee: Expression; arguments: Expression[] };
        const name = callee.type === 'Identifier' ? nameIn(callee) : '';
        const act = Object.hasOwn(FUNCTIONS, name) ? FUNCTIONS[name] : undefined;
        if (!act || terms.length === 0)
          throw new FormulaError(formula, `"${name}" is no function of it; use min, max or abs with something in it`);
        return combined(
          terms.map((term) => walk(term, depth + 1)),
          (known) => act(...known),
        );
      }
      default:
        throw new FormulaError(formula, 'only + - * /, min, max, abs, numbers and figures may stand in it');
    }
  };
  const computed = walk(parsed(formula), 0);
  const unrounded = computed === undefined || !Number.isFinite(computed) ? undefined : computed;
  const amount = unrounded === undefined || step === undefined ? unrounded : roundHalfAway(unrounded, step);
  return {
    terms: [...terms].map(([name, figure]) => ({ name, figure })),
    unrounded,
    rounded: { amount, gaps: gaps.size > 0 ? [...gaps] : NO_GAPS },
  };
}

/** A serving of which everything is known. */
const NOTHING: ServingFigures = {
  weight: 1,
  nutrients: eachKey(() => ({ amount: 1, gaps: NO_GAPS })),
  usedCost: { amount: 1, gaps: NO_GAPS },
  factoredKcal: 1,
  compared: { declared: 1, factored: 1 },
};

/** Why a text is no formula that an index can be computed by; undefined where it is one. */
export function formulaTrouble(formula: string): string | undefined {
  try {
    indexOf({ name: '', formula }, NOTHING, 'available');
    return undefined;
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

/** Whether something is a formula that an index can be computed by. */
export function isIndexFormula(found: unknown): boolean {
  return typeof found === 'string' && formulaTrouble(found) === undefined;
}

const OTHERS = ['salt', 'weight', 'cost', 'kcalPer100g', 'proteinPer100kcal'] as const;
/** What a formula may name. */
export const INDEX_FIGURES: readonly string[] = [...NUTRIENTS, ...OTHERS];

function figureNamed(name: string, serving: ServingFigures, convention: CarbohydrateConvention): Figure | undefined {
  const nutrient = NUTRIENTS.find((one): one is Nutrient => one === name);
  if (nutrient) return serving.nutrients[figureKey(nutrient, convention)];
  switch (name) {
    case 'salt':
      return shownFigure('salt', serving.nutrients, convention);
    case 'weight':
      return { amount: serving.weight, gaps: NO_GAPS };
    case 'cost':
      return serving.usedCost;
    case 'kcalPer100g':
      return derivedFigures(serving).kcalPer100g;
    case 'proteinPer100kcal':
      return derivedFigures(serving).proteinPer100kcal;
    default:
      return undefined;
  }
}

/** The name or text a node holds. */
function nameIn({ name, raw }: Expression): string {
  const text = name ?? raw;
  return typeof text === 'string' ? text : '';
}

function combined(terms: readonly (number | undefined)[], act: (known: number[]) => number): number | undefined {
  const known = terms.filter((term) => term !== undefined);
  return known.length === terms.length ? act(known) : undefined;
}

function parsed(formula: string): Expression {
  if (formula.trim() === '') throw new FormulaError(formula, 'it is empty');
  if (formula.length > LONGEST) throw new FormulaError(`${formula.slice(0, 40)}…`, `it is longer than ${LONGEST} characters`);
  try {
    return jsep(formula);
  } catch (error) {
    throw new FormulaError(formula, error instanceof Error ? error.message : String(error));
  }
}
