import { kindsOf, type FoodKind } from '../food/index.js';
import type { Food } from '../food/index.js';
import type { Guideline, Storage } from '../recipe/index.js';

/** Core temperatures of the US guideline (docs/reckoning.md, "Cautions"). */
const CORE: readonly { readonly kinds: readonly FoodKind[]; readonly celsius: number; readonly says: string }[] = [
  { kinds: ['poultry'], celsius: 74, says: 'poultry to 74 °C / 165 °F in the middle' },
  { kinds: ['mince', 'egg'], celsius: 71, says: 'minced meat and egg dishes to 71 °C / 160 °F' },
  { kinds: ['whole cut'], celsius: 63, says: 'whole cuts to 63 °C / 145 °F, then 3 min rest' },
  { kinds: ['fish', 'shellfish'], celsius: 63, says: 'fish to 63 °C / 145 °F' },
];

/** A temperature that the middle of these foods has to reach, °C, and the sentence that says so; the hottest first. */
export function coreTemperatures(foods: readonly Food[]): readonly { readonly celsius: number; readonly says: string }[] {
  const kinds = new Set(foods.flatMap(kindsOf));
  return CORE.filter((row) => row.kinds.some((kind) => kinds.has(kind)));
}

/** Days that a guideline keeps cooked boxes, at most and in words; one that a kitchen did not choose is the wider one. */
const FRIDGE: Readonly<Record<Guideline, { readonly most: number; readonly usual: string; readonly name: string }>> = {
  us: { most: 4, usual: '3 to 4 days', name: 'guideline' },
  uk: { most: 2, usual: '2 days', name: 'UK guideline' },
};
/** Cooked rice keeps so long under either. */
const RICE_DAYS = 1;

/** What steps say, and the caution that goes with it. */
const BY_STEP: readonly (readonly [RegExp, string])[] = [
  [/slow cooker/i, 'No frozen meat into a slow cooker.'],
  [/marinad|marinat/i, 'Boil marinade that met raw meat, or throw it away.'],
  [/mandoline/i, 'Use the guard of the mandoline.'],
  [/\bsteam(?:er|ing|ed)?\b/i, 'Steam burns: open lids away from you.'],
];

/** How a box is kept, and what to mind, as a card prints it. */
export interface Cautions {
  readonly fridge: string;
  readonly freezer: string;
  readonly reheat: string;
  /** Cooking and handling, one sentence each. */
  readonly cooking: readonly string[];
  /** What stands on every card. */
  readonly always: readonly string[];
}

/**
 * The cautions that apply to a dish (docs/reckoning.md, "Cautions"). They are shown, never applied.
 *
 * @param foods in the box and at the table
 * @param steps of the method, for equipment and marinades
 * @param storage what the recipe says; fridge days are capped by the guideline
 * @param inBox of the foods those that are kept in the box: what comes at the table keeps no box
 * @param guideline the kitchen's, where it chose one
 */
export function cautionsFor(
  foods: readonly Food[],
  steps: readonly string[],
  storage: Storage = {},
  inBox: readonly Food[] = foods,
  guideline: Guideline = 'us',
): Cautions {
  const kinds = new Set(foods.flatMap(kindsOf));
  const text = steps.join('\n');
  const core = coreTemperatures(foods).map(({ says }) => says);
  const rawMeat = (['poultry', 'mince', 'whole cut', 'fish', 'shellfish'] as const).some((kind) => kinds.has(kind));
  return {
    fridge: fridgeText(storage, holdsRice(inBox), guideline),
    freezer: freezerText(storage),
    reheat: storage.reheat ?? 'Once only, until steaming hot all through: 74 °C / 165 °F.',
    cooking: [
      ...(core.length > 0 ? [`Check with a thermometer, not the clock: ${core.join('; ')}.`] : []),
      ...(kinds.has('dry beans') ? ['Boil soaked beans hard for 10 min first.'] : []),
      ...(rawMeat ? ['Wash knives, boards and hands that met raw meat or fish.'] : []),
      ...BY_STEP.filter(([says]) => says.test(text)).map(([, caution]) => caution),
      'Lids on when the steam stops; into the cold within 90 min.',
    ],
    always: [
      'Figures are estimates for healthy adults, not medical advice.',
      'Allergens depend on the products you buy: check their labels.',
      'If you sell food, follow your local food law and ask a licensed professional.',
    ],
  };
}

/** How long a box keeps, in a word or two: "1 day", "3 months", "no". */
export interface KeptShort {
  readonly fridge: string;
  readonly freezer: string;
}

/** How long a box keeps, as the long words say it, for where there is room for a word or two. */
export function keptShort(
  { fridgeDays: days, freezes, freezerMonths }: Storage = {},
  inBox: readonly Food[] = [],
  guideline: Guideline = 'us',
): KeptShort {
  const kept = keptDays(days, guideline);
  const frozen = freezerMonths === undefined ? 'yes' : `${freezerMonths} ${freezerMonths === 1 ? 'month' : 'months'}`;
  return { fridge: holdsRice(inBox) ? dayText(RICE_DAYS) : kept, freezer: freezes === false ? 'no' : frozen };
}

/**
 * What a card says of keeping otherwise than was typed, in a sentence for whoever typed it; empty where it says the same.
 *
 * @example keptOtherwise({ fridgeDays: 3 }, card) // 'You wrote 3 days in the fridge; the card says 1 day, because of the rice.'
 */
export function keptOtherwise(
  { fridgeDays }: Storage = {},
  { keeps, cautions }: { readonly keeps?: KeptShort; readonly cautions: Cautions },
  guideline: Guideline = 'us',
): string {
  if (fridgeDays === undefined || keeps === undefined || keeps.fridge === dayText(fridgeDays)) return '';
  const { most, name } = FRIDGE[guideline];
  const why = cautions.fridge.includes('because of the rice') ? 'because of the rice' : `since the ${name} ends at ${most} days`;
  return `You wrote ${dayText(fridgeDays)} in the fridge; the card says ${keeps.fridge}, ${why}.`;
}

/** Whether cooked rice is among these foods: it keeps shorter than anything else. */
export function holdsRice(foods: readonly Food[]): boolean {
  return foods.some((food) => kindsOf(food).includes('rice'));
}

/** Boxes of one dish are alike: with rice in them all of them keep as long as rice does, and are frozen for longer. */
function fridgeText({ fridgeDays: days, freezes }: Storage, rice: boolean, guideline: Guideline): string {
  const cold = 'at 4 °C / 40 °F or less';
  if (rice) return `${dayText(RICE_DAYS)} ${cold}, because of the rice${freezes === false ? '.' : '; freeze the rest the same evening.'}`;
  return `${keptDays(days, guideline)} ${cold}.`;
}

function keptDays(days: number | undefined, guideline: Guideline): string {
  const { most, usual } = FRIDGE[guideline];
  return days === undefined ? usual : dayText(Math.min(days, most));
}

function freezerText({ freezes, freezerMonths }: Storage): string {
  if (freezes === false) return 'Does not freeze well.';
  const months = freezerMonths === undefined ? '' : `Up to ${freezerMonths} ${freezerMonths === 1 ? 'month' : 'months'} at -18 °C / 0 °F. `;
  return `${months}Thaw overnight in the fridge.`;
}

function dayText(days: number): string {
  return days === 1 ? '1 day' : `${days} days`;
}
