import { allergensWithGroups, namedAllergens, type Allergen } from '../food/index.js';
import type { Brief, Kitchen, RecipeFigures, Target } from '../recipe/index.js';
import type { Band } from '../uncertainty/index.js';
import { briefGround, type BriefGround } from './briefGround.js';

/** Whether something asked for is so: surely, perhaps (the band reaches over the limit, or something is lacking), not, or nobody knows. */
export type Verdict = 'holds' | 'unsure' | 'missed' | 'unknown';

/** A target, and how the dish stands to it. */
export interface TargetJudgement {
  readonly kind: 'target';
  readonly target: Target;
  readonly verdict: Verdict;
  /** Of a serving, in the figure's unit, unrounded. */
  readonly amount: number | undefined;
  /** Something is lacking: the amount is "at least". */
  readonly atLeast: boolean;
  readonly band: Band | undefined;
  /** How much room there is to the limit; negative beyond it. */
  readonly margin: number | undefined;
}

export const BOUNDS = ['box volume', 'active time', 'total time', 'fridge', 'freezer', 'allergens', 'foods'] as const;

/** Anything else a brief asks for. */
export interface BoundJudgement {
  readonly kind: 'bound';
  readonly of: (typeof BOUNDS)[number];
  readonly verdict: Verdict;
  /** What is asked, and what is: "40 min", "55 min". */
  readonly asked: string;
  readonly is: string;
}

export type Judgement = TargetJudgement | BoundJudgement;

/** How far "about" reaches where a target does not say, as a share of its amount. */
export const USUAL_WITHIN = 0.05;

/**
 * Holds a dish against its brief. A limit holds where the whole 95 % band keeps to it (docs/reckoning.md, "How sure it is": "at
 * most 540 kcal" is believed only then); where the figure does but its band, or what is lacking, may not, it is unsure. Costs and
 * weights have no band.
 *
 * @returns a judgement for everything the brief asks for, targets first
 */
export function briefJudgements(figures: RecipeFigures, brief: Brief, kitchen: Kitchen): Judgement[] {
  return judgementsOn(briefGround(figures, kitchen), brief);
}

/** The same of what can be asked of a dish, computed now or kept. */
export function judgementsOn(ground: BriefGround, brief: Brief): Judgement[] {
  return [...(brief.targets ?? []).map((target) => targetJudgement(target, ground)), ...boundJudgements(ground, brief)];
}

/** Whether a dish meets a brief: everything that is no mere wish holds, something is unsure, or something is missed. */
export function briefVerdict(judgements: readonly Judgement[]): 'meets' | 'perhaps' | 'misses' {
  const hard = judgements.filter((one) => one.kind === 'bound' || one.target.wish !== true);
  if (hard.some(({ verdict }) => verdict === 'missed')) return 'misses';
  return hard.every(({ verdict }) => verdict === 'holds') ? 'meets' : 'perhaps';
}

function targetJudgement(target: Target, { figureOf }: BriefGround): TargetJudgement {
  const { amount, atLeast, band } = figureOf(target.figure);
  const margin = amount === undefined ? undefined : marginOf(target, amount);
  return { kind: 'target', target, verdict: verdictOf(target, amount, atLeast, band), amount, atLeast, band, margin };
}

/** Room to the limit, in the figure's unit. */
function marginOf({ is, amount: limit, within = USUAL_WITHIN }: Target, amount: number): number {
  if (is === 'at most') return limit - amount;
  return is === 'at least' ? amount - limit : limit * within - Math.abs(amount - limit);
}

function verdictOf(target: Target, amount: number | undefined, atLeast: boolean, band: Band | undefined): Verdict {
  if (amount === undefined) return 'unknown';
  const { is, amount: limit, within = USUAL_WITHIN } = target;
  const [low, high] = band ?? [amount, amount];
  const room = limit * within;
  if (marginOf(target, amount) < 0) {
    // What is lacking can only add.
    const mayGrowInto = atLeast && (is === 'at least' || (is === 'about' && amount < limit));
    return mayGrowInto ? 'unsure' : 'missed';
  }
  if (is === 'at least') return low >= limit ? 'holds' : 'unsure';
  if (atLeast) return 'unsure';
  const sure = is === 'at most' ? high <= limit : low >= limit - room && high <= limit + room;
  return sure ? 'holds' : 'unsure';
}

function boundJudgements(ground: BriefGround, brief: Brief): BoundJudgement[] {
  const { weight, activeMinutes, totalMinutes, storage } = ground;
  const judged: (BoundJudgement | undefined)[] = [
    // A gram of cooked food fills about a millilitre.
    brief.boxVolume === undefined ? undefined : limit('box volume', brief.boxVolume, weight, 'ml', 'most'),
    brief.activeMinutes === undefined ? undefined : limit('active time', brief.activeMinutes, activeMinutes, 'min', 'most'),
    brief.totalMinutes === undefined ? undefined : limit('total time', brief.totalMinutes, totalMinutes, 'min', 'most'),
    brief.fridgeDays === undefined ? undefined : limit('fridge', brief.fridgeDays, storage?.fridgeDays, 'days', 'least'),
    brief.freezes === true ? freezes(storage?.freezes, storage?.freezerMonths) : undefined,
    brief.avoidAllergens?.length ? allergens(ground, brief.avoidAllergens) : undefined,
    brief.avoidGroups?.length ? groups(ground, brief.avoidGroups) : undefined,
  ];
  return judged.filter((one) => one !== undefined);
}

function limit(of: BoundJudgement['of'], asked: number, is: number | undefined, unit: string, bound: 'most' | 'least'): BoundJudgement {
  const text = `${Math.round(asked)} ${unit} at ${bound}`;
  if (is === undefined) return { kind: 'bound', of, verdict: 'unknown', asked: text, is: 'not said' };
  const holds = bound === 'most' ? is <= asked : is >= asked;
  return { kind: 'bound', of, verdict: holds ? 'holds' : 'missed', asked: text, is: `${Math.round(is)} ${unit}` };
}

function freezes(said: boolean | undefined, months: number | undefined): BoundJudgement {
  const verdict = said === false ? 'missed' : said === true || months !== undefined ? 'holds' : 'unknown';
  return {
    kind: 'bound',
    of: 'freezer',
    verdict,
    asked: 'freezes',
    is: { holds: 'does', missed: 'does not', unknown: 'not said', unsure: '' }[verdict],
  };
}

function allergens({ foods, unmatched }: BriefGround, avoided: readonly Allergen[]): BoundJudgement {
  const held = [...new Set(foods.flatMap((food) => food.allergens ?? []))].filter((allergen) =>
    [...allergensWithGroups([allergen])].some((one) => avoided.includes(one)),
  );
  const verdict = held.length > 0 ? 'missed' : unmatched ? 'unsure' : 'holds';
  return {
    kind: 'bound',
    of: 'allergens',
    verdict,
    asked: `no ${avoided.join(', no ')}`,
    is: held.length > 0 ? namedAllergens(new Set(held)).join(', ') : 'none of them',
  };
}

function groups({ foods, unmatched }: BriefGround, avoided: readonly string[]): BoundJudgement {
  const held = [...new Set(foods.filter(({ aisle }) => aisle !== undefined && avoided.includes(aisle)).map(({ name }) => name))];
  const verdict = held.length > 0 ? 'missed' : unmatched || foods.some(({ aisle }) => aisle === undefined) ? 'unsure' : 'holds';
  return {
    kind: 'bound',
    of: 'foods',
    verdict,
    asked: `no ${avoided.map((one) => one.replace(/-/g, ', ')).join('; no ')}`,
    is: held.length > 0 ? held.join(', ') : 'none of them',
  };
}
