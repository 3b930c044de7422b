import { demoKitchen } from '../../test/demoKitchen.js';
import { Kitchen, type Recipe } from '../recipe/index.js';
import { cardContent, type CardContent } from './cardContent.js';
import { cardDrift } from './cardDrift.js';

const dal = demoKitchen.content.recipes.find(({ id }) => id === 'smoky-lentil-and-squash-dal') as Recipe;
const published = cardContent(dal, demoKitchen);

test('a card that would be printed the same has not drifted', () => {
  for (const recipe of demoKitchen.content.recipes) {
    const card = cardContent(recipe, demoKitchen);
    expect(cardDrift(card, JSON.parse(JSON.stringify(card)) as typeof card)).toEqual([]);
  }
});

test('another label under it shows in the figures that print otherwise, and in no other', () => {
  const foods = demoKitchen.content.foods.map((food) =>
    food.id === 'red-lentils-weir-lane' ? { ...food, nutrients: { ...food.nutrients, protein: (food.nutrients?.protein ?? 0) + 5 } } : food,
  );
  const drift = cardDrift(published, cardContent(dal, new Kitchen({ ...demoKitchen.content, foods })));
  expect(drift.map(({ name }) => name)).toEqual(['Protein', 'Protein with topping']);
  expect(drift[0]?.was).toMatch(/^24 g$/);
  expect(Number.parseInt(drift[0]?.is ?? '', 10)).toBeGreaterThan(24);
});

test('another number in its series is another card to who collects them', () => {
  const renumbered = cardContent({ ...dal, number: 12 }, demoKitchen);
  expect(cardDrift(published, renumbered)).toEqual([{ name: 'Series', was: published.series, is: 'Night Watch, no. 12' }]);
});

test('a change too small to print is no drift', () => {
  const foods = demoKitchen.content.foods.map((food) =>
    food.id === 'red-lentils-weir-lane'
      ? { ...food, nutrients: { ...food.nutrients, protein: (food.nutrients?.protein ?? 0) + 0.01 } }
      : food,
  );
  expect(cardDrift(published, cardContent(dal, new Kitchen({ ...demoKitchen.content, foods })))).toEqual([]);
});

test('ingredients that come, go or change, and the number of boxes', () => {
  const [pot, ...rest] = dal.parts;
  const changed: Recipe = {
    ...dal,
    servings: 6,
    parts: [{ ...pot!, lines: [...pot!.lines.slice(1), { food: 'leek', amount: 100, unit: 'g' }] }, ...rest],
  };
  const drift = cardDrift(published, cardContent(changed, demoKitchen));
  expect(drift).toContainEqual({ name: 'Makes', was: '5 boxes', is: '6 boxes' });
  expect(drift.filter(({ name }) => name === 'Ingredient').length).toBeGreaterThan(0);
});

test('the kitchen’s own figure drifts by its name and by what it comes to; cards from before there was one say nothing of it', () => {
  const withIndex = (formula: string, name = 'Points') =>
    cardContent(
      dal,
      new Kitchen({
        ...demoKitchen.content,
        settings: { ...demoKitchen.content.settings, index: { name, formula, step: 1 } },
      }),
    );
  const [has, moved, renamed] = [withIndex('energyKcal / 50'), withIndex('energyKcal / 100'), withIndex('energyKcal / 50', 'Score')];
  const text = has.index?.text ?? '';
  expect(Number(text)).toBeGreaterThan(5);
  expect(cardDrift(has, moved)).toEqual([{ name: 'Points', was: text, is: moved.index?.text, figure: 'index' }]);
  expect(cardDrift(has, renamed)).toEqual([{ name: 'Score', was: `Points ${text}`, is: `Score ${text}` }]);
  expect(cardDrift(published, has)).toEqual([{ name: 'Points', was: '', is: `Points ${text}` }]);
  const { index: _, ...before } = published;
  expect(cardDrift(before, has)).toEqual([]);
});

test.each<[name: string, change: (card: CardContent) => CardContent]>([
  ['Title', (card) => ({ ...card, title: 'Another' })],
  ['Lead', (card) => ({ ...card, lead: 'Another.' })],
  ['Allergens in the box', (card) => ({ ...card, allergensInBox: [...card.allergensInBox, 'lupin'] })],
  ['Allergens at the table', (card) => ({ ...card, allergensAtTable: [...card.allergensAtTable, 'lupin'] })],
  ['May contain', (card) => ({ ...card, allergensMaybe: [...(card.allergensMaybe ?? []), 'lupin'] })],
  ['Makes', (card) => ({ ...card, servingsText: '7 boxes' })],
  ['Work', (card) => ({ ...card, activeMinutes: 71 })],
  ['In all', (card) => ({ ...card, totalMinutes: 171 })],
  ['Fridge', (card) => ({ ...card, cautions: { ...card.cautions, fridge: 'Eat it today.' } })],
  ['Freezer', (card) => ({ ...card, cautions: { ...card.cautions, freezer: 'Not in the freezer.' } })],
  ['Reheating', (card) => ({ ...card, cautions: { ...card.cautions, reheat: 'To 75 °C.' } })],
  ['Caution', (card) => ({ ...card, cautions: { ...card.cautions, cooking: [...card.cautions.cooking, 'Boil it.'] } })],
])('what a reader relies on drifts by its name, and nothing else does: %s', (name, change) => {
  expect(cardDrift(published, change(published)).map((one) => one.name)).toEqual([name]);
  expect(cardDrift(change(published), published).map((one) => one.name)).toEqual([name]);
});
