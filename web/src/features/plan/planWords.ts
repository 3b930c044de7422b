import {
  clockTime,
  cutText,
  proposedHands,
  sessionSteps,
  stepWords,
  type PlannedStep,
  type Recipe,
  type Session,
  type StepPlace,
} from '@portiona/core';

/** Minutes as a cook says them: "3 h 45", "2 h", "25 min". */
export function lengthText(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, '0')}`;
}

/** "Sunday 29 November". */
export function dayTitle(date: string): string {
  return new Date(`${date}T12:00:00Z`).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });
}

/** "Thu 3 Dec". */
export function dayMonth(date: string): string {
  const form = { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' } as const;
  return new Date(`${date}T12:00:00Z`).toLocaleDateString('en-GB', form);
}

/** Said of when, before what is done is said. */
const WHEN = /^(?:meanwhile|then|now|next|after that|in the meantime)[, ]+/i;

/** An oven and its heat, and nothing to do. */
const OVEN_ALONE = /^oven \d+ ?°?[cf]?\.?$/i;

/** A step in few words: the first of its sentences that says to do something, as far as the first comma. */
export function stepTitle(text: string): string {
  const words = stepWords(text).trim().replace(WHEN, '');
  const sentences = words.split(/(?<=[.;:!?])\s|,\s/);
  // An oven set to its heat is said before what goes into it.
  const first = sentences.find((one) => !OVEN_ALONE.test(one)) ?? words;
  const plain = first.replace(/[.;:]$/, '');
  return shortened(plain.charAt(0).toUpperCase() + plain.slice(1), 44);
}

/** A text of so many letters at most, cut between words. */
function shortened(text: string, most: number): string {
  if (text.length <= most) return text;
  const cut = cutText(text, most - 1);
  return `${cut.slice(0, cut.lastIndexOf(' ') < most / 2 ? cut.length : cut.lastIndexOf(' '))} …`;
}

/** A dish in few words: as far as its first comma. */
export function dishTitle(title: string): string {
  return title.split(',')[0] ?? title;
}

/** Where a step is done: "hob 2", "oven 180 °C"; nothing where it needs nothing. A unit's number only where there are several. */
export function placeText({ on }: Pick<PlannedStep, 'on'>, several: ReadonlySet<string>): string {
  return on.map(({ name, unit, at }) => `${name}${several.has(name) ? ` ${unit}` : ''}${at === null ? '' : ` ${at} °C`}`).join(', ');
}

/** What a cook is called: by name, or by number where several have none. */
export function cookName({ cookNames = [], cooks = 1 }: Pick<Session, 'cookNames' | 'cooks'>, cook: number): string {
  const named = cookNames[cook - 1]?.trim();
  return named !== undefined && named !== '' ? named : cooks === 1 ? 'you' : `cook ${cook}`;
}

/** A planned step with its words and its number in the running list. */
export interface ListedStep extends PlannedStep {
  /** From 1, in the order in which they start. */
  readonly number: number;
  readonly title: string;
  readonly text: string;
  /** What of its time and place nobody has said: it is read from its words. */
  readonly read: ReadonlySet<string>;
}

/** Steps of a plan in the order of the running list. */
export function listedSteps(session: Session, steps: readonly PlannedStep[], recipes: readonly Recipe[]): ListedStep[] {
  const timed = session.dishes.map(({ recipe: id }, dish) => {
    const recipe = recipes.find((one) => one.id === id);
    return recipe ? sessionSteps(session, dish, recipe) : [];
  });
  return steps.map((step, i) => {
    const own = timed[step.dish - 1]?.[step.step - 1];
    const text = own?.step.text ?? '';
    return { ...step, number: i + 1, title: stepTitle(text), text: stepWords(text), read: own?.read ?? new Set() };
  });
}

/** Steps that begin at once though others of their dish stand before them: the first of their part, as nobody has said otherwise. */
export function beginAtOnce(session: Session, recipes: readonly Recipe[]): { readonly dish: number; readonly step: number }[] {
  return session.dishes.flatMap(({ recipe: id }, dish) => {
    const recipe = recipes.find((one) => one.id === id);
    if (!recipe) return [];
    return sessionSteps(session, dish, recipe)
      .filter(
        ({ number, after, read, uses, step }) =>
          number > 1 && after.length === 0 && read.has('after') && uses.length === 0 && /\bbox(?:es)?\b/i.test(step.text),
      )
      .map(({ number }) => ({ dish: dish + 1, step: number }));
  });
}

/** A minute of a session as a time of day: "13:45", the next day "05:10 +1". */
export function at(session: Session, minute: number): string {
  return clockTime(session, minute).replace(/ \(([^)]*)\)/, ' $1');
}

/** A step of which the words suggest that the cook is bound for another time than is counted, since nobody has said. */
export interface HandsProposal {
  readonly dish: number;
  readonly step: number;
  readonly number: number;
  readonly title: string;
  /** Minutes counted, and suggested. */
  readonly counted: number;
  readonly proposed: number;
}

/** Hands that words suggest where nobody has said any: to be agreed to, all at once or not at all. */
export function handsProposals(steps: readonly ListedStep[]): HandsProposal[] {
  return steps.flatMap(({ dish, step, number, title, text, start, end, hands, read }) => {
    const proposed = proposedHands(text, end - start);
    return read.has('hands') && proposed !== hands ? [{ dish, step, number, title, counted: hands, proposed }] : [];
  });
}

/** A step by its number in the running list and its words. */
export function numberOf(steps: readonly ListedStep[], { dish, step }: StepPlace): string {
  const found = steps.find((one) => one.dish === dish && one.step === step);
  return found ? String(found.number) : '';
}
