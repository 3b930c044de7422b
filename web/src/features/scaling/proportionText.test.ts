import { proportionText } from './proportionText';

test('what is counted is counted in proportion, and its grams stand beside it', () => {
  expect(proportionText({ amount: 3, unit: 'piece' }, 1.5, 270)).toBe('4.5, 270 g');
  expect(proportionText({ amount: [2, 4], unit: 'clove' }, 2, 24)).toBe('6 clove, 24 g');
  expect(proportionText({ amount: 200, unit: 'g' }, 2, 400)).toBe('400 g');
  expect(proportionText({ toTaste: 3 }, 2, 6)).toBe('6.0 g');
});
