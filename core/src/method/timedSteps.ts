import { upperOf } from '../quantity/index.js';
import { piecesOf, stepOf, type Recipe, type StepUse, type StepWay, type StepWithPart } from '../recipe/index.js';
import { stepSpans } from '../text/index.js';
import { equipmentIn } from './equipmentIn.js';

/** A step whose words tell no time takes so many minutes. */
const USUAL_MINUTES = 5;

/** What a step may say of its time and its place. */
export type Timing = Pick<StepWithPart, 'minutes' | 'hands' | 'uses' | 'after'>;

/** A step with its time, its hands and what it holds, said or read from its words. */
export interface TimedStep {
  /** From 1. */
  readonly number: number;
  readonly step: StepWithPart;
  /** Whole minutes. */
  readonly minutes: number;
  /** Minutes, from its start, that the cook is bound. */
  readonly hands: number;
  readonly uses: readonly { readonly name: string; readonly at: number | undefined }[];
  /** Numbers of the steps it waits for. */
  readonly after: readonly number[];
  /** Minutes it may wait then; undefined: any time, or nothing to wait for. */
  readonly within: number | undefined;
  /** What of these nobody has said: it is read from the words, or usual. */
  readonly read: ReadonlySet<keyof Timing>;
}

/** A step's own words, or another way to do it. */
type Wording = Pick<StepWay, 'text' | 'minutes' | 'hands' | 'uses'>;

/**
 * Every step of a recipe with what it takes (kitchen file, Steps with times): minutes by the sum of the times in its words, else 5;
 * hands all of them where it holds nothing, else none; what it holds by its words; after the one before that makes the same part.
 *
 * @param chosen ways taken instead of a step's own, by its number: the way's name
 */
export function timedSteps(recipe: Pick<Recipe, 'steps'>, chosen: ReadonlyMap<number, string> = new Map()): TimedStep[] {
  const steps = (recipe.steps ?? []).map(stepOf);
  const last = new Map<string | undefined, number>();
  return steps.map((step, i) => {
    const way = (step.or ?? []).find(({ name }) => name === chosen.get(i + 1));
    const before = last.get(step.part);
    last.set(step.part, i + 1);
    const after = step.after ?? (before === undefined ? [] : [before]);
    const timed = timeOf(way ?? step);
    const read = new Set([...timed.read, ...(step.after === undefined ? (['after'] as const) : [])]);
    return { number: i + 1, step, ...timed, after, within: after.length === 0 ? undefined : step.within, read };
  });
}

/** Minutes, hands and what is held, of a step's words or of another way to do it. */
export function timeOf({ text, minutes, hands, uses }: Wording): Pick<TimedStep, 'minutes' | 'hands' | 'uses' | 'read'> {
  const read = new Set<keyof Timing>();
  if (minutes === undefined) read.add('minutes');
  if (hands === undefined) read.add('hands');
  if (uses === undefined) read.add('uses');
  const words = stepWords(text);
  const taken = minutes ?? minutesIn(words) ?? USUAL_MINUTES;
  const held = (uses ?? equipmentIn(words)).map(useOf);
  return { minutes: taken, hands: Math.min(hands ?? (held.length === 0 ? taken : 0), taken), uses: held, read };
}

/** A step's words, ingredients by what they are called in it. */
export function stepWords(text: string): string {
  return piecesOf(text)
    .map((piece) => (typeof piece === 'string' ? piece : piece.words))
    .join('');
}

/** The sum of the times a step's words tell, the longer end of ranges, rounded up to whole minutes; undefined where they tell none. */
export function minutesIn(text: string): number | undefined {
  const times = stepSpans(text).flatMap((span) => (span.kind === 'time' ? [upperOf(span.minutes)] : []));
  return times.length === 0 ? undefined : Math.ceil(times.reduce((sum, one) => sum + one, 0) - 1e-9);
}

function useOf(use: StepUse): { readonly name: string; readonly at: number | undefined } {
  return typeof use === 'string' ? { name: use, at: undefined } : { name: use.name, at: use.at };
}

/**
 * The number of a step that waits for itself, by however many others; undefined where none does.
 *
 * @param steps as `timedSteps` gives them; numbers that are not there are passed over
 */
export function stepInCircle(steps: readonly Pick<TimedStep, 'number' | 'after'>[]): number | undefined {
  const state = new Map<number, 'open' | 'done'>();
  const inCircle = (number: number): number | undefined => {
    const seen = state.get(number);
    if (seen === 'open') return number;
    const step = seen === 'done' ? undefined : steps[number - 1];
    if (!step) return undefined;
    state.set(number, 'open');
    for (const before of step.after) {
      const found = inCircle(before);
      if (found !== undefined) return found;
    }
    state.set(number, 'done');
    return undefined;
  };
  for (const { number } of steps) {
    const found = inCircle(number);
    if (found !== undefined) return found;
  }
  return undefined;
}
