import type { StepUse, TimedStep } from '@portiona/core';

/** Heat behind a name: "oven 200", "oven 200 °C", "oven at 200". */
const HEAT = /^(.*?\S)(?: at)? (\d{1,4})(?: ?°? ?C)?$/i;

/** What a step holds, as it is written: "hob, oven 200". */
export function usesText(uses: TimedStep['uses']): string {
  return uses.map(({ name, at }) => (at === undefined ? name : `${name} ${at} °C`)).join(', ');
}

/** What is held, as written: names parted by commas, each with its heat in °C behind it. */
export function usesOfText(text: string): StepUse[] {
  return text
    .split(',')
    .map((one) => one.trim().replace(/\s+/g, ' '))
    .filter(Boolean)
    .map((one) => {
      const [, name, at] = HEAT.exec(one) ?? [];
      return name === undefined ? one : { name, at: Number(at) };
    });
}

/** Numbers of steps, as written: "1, 3" or "1 and 3"; undefined where something else stands there. */
export function numbersOfText(text: string): number[] | undefined {
  const words = text.split(/[\s,;+&]+|\band\b/).filter(Boolean);
  return words.every((word) => /^\d{1,3}$/.test(word)) ? [...new Set(words.map(Number))] : undefined;
}

/** A step's time and place in few words: "25 min, 5 by hand, hob, after 2". */
export function timingText({ minutes, hands, uses, after, within }: TimedStep, usual: readonly number[]): string {
  return [
    `${minutes} min`,
    hands === minutes ? '' : hands === 0 ? 'by itself' : `${hands} by hand`,
    usesText(uses),
    after.join() === usual.join() ? '' : after.length === 0 ? 'waits for none' : `after ${after.join(' and ')}`,
    within === undefined ? '' : `within ${within} min`,
  ]
    .filter(Boolean)
    .join(', ');
}
