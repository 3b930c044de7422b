import type { Food } from '../../food/index.js';
import { dishFindings } from '../../../test/dishFindings.js';

const chicken = { food: 'chicken-breast', amount: 800, unit: 'g' };
const oil = { food: 'oil-olive', amount: 400, unit: 'g' };
const found = (lead: string, lines: Parameters<typeof dishFindings>[1], rules: 'eu' | 'us' = 'eu', foods: readonly Food[] = []) =>
  dishFindings('claim-typed', lines, ['Roast it.'], { lead }, { rules }, foods);

test('a claim that the figures give may stand; one that they do not may not, and says by which figures', () => {
  expect(found('High protein, for the week.', [chicken])).toEqual([]);
  const [one, ...more] = found('High protein, for the week.', [oil]);
  expect(more).toEqual([]);
  expect(one).toMatchObject({ at: 'lead', severity: 'wrong' });
  expect(one?.message).toMatch(/^“High protein” is a claim that the figures do not give: .*\d/);
});

test('while a figure that decides is lacking, a claim is not taken to hold', () => {
  const unknown: Food = { id: 'unlabelled', name: 'Ember relish' };
  const lines = [chicken, { food: 'unlabelled', amount: 10, unit: 'g' }];
  expect(found('Low fat, and quick.', [chicken])).toEqual([]);
  expect(found('Low fat, and quick.', lines, 'eu', [unknown])).toHaveLength(1);
});

test.each(['Guilt-free and quick.', 'Sugar-free, for the week.', 'Low-carb, for the week.', 'Gluten-free, for the week.'])(
  'no figures give it, whatever they are: %s',
  (lead) => {
    expect(found(lead, [chicken])).toHaveLength(1);
    expect(found(lead, [chicken], 'us')).toHaveLength(1);
  },
);

test.each(['Light brown on top, and quick.', 'Grilled over a low heat.', 'With a healthy glug of oil.'])('no claim at all: %s', (lead) => {
  expect(found(lead, [chicken, oil])).toEqual([]);
});

test('free of an allergen: told only where a food of the dish has it', () => {
  const yoghurt = { food: 'yoghurt-whole', amount: 200, unit: 'g' };
  expect(found('Dairy-free, for the week.', [chicken])).toEqual([]);
  const [one] = found('Dairy-free, for the week.', [chicken, yoghurt]);
  expect(one?.message).toMatch(/“Dairy-free” is a claim and a food of the dish has milk/);
  expect(one?.mend).toMatchObject({ kind: 'text', at: 'lead', text: 'For the week.' });
});
