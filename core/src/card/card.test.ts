import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import { Kitchen, type KitchenContent } from '../recipe/index.js';
import { cardContent } from './cardContent.js';
import { stepTextOf } from './cardSteps.js';
import { cardPriceText, cardSmallPrint, dayText, numbersKept, unbroken } from './cardSentences.js';
import { cautionsFor } from './cautions.js';
import { kindsOf } from '../food/index.js';
import { schemaOrgRecipe } from './schemaOrgRecipe.js';
import { secondMeasure } from './secondMeasure.js';

const demo = JSON.parse(readFileSync(join(__dirname, '../../../demo/saltmarsh-suppers.json'), 'utf8')) as KitchenContent;
const kitchen = new Kitchen({
  ...demo,
  settings: { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-25' },
});
const cardOf = (id: string) =>
  cardContent(
    demo.recipes.find((recipe) => recipe.id === id)!,
    kitchen,
  );
const dal = cardOf('smoky-lentil-and-squash-dal');

test('the card prints each figure rounded once, with what is lacking', () => {
  expect(dal.energy).toEqual({ figure: 'energyKcal', name: 'Energy', text: '672', unit: 'kcal' });
  expect(dal.macros.map(({ figure, text }) => [figure, text])).toEqual([
    ['protein', '24'],
    ['carbohydrate', '109'],
    ['fat', '12'],
    ['saturates', '1.5'],
    ['fibre', 'at least 14'],
    ['salt', '2.4'],
  ]);
  expect(dal.used).toMatchObject({ text: '1.32', unit: '€' });
});

test('it says what goes in, what is added at the table, and which allergens each brings', () => {
  expect(dal.servingsText).toBe('5 boxes');
  expect(dal.topping?.name).toBe('Yoghurt');
  expect(dal.allergensInBox).toEqual(['celery']);
  expect(dal.allergensAtTable).toEqual(['milk']);
  expect(dal.sections.map(({ served }) => served)).toEqual(['box', 'box', 'table']);
});

test('what may have come into a food is printed, unless it is in the dish anyhow', () => {
  const foods = [
    { id: 'oats', name: 'Oats', allergens: ['oats' as const], mayContain: ['hazelnuts' as const, 'gluten' as const, 'sesame' as const] },
    { id: 'tahini', name: 'Tahini', allergens: ['sesame' as const] },
  ];
  const lines = foods.map(({ id }) => ({ food: id, amount: 100, unit: 'g' }));
  const card = cardContent(recipeOf(lines), kitchenOf({ foods }));
  expect(card.allergensMaybe).toEqual(['hazelnuts (nuts)']);
  expect(cardSmallPrint(card)).toMatch(/^Contains sesame, oats \(gluten\)\. May contain traces of hazelnuts \(nuts\)\./);
  expect(dal.allergensMaybe).toBeUndefined();
});

test('every line has its amount in two systems, and what to buy', () => {
  const [lentils, squash] = dal.sections[0]?.lines ?? [];
  expect(lentils).toMatchObject({ amount: '300 g', food: 'red lentils', note: 'rinsed', second: '10 ½ oz' });
  expect(squash?.second).toBe('2 lb; buy 1.13 kg');
});

test('amounts are printed as people can measure them, and the figures are of what is printed', () => {
  const within = kitchenOf({ foods: [{ id: 'oats', name: 'Oats', nutrients: { energyKcal: 400 } }] });
  const card = cardContent(recipeOf([{ food: 'oats', amount: 347, unit: 'g', text: '347 g oats' }], { servings: 1 }), within);
  expect(card.sections[0]?.lines[0]).toMatchObject({ amount: '350 g', food: 'oats' });
  expect(card.energy?.text).toBe('1400');
});

test('a part that does not fit its vessel at once is cooked in batches, and the method says so first', () => {
  const within = kitchenOf({ foods: [{ id: 'oats', name: 'Oats', nutrients: { energyKcal: 400 } }] });
  const stepsIn = (capacity: number) =>
    cardContent(
      recipeOf(
        [{ food: 'oats', amount: 3000, unit: 'g' }],
        { steps: ['Cook.'] },
        { vessel: { name: 'slow cooker', capacity, fillLimit: 0.5 } },
      ),
      within,
    ).steps.map(stepTextOf);
  expect(stepsIn(6000)).toEqual(['Cook.']);
  expect(stepsIn(5900)).toEqual([
    'Pot: cook in 2 batches: the slow cooker is filled to 50 % at most. Check each by temperature, not by the clock.',
    'Cook.',
  ]);
});

test('prices carry their dates', () => {
  expect(cardPriceText(dal)).toBe('prices of 17 Nov 2026, oldest 8 Sep');
  expect(cardPriceText({ ...dal, prices: undefined })).toBe('');
  expect(dayText('2026-01-09', true)).toBe('9 Jan 2026');
});

test('a measure is not torn apart', () => {
  expect(unbroken('2 lb 7 oz; buy 450 g')).toBe('2\u00a0lb\u00a07\u00a0oz; buy\u00a0450\u00a0g');
});

test('cautions that stand on every card, and those a dish asks for', () => {
  expect(cardSmallPrint(dal)).toMatch(/estimates for healthy adults, not medical advice/);
  expect(cardSmallPrint(dal)).toMatch(/check their labels/);
  expect(dal.cautions.fridge).toBe('1 day at 4 °C / 40 °F or less, because of the rice; freeze the rest the same evening.');
  expect(cardOf('duck-leg-and-red-cabbage').cautions.cooking[0]).toMatch(/74 °C \/ 165 °F/);
  expect(cardOf('egg-and-leek-muffins').cautions.cooking[0]).toMatch(/71 °C \/ 160 °F/);
  expect(cardOf('overnight-oats-plum-compote').cautions.freezer).toBe('Does not freeze well.');
});

test('a card never says more fridge days than the guideline', () => {
  expect(cautionsFor([], [], { fridgeDays: 7 }).fridge).toBe('4 days at 4 °C / 40 °F or less.');
  expect(cautionsFor([], [], { fridgeDays: 1, freezerMonths: 1 })).toMatchObject({
    fridge: '1 day at 4 °C / 40 °F or less.',
    freezer: 'Up to 1 month at -18 °C / 0 °F. Thaw overnight in the fridge.',
    reheat: 'Once only, until steaming hot all through: 74 °C / 165 °F.',
  });
  expect(cautionsFor([], [], {}).fridge).toMatch(/^3 to 4 days/);
  expect(cautionsFor([], ['Marinate the beef overnight.']).cooking).toContain('Boil marinade that met raw meat, or throw it away.');
});

test('kinds of food', () => {
  const kinds = (name: string, aisle: string, state: 'raw' | 'dry' = 'raw') => kindsOf({ id: 'x', name, aisle, state });
  expect(kinds('Beef mince, 10 % fat', 'meat-poultry')).toEqual(['mince']);
  expect(kinds('Prawns, peeled', 'fish-seafood')).toEqual(['shellfish', 'fish']);
  expect(kinds('Kidney beans', 'pulses', 'dry')).toEqual(['dry beans']);
  expect(kinds('Rice vinegar', 'sauces-sweet')).toEqual([]);
});

test('a second measure', () => {
  const weights = (grams: number) => ({ grams, purchase: grams, edible: grams, eaten: grams, method: 'scale' as const, halfWidth: 0 });
  expect(secondMeasure({ amount: 300, unit: 'g' }, weights(300), 'metric')).toBe('10 ½ oz');
  expect(secondMeasure({ amount: 900, unit: 'g' }, weights(900), 'metric')).toBe('2 lb');
  expect(secondMeasure({ amount: 900, unit: 'ml' }, weights(900), 'metric')).toBe('3 ¾ cups');
  expect(secondMeasure({ amount: 2, unit: 'piece' }, weights(250), 'metric')).toBe('250 g');
  expect(secondMeasure({ amount: 2, unit: 'piece' }, undefined, 'metric')).toBe('');
});

test('schema.org data has the names readers’ machines look for, with units', () => {
  const data = JSON.parse(JSON.stringify(schemaOrgRecipe(dal))) as Record<string, unknown>;
  expect(data).toMatchObject({
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: 'Smoky lentil and squash dal, brown rice',
    recipeYield: ['5', '5 boxes'],
    totalTime: 'PT55M',
    nutrition: {
      '@type': 'NutritionInformation',
      calories: '672 kcal',
      proteinContent: '24 g',
      fatContent: '12 g',
      fiberContent: 'at least 14 g',
      servingSize: '1 box (647 g)',
    },
  });
  expect(data.recipeIngredient).toContain('300 g red lentils, rinsed');
  expect(data.recipeInstructions).toHaveLength(4);
});

test('no number is torn from its unit', () => {
  expect(numbersKept('simmer 8 min at 200 °C with 1 ½ cups milk, 2 onions')).toBe(
    'simmer 8\u00a0min at 200\u00a0°C with 1\u00a0½\u00a0cups milk, 2 onions',
  );
});
