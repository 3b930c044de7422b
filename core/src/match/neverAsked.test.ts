import type { Food } from '../food/index.js';
import { FoodIndex } from './foodIndex.js';
import { neverAsked } from './neverAsked.js';

const foods: Food[] = [
  { id: 'water', name: 'Tuna, canned in water' },
  { id: 'oil', name: 'Tuna, canned in oil' },
  { id: 'leek', name: 'Leek, raw' },
];
const of = (lines: readonly object[]) =>
  neverAsked({ id: 'r', title: 'R', servings: 2, parts: [{ id: 'p', name: 'P', lines }] }, new FoodIndex(foods));

test('words that leave a doubt, mean another food or none are told; sure ones and settled ones are not', () => {
  expect(
    of([
      { food: 'water', amount: 1, text: '200 g tuna' },
      { food: 'oil', amount: 1, text: '2 leeks' },
      { food: 'oil', amount: 1, text: '200 g moon dust' },
      { food: 'leek', amount: 1, text: '2 leeks' },
      { food: 'water', amount: 1, text: '200 g tuna', agreed: true },
      { food: 'water', amount: 1, text: '200 g tuna', agreed: false },
      { food: 'water', amount: 1 },
      { text: '200 g tuna' },
    ]),
  ).toEqual(['p/1', 'p/2', 'p/3']);
});
