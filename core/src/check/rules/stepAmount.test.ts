import { dishFindings } from '../../../test/dishFindings.js';

const sauce = { food: 'barbecue-sauce', amount: 250, unit: 'ml' };
const garlic = { food: 'garlic', amount: 4, unit: 'clove' };
const rice = { food: 'rice-basmati-dry', amount: 300, unit: 'g' };
const found = (...steps: string[]) => dishFindings('step-amount', [sauce, garlic, rice], steps);

test('an amount that the list has otherwise, with the mention that would follow the list', () => {
  const [one, ...more] = found('Stir in the sauce.', 'Rinse 400 g of the rice and boil it with the garlic.');
  expect(more).toEqual([]);
  expect(one).toMatchObject({ at: 'step/2', severity: 'wrong' });
  expect(one?.message).toContain('the list has 300 g of Rice');
  expect(one?.mend).toMatchObject({ kind: 'text', text: 'Rinse {pot/3 rice} and boil it with the garlic.' });
});

test.each([
  ['Stir in 2 cups of barbecue sauce.', 1],
  ['Stir in 1 cup of barbecue sauce.', 0],
  ['Stir in 500 ml barbecue sauce.', 1],
  ['Crush 6 garlic cloves into it.', 1],
  ['Crush 4 garlic cloves into it.', 0],
  ['Boil the rice (450 g) until soft.', 1],
  ['Boil the rice (300 g) until soft.', 0],
  ['Boil the rice for 12 minutes at 95 °C.', 0],
  ['Put 120 g of the rice into each box.', 0],
])('%s: %d found', (text, count) => {
  expect(found(text)).toHaveLength(count);
});

test('two shares that make the whole agree with it; two that make more do not', () => {
  expect(found('Boil 200 g of the rice.', 'Toast the remaining 100 g rice.')).toEqual([]);
  expect(found('Boil 200 g of the rice.', 'Toast 250 g of the rice.')).toHaveLength(1);
});
