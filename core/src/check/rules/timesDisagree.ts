import type { SaidTime } from '../../text/index.js';
import { isLength, whatTimeIsOf } from '../reading/heat.js';
import type { StepReading } from '../reading/stepReading.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

const BESIDE =
  /\b(?:meanwhile|in the meantime|while|at the same time|alongside|beside (?:it|them)|as (?:it|they|the \w+) (?:cooks?|simmers?|bakes?|roasts?|boils?|rests?|cools?))\b/i;
const OVERNIGHT = /\bovernight\b|\b(?:the )?(?:day|night|evening) before\b/i;

/** Steps one after the other take longer than the recipe states for all of it, or for the work. */
export function timesDisagree({ mainSteps, recipe }: CheckGround): Finding[] {
  return [...passes(mainSteps, recipe.totalMinutes, 'total'), ...passes(mainSteps, recipe.activeMinutes, 'active')];
}

function passes(steps: readonly StepReading[], stated: number | undefined, of: 'total' | 'active'): Finding[] {
  if (stated === undefined) return [];
  let [begun, end] = [0, 0];
  for (const step of steps) {
    const takes = of === 'total' ? minutesOf(step) : handsOf(step);
    const beside = of === 'total' && BESIDE.test(step.text) && step.number > 1;
    if (beside) end = Math.max(end, begun + takes);
    else [begun, end] = [end, end + takes];
    if (end > stated + 1e-9)
      return [
        {
          code: 'times-disagree',
          at: step.at,
          severity: 'look',
          message:
            of === 'total'
              ? `By this step ${Math.ceil(end)} min have gone, and the recipe states ${stated} min in all. State more, or say what runs beside what.`
              : `By this step the cook has been bound for ${Math.ceil(end)} min, and the recipe states ${stated} min of work.`,
          mend:
            of === 'total'
              ? { kind: 'minutes', words: `State ${Math.ceil(totalOf(steps))} min`, totalMinutes: Math.ceil(totalOf(steps)) }
              : { kind: 'minutes', words: `State ${Math.ceil(handsOfAll(steps))} min`, activeMinutes: Math.ceil(handsOfAll(steps)) },
        },
      ];
  }
  return [];
}

function totalOf(steps: readonly StepReading[]): number {
  let [begun, end] = [0, 0];
  for (const step of steps) {
    const takes = minutesOf(step);
    if (BESIDE.test(step.text) && step.number > 1) end = Math.max(end, begun + takes);
    else [begun, end] = [end, end + takes];
  }
  return end;
}

function handsOfAll(steps: readonly StepReading[]): number {
  return steps.reduce((sum, step) => sum + handsOf(step), 0);
}

/** Minutes that a step takes, by what is said of it or by its words; the lower end of ranges and of ways to choose from. */
function minutesOf({ step, text, times }: StepReading): number {
  if (step.minutes !== undefined) return step.minutes;
  if (OVERNIGHT.test(text)) return 0;
  const counted = times.filter((time) => isLength(text, time));
  let sum = 0;
  let last: SaidTime | undefined;
  for (const time of counted) {
    // "4 h on high or 8 h on low" is one time.
    if (last && /\bor\b/i.test(text.slice(last.to, time.from)) && !/[.;]\s/.test(text.slice(last.to, time.from))) {
      sum -= last.low;
      last = { ...time, low: Math.min(last.low, time.low) };
      sum += last.low;
      continue;
    }
    sum += time.low;
    last = time;
  }
  return sum;
}

/** Minutes that the cook is bound: said of the step, or a time of work that the words bind the hands to. */
function handsOf(step: StepReading): number {
  if (step.step.hands !== undefined) return step.step.hands;
  return step.times
    .filter((time) => isLength(step.text, time) && whatTimeIsOf(step, time) === 'hands')
    .reduce((sum, { low }) => sum + low, 0);
}
