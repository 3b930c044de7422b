import { usualRetained } from './usualRetained.js';

test.each([
  ['100 ml soy sauce', 'Marinade', 'marinade'],
  ['2 l boiling water', 'Pasta', 'boiling water'],
  ['1 tbsp oil, for the tray', 'Chicken', 'tray oil'],
  ['2 tbsp oil, for basting', 'Chicken', 'basting'],
  ['10 g butter, for greasing', 'Cake', 'tray oil'],
  ['200 g basil', 'Sauce', undefined],
  ['300 g red lentils', 'Dal', undefined],
])('%s in %s: %s', (text, name, use) => {
  expect(usualRetained({ text }, { name })?.use).toBe(use);
});

test('a share that is set is not offered another', () => {
  expect(usualRetained({ text: 'soy sauce', retained: 0.3 }, { name: 'Marinade' })).toBeUndefined();
});
