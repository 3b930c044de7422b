import type { Kitchen, ReusablePart } from '@portiona/core';
import { per100Text, takenText } from './partWords';

const part = {
  cooked: 1000,
  portion: 250,
  servings: 4,
  servingName: 'box',
  per100: { energyKcal: 112, protein: 6.2, usedCost: undefined },
};
const of = (over: object = {}) => ({ ...part, ...over }) as unknown as ReusablePart;
const kitchen = { settings: { currency: 'EUR' } } as Kitchen;

test('how much of a part some grams are: of its servings, of its batch, or batches', () => {
  expect(takenText(375, of())).toBe('1.5 of its 4 boxes');
  expect(takenText(2500, of())).toBe('2.5 batches of it');
  expect(takenText(400, of({ portion: 0 }))).toBe('40 % of a batch');
});

test('what 100 g come to, and what nobody knows of it', () => {
  expect(per100Text(of(), kitchen)).toBe('100 g: 112 kcal, 6.2 g protein, cost unknown');
  expect(per100Text(of({ per100: { usedCost: 0.12 } }), kitchen)).toBe('100 g: energy unknown, protein unknown, € 0.12');
});
