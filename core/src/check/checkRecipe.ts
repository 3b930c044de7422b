import { stepOf, type Kitchen, type Recipe, type RecipeFigures } from '../recipe/index.js';
import { CheckGround } from './checkGround.js';
import type { Finding } from './finding.js';
import { findingsOf } from './findingsOf.js';
import { allergenUnnamed } from './rules/allergenUnnamed.js';
import { beansUnboiled } from './rules/beansUnboiled.js';
import { briefMissed } from './rules/briefMissed.js';
import { claimTyped } from './rules/claimTyped.js';
import { cooledLate } from './rules/cooledLate.js';
import { coreTemperature } from './rules/coreTemperature.js';
import { countDiffers } from './rules/countDiffers.js';
import { freezesNot } from './rules/freezesNot.js';
import { frozenSlow } from './rules/frozenSlow.js';
import { keepsTooLong } from './rules/keepsTooLong.js';
import { lineUnused } from './rules/lineUnused.js';
import { marinadeReused } from './rules/marinadeReused.js';
import { minutesDiffer } from './rules/minutesDiffer.js';
import { noSign } from './rules/noSign.js';
import { portionText } from './rules/portionText.js';
import { promises } from './rules/promises.js';
import { reheatedLow } from './rules/reheatedLow.js';
import { stepAmount } from './rules/stepAmount.js';
import { stepUnlisted } from './rules/stepUnlisted.js';
import { thawedOut } from './rules/thawedOut.js';
import { timesDisagree } from './rules/timesDisagree.js';
import { noYield, waterTwice, weightGained } from './rules/yields.js';

/** The rules of Check, those of figures first, then of words, of claims, of safety and keeping. */
const RULES: readonly ((ground: CheckGround) => Finding[])[] = [
  noYield,
  waterTwice,
  weightGained,
  promises,
  countDiffers,
  minutesDiffer,
  timesDisagree,
  lineUnused,
  stepUnlisted,
  stepAmount,
  portionText,
  noSign,
  claimTyped,
  allergenUnnamed,
  coreTemperature,
  beansUnboiled,
  frozenSlow,
  marinadeReused,
  cooledLate,
  thawedOut,
  keepsTooLong,
  freezesNot,
  reheatedLow,
  briefMissed,
];

/** Letters of title, lead and steps together that are read: some twenty times what a long recipe has. */
const MOST_LETTERS = 40_000;

/** A dish whose words are longer than can be read in good time. */
export class TooLongToCheckError extends Error {
  constructor() {
    super(`its title, lead and steps are longer than ${MOST_LETTERS} letters together, too long to be checked; shorten or split it`);
    this.name = 'TooLongToCheckError';
  }
}

/**
 * Everything that Check finds in a dish, whatever has been left with a reason: what is wrong first, each in the order of the rules.
 *
 * @param figures of the recipe, at its own size
 * @throws TooLongToCheckError
 */
export function checkRecipe(figures: RecipeFigures, kitchen: Kitchen): Finding[] {
  const ground = new CheckGround(figures, kitchen);
  if (lettersOf(figures.recipe) > MOST_LETTERS) throw new TooLongToCheckError();
  const byRules = RULES.flatMap((rule) => rule(ground));
  const unnamed = new Set(byRules.filter(({ code }) => code === 'allergen-unnamed').map(({ at }) => at));
  // A line's words say no more than its food's name where that says it already.
  const ofFigures = findingsOf(figures, kitchen).filter(({ code, at }) => code !== 'allergen-words' || !unnamed.has(foodAt(at, figures)));
  const found = [...ofFigures, ...byRules];
  const once = new Map(found.map((one) => [`${one.code} ${one.at} ${one.message}`, one]));
  return [...once.values()].sort((a, b) => SEVERITY.indexOf(a.severity) - SEVERITY.indexOf(b.severity));
}

function lettersOf({ title, lead = '', steps = [] }: Recipe): number {
  const ofSteps = steps.map(stepOf).flatMap(({ text, or = [] }) => [text.length, ...or.map((way) => way.text.length)]);
  return title.length + lead.length + ofSteps.reduce((sum, one) => sum + one, 0);
}

function foodAt(at: string, { lines }: RecipeFigures): string {
  const of = lines.find((line) => line.at === at)?.of;
  return of?.kind === 'food' ? `food:${of.resolved.food.id}` : '';
}

const SEVERITY: readonly Finding['severity'][] = ['wrong', 'look'];
