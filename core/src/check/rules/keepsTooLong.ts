import { servedOf, type LineFigures } from '../../recipe/index.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

/** Days in the fridge of the stricter guideline (docs/reckoning.md, "Cautions"). */
const MOST_DAYS = 4;
const RICE_DAYS = 1;
const RICE = /\brice\b/i;
const NO_GRAINS =
  /\b(?:noodles?|vermicelli|vinegar|paper|wrappers?|flour|wine|milk|drink|cakes?|syrup|bran|crackers?|starch|pudding|oil|cauliflower|konjac|riced)\b/i;

/** More days in the fridge than the guideline allows: four, or one where cooked rice is in the box. */
export function keepsTooLong({ figures, recipe }: CheckGround): Finding[] {
  const days = recipe.storage?.fridgeDays;
  if (days === undefined) return [];
  const boxed = figures.parts.filter(({ part }) => servedOf(part) === 'box').flatMap(({ lines }) => lines);
  const rice = boxed.some(holdsRice);
  const most = rice ? RICE_DAYS : MOST_DAYS;
  if (days <= most) return [];
  return [
    {
      code: 'keeps-too-long',
      at: 'storage',
      severity: 'wrong',
      message: `${days} days in the fridge are stated; ${rice ? 'with cooked rice in the box it is 1 day' : `cooked boxes keep ${MOST_DAYS} days at most`}. What is to keep longer goes into the freezer.`,
      mend: { kind: 'storage', words: `State ${most} ${most === 1 ? 'day' : 'days'}`, fridgeDays: most },
    },
  ];
}

function holdsRice({ of, counted }: LineFigures): boolean {
  if (!counted) return false;
  if (of.kind === 'part') return of.part.lines.some(holdsRice);
  return of.kind === 'food' && RICE.test(of.resolved.food.name) && !NO_GRAINS.test(of.resolved.food.name);
}
