import { FoodIndex, type Food, type Kitchen, type Line } from '@portiona/core';
import { retyped, withFood } from './editRecipe';

const foods: readonly Food[] = [
  { id: 'water', name: 'Tuna, canned in water', measures: { can: 145 } },
  { id: 'oil', name: 'Tuna, canned in oil', measures: { can: 145 } },
  { id: 'leek', name: 'Leek', measures: { piece: 150 } },
];
const index = new FoodIndex(foods);
const words = {
  index,
  foodsById: new Map(foods.map((food) => [food.id, food])),
  parts: [],
  partIndex: new FoodIndex([]),
  kitchen: { settings: { measures: 'metric' } } as Kitchen,
} as const;
const typed = (text: string, old?: Line) => retyped(old, text, words, { servings: 4 });

test('what was agreed to stays agreed while the words for it stay, however often the amount changes', () => {
  const asked = typed('1 can tuna');
  expect(asked.agreed).toBe(false);
  const agreed: Line = { ...asked, agreed: true };
  const twice = typed('3 cans tuna', typed('2 cans tuna', agreed));
  expect(twice).toMatchObject({ food: asked.food, amount: 3, agreed: true });
  expect(typed('2 cans of leeks', agreed)).not.toHaveProperty('agreed', true);
});

test('what was chosen stays chosen; what was only read is read again', () => {
  const asked = typed('1 can tuna');
  const other = foods.find(({ id }) => id !== asked.food && id !== 'leek') as Food;
  const chosen = withFood(asked, other, words, { servings: 4 });
  expect(chosen).toMatchObject({ food: other.id, agreed: true });
  expect(typed('2 cans tuna', chosen)).toMatchObject({ food: other.id, agreed: true });
  expect(typed('2 cans tuna', asked)).toMatchObject({ agreed: false });
});

test('a food chosen before lines kept what was agreed stays, though its words mean another', () => {
  const before: Line = { food: 'oil', amount: 2, unit: 'piece', text: '2 leeks' };
  expect(typed('3 leeks', before)).toMatchObject({ food: 'oil', amount: 3 });
});
