import type { Food } from '../food/index.js';
import { midpointOf } from '../quantity/index.js';
import { withEveryLine, type Line, type Recipe, type Scaling } from '../recipe/index.js';

/** A rule that a line is usually scaled by, and why. */
export interface UsualScaling {
  readonly scaling: Scaling;
  readonly because: string;
}

/** What doubling with this exponent gives is a little less than double (docs/reckoning.md, "Scaling"). */
export const USUAL_DAMPING = 0.8;

/** Units that come closed: nobody opens a third of one. */
const CLOSED: ReadonlySet<string> = new Set([
  'can',
  'pack',
  'packet',
  'jar',
  'bottle',
  'carton',
  'tub',
  'bag',
  'sachet',
  'tube',
  'box',
  'cube',
  'tablet',
]);
/** Measures of weight and volume: what is weighed is no piece. */
const MEASURED = /^(?:g|kg|mg|oz|lb|ml|l|tsp|tbsp|cup|pint|quart|gill|fl oz)$/;

/**
 * The rule that a line without one of its own is scaled by when people scale a dish: cans, packs and eggs stay whole, seasoning is
 * damped (docs/reckoning.md, "Scaling": "whole (eggs, cans)", "damped (seasoning and chilli)"). The kitchen file's own default stays in
 * proportion: what is proposed here counts only once it is written into the line.
 *
 * @returns undefined where it follows in proportion, and for a line that states a rule
 */
export function usualScaling(line: Line, food: Food | undefined, recipe: Recipe): UsualScaling | undefined {
  if (line.scaling !== undefined || line.amount === undefined) return undefined;
  const batch = midpointOf(line.amount) * (recipe.amountsPer === 'serving' ? recipe.servings : 1);
  const whole = Math.abs(batch - Math.round(batch)) < 1e-9 && batch > 0;
  const unit = line.unit ?? 'g';
  // Half a can was opened on purpose, and so is half a can more.
  if (whole && CLOSED.has(unit)) return { scaling: 'whole', because: `a ${unit} is used whole` };
  if (whole && food && isEgg(food) && !MEASURED.test(unit)) return { scaling: 'whole', because: 'eggs are used whole' };
  if (food && isSeasoning(food)) return { scaling: { damped: USUAL_DAMPING }, because: 'seasoning grows less than the dish' };
  return undefined;
}

/** A recipe with the usual rules written into the lines that state none, those of its variants too. */
export function withUsualScaling(recipe: Recipe, foodOf: (id: string) => Food | undefined): Recipe {
  return withEveryLine(recipe, (line) => {
    const usual = usualScaling(line, line.food === undefined ? undefined : foodOf(line.food), recipe);
    return usual ? { ...line, scaling: usual.scaling } : line;
  });
}

/** Eggs themselves, not what is made of them. */
function isEgg({ name, aisle }: Food): boolean {
  return /^eggs?\b/i.test(name) && (aisle === undefined || aisle === 'eggs-dairy');
}

/** Spices, dried herbs, salt, chilli: what seasons. Fresh herbs by the bunch are eaten for themselves. */
function isSeasoning({ name, aisle }: Food): boolean {
  if (aisle === 'herbs-spices') return !/\bfresh\b/i.test(name);
  return aisle === undefined && /^(?:salt|pepper|black pepper|white pepper|chilli|chili|cayenne|paprika|cumin|turmeric)\b/i.test(name);
}
