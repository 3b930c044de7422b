import { movedDishes } from './useMovedDishes';

const dish = (id: string, amount: number | null, atLeast = false) => ({
  id,
  title: id.toUpperCase(),
  usedCost: { amount, atLeast },
  computing: false,
});

test('dishes whose cost reads otherwise are told, what moved most first; what rounds to the same is not', () => {
  const before = [dish('a', 1.32), dish('b', 2), dish('c', null), dish('d', 3, true), dish('e', 1.001)];
  const after = [dish('a', 1.35), dish('b', 1), dish('c', 0.5), dish('d', 3), dish('e', 1.004), dish('new', 9)];
  expect(movedDishes(before, after, 'EUR')).toEqual([
    'B € 2.00 → € 1.00',
    'C no price → € 0.50',
    'A € 1.32 → € 1.35',
    'D at least € 3.00 → € 3.00',
  ]);
  expect(movedDishes(after, after, 'EUR')).toEqual([]);
});

test('of a dish that is still being computed, before or after, nothing is told', () => {
  const computing = { ...dish('a', 1), computing: true };
  expect(movedDishes([computing], [dish('a', 2)], 'EUR')).toEqual([]);
  expect(movedDishes([dish('a', 2)], [computing], 'EUR')).toEqual([]);
});
