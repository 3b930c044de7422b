import { allergensInWords, allergenWord, lackedBy } from '../../food/index.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

/** A food whose name says an allergen that its allergens do not. */
export function allergenUnnamed({ foods }: CheckGround): Finding[] {
  return foods.flatMap((food): Finding[] => {
    // "with butter or oil" says neither.
    const name = food.name.replace(/(?<![\p{L}-])[\p{L}-]+ or [\p{L}-]+/gu, ' ');
    const lacking = lackedBy(allergensInWords(name).named, food.allergens ?? []);
    if (lacking.length === 0) return [];
    const words = lacking.map(allergenWord).join(', ');
    return [
      {
        code: 'allergen-unnamed',
        at: `food:${food.id}`,
        severity: 'wrong',
        message: `${food.name} names ${words}, and its allergens do not: cards that use it leave ${lacking.length === 1 ? 'it' : 'them'} out. Add ${words} to the food.`,
        mend: { kind: 'allergens', words: `Add ${words}`, food: food.id, allergens: lacking },
      },
    ];
  });
}
