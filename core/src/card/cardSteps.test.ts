import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import { movedLines, recipeFigures, withIds, type Recipe, type Step } from '../recipe/index.js';
import { cardContent } from './cardContent.js';
import { cardMarkdown } from './cardMarkdown.js';
import { cardSteps, stepTextOf } from './cardSteps.js';

const foods = [
  { id: 'plum', name: 'Plum', names: ['plums'], nutrients: { energyKcal: 46 } },
  { id: 'salt', name: 'Salt, fine', nutrients: { energyKcal: 0 } },
];
const dish = (steps: readonly Step[], over: Partial<Recipe> = {}) =>
  recipeOf(
    [
      { food: 'plum', amount: 600, unit: 'g', note: 'stoned', text: '600 g plums, stoned' },
      { food: 'salt', toTaste: 2, text: 'salt, to taste' },
    ],
    { steps, ...over },
  );
const kitchen = kitchenOf({ foods });
const printed = (recipe: Recipe) => cardSteps(recipeFigures(recipe, kitchen), kitchen).map(stepTextOf);

test('an ingredient mentioned prints its amount as it stands; by name alone, or to taste, none', () => {
  const steps = ['Stew {pot/1 plums} with {pot/2 salt}.', 'Stir {~pot/1 plums}. {~pot/1 plums} and {pot/2 salt}. {pot/9 Honey} is gone.'];
  expect(printed(dish(steps))).toEqual(['Stew 600 g plums with salt.', 'Stir plums. Plums and salt. Honey is gone.']);
  const halved = {
    ...dish(steps),
    parts: dish(steps).parts.map((part) => ({ ...part, lines: [{ ...part.lines[0], amount: 300 }, ...part.lines.slice(1)] })),
  };
  expect(printed(halved)[0]).toBe('Stew 300 g plums with salt.');
});

test('temperatures are printed in both systems, once', () => {
  expect(printed(dish(['Roast at 200 °C until soft.', 'Heat to 74 °C / 165 °F.']))).toEqual([
    'Roast at 200 °C (390 °F, gas 6) until soft.',
    'Heat to 74 °C (165 °F).',
  ]);
  expect(printed(dish(['Roast at gas 6.'], { measures: 'us' }))).toEqual(['Roast at 390 °F (200 °C, gas 6).']);
});

test('the part a step makes is named where it begins, and every output says the same', () => {
  const recipe = dish([{ text: 'Stew {pot/1 plums}.', part: 'pot' }, { text: 'Cool.', part: 'pot' }, 'Serve *hot* <b>now</b>.']);
  const card = cardContent(recipe, kitchen);
  expect(card.steps.map(({ part }) => part)).toEqual(['Pot', '', '']);
  expect(card.steps[0]?.runs).toEqual([{ text: 'Stew ' }, { text: '600 g plums', strong: true, amount: '600 g' }, { text: '.' }]);
  expect(cardMarkdown(card)).toContain('1. _Pot:_ Stew **600 g plums**.\n2. Cool.\n3. Serve \\*hot\\* &lt;b&gt;now&lt;/b&gt;.');
});

test('a mention reads the same by id as by number, wherever its line has gone', () => {
  const written = dish(['Stew {pot/1 plums} with {pot/2 salt}.']);
  const byId = withIds(written);
  expect(printed(byId)).toEqual(printed(written));
  expect(printed(movedLines(byId, [{ part: 0, line: 0 }], { part: 0, line: 1 }))).toEqual(printed(written));
});
