import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import type { Food } from '../food/index.js';
import { FoodIndex, lineFromText } from '../match/index.js';
import { recipeFigures, type Line } from '../recipe/index.js';
import { boxBand } from './band.js';
import { bandWithRivals, rivalReaches } from './rivalReach.js';

const tuna = (id: string, name: string, energyKcal?: number): Food => ({
  id,
  name,
  source: 'lab',
  ...(energyKcal === undefined ? {} : { nutrients: { energyKcal } }),
});
const foods = [tuna('water', 'Tuna, canned in water', 110), tuna('oil', 'Tuna, canned in oil', 190), tuna('smoked', 'Tuna, smoked')];
const index = new FoodIndex(foods);
const line = lineFromText('200 g tuna', index, { servings: 2 });
const bands = (lines: readonly Line[]) => {
  const figures = recipeFigures(recipeOf(lines, { servings: 2 }), kitchenOf({ foods }));
  return {
    plain: boxBand('energyKcal', figures, 'available'),
    widened: bandWithRivals('energyKcal', figures, index, 'available'),
    reaches: rivalReaches('energyKcal', figures, index, 'available'),
  };
};

test('an unsure line reaches as far as the rival that weighs heaviest', () => {
  expect(line.agreed).toBe(false);
  const { plain, widened, reaches } = bands([line]);
  const other = line.food === 'water' ? 190 - 110 : 110 - 190;
  expect(reaches).toEqual([{ at: 'pot/1', rival: foods[line.food === 'water' ? 1 : 0], moves: expect.closeTo(other, 9) as number }]);
  expect(widened?.[0]).toBeCloseTo((plain?.[0] ?? 0) + Math.min(0, other), 9);
  expect(widened?.[1]).toBeCloseTo((plain?.[1] ?? 0) + Math.max(0, other), 9);
});

test('what is agreed to, or chosen, reaches no further', () => {
  const { plain, widened, reaches } = bands([{ ...line, agreed: true }]);
  expect(reaches).toEqual([]);
  expect(widened).toEqual(plain);
});
