import { Kitchen, type Recipe } from '../recipe/index.js';
import { cardContent } from './cardContent.js';
import { cardMarkdown } from './cardMarkdown.js';
import { stepTextOf } from './cardSteps.js';
import { schemaOrgRecipe } from './schemaOrgRecipe.js';

const recipe: Recipe = {
  id: 'r',
  title: 'R',
  servings: 2,
  parts: [{ id: 'main', name: 'Main', lines: [{ food: 'leek', amount: 300, unit: 'g' }] }],
  steps: [
    'Wash.',
    {
      text: 'Roast {main/1 leek} at 200 °C, 25 min.',
      or: [
        { name: 'air fryer', text: 'Air-fry {main/1 leek} at 190 °C, 12 min.' },
        { name: 'slow <cooker>', text: 'In the slow cooker, low, 4 h.' },
      ],
    },
  ],
};
const kitchen = new Kitchen({
  settings: { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-25' },
  foods: [{ id: 'leek', name: 'Leek', nutrients: { energyKcal: 30 } }],
  packs: [],
  recipes: [recipe],
});
const card = cardContent(recipe, kitchen);

test('other ways stand behind the step they are of, amounts and both systems in them as well', () => {
  const [first, second] = card.steps;
  expect(first).not.toHaveProperty('or');
  expect(second && stepTextOf(second)).toBe(
    'Roast 300 g leek at 200 °C (390 °F, gas 6), 25 min. Or, air fryer: Air-fry 300 g leek at 190 °C (375 °F), 12 min. Or, slow <cooker>: In the slow cooker, low, 4 h.',
  );
});

test('every output prints all of them, and what was written into a name is text', () => {
  const markdown = cardMarkdown(card);
  expect(markdown).toContain('_Or, air fryer:_ Air-fry **300 g leek**');
  expect(markdown).not.toContain('<cooker>');
  expect(JSON.stringify(schemaOrgRecipe(card))).toContain('Or, air fryer: Air-fry 300 g leek');
});

test('what is to be minded at another way is minded', () => {
  expect(card.cautions.cooking).toContain('No frozen meat into a slow cooker.');
});
