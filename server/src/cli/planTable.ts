import { clockTime, cutText, stepOf, stepWords, type PlannedStep, type Recipe, type Session, type SessionPlan } from '@portiona/core';

/** A session's plan as a running list for a terminal. */
export function planTable(session: Session, plan: SessionPlan, recipeOf: (id: string) => Recipe): string {
  const { minutes, bound, proven, late, steps } = plan;
  const at = (minute: number) => clockTime(session, minute);
  const named = new Set(steps.map(({ dish }) => dish)).size < 2 ? '' : ', dishes by number';
  return [
    `${session.name ?? session.id}, ${session.date}: ${at(0)} to ${at(minutes)}, ${minutes} min (${proven ? 'no plan takes less' : `no plan takes less than ${bound}`})${named}`,
    ...steps.map((step) => `  ${at(step.start).padEnd(6)} ${at(step.end).padEnd(6)} ${rowText(step, recipeOf)}`),
    ...late.map(({ dish, step, by }) => `  ! dish ${dish} step ${step} starts ${by} min later than it may; no plan keeps that`),
    '',
  ].join('\n');
}

function rowText({ dish, recipe, step, hands, cook, on }: PlannedStep, recipeOf: (id: string) => Recipe): string {
  const { title, steps = [] } = recipeOf(recipe);
  const words = cutText(stepWords(stepOf(steps[step - 1] ?? '').text), 50);
  const who = cook === null ? '' : `, cook ${cook} for ${hands} min`;
  const where = on.map(({ name, unit, at }) => `${name} ${unit}${at === null ? '' : ` at ${at} °C`}`).join(', ');
  return `${dish} ${title}, ${step}: ${words}${who}${where === '' ? '' : `; ${where}`}`;
}
