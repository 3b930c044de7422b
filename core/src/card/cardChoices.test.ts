import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Kitchen, type CardChoices, type CardSettings, type KitchenContent, type Recipe } from '../recipe/index.js';
import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import { asRead } from './asRead.js';
import { cardContent, printedRecipe } from './cardContent.js';
import { cardDrift } from './cardDrift.js';
import { spokenText } from './cardFigure.js';
import { cardMarkdown } from './cardMarkdown.js';
import { cardFacts, cardSmallPrint } from './cardSentences.js';
import { keptOtherwise } from './cautions.js';
import { chosenCard } from './chosenCard.js';
import { numbersIn } from './numberStyle.js';

const demo = JSON.parse(readFileSync(join(__dirname, '../../../demo/saltmarsh-suppers.json'), 'utf8')) as KitchenContent;
const settings = { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-25' } as const;
const kitchenWith = (card?: CardSettings) => new Kitchen({ ...demo, settings: { ...settings, ...(card ? { card } : {}) } });
const kitchen = kitchenWith();
const dal = demo.recipes.find(({ id }) => id === 'smoky-lentil-and-squash-dal')!;
const chosen = (card: CardChoices, recipe: Recipe = dal) => cardContent({ ...recipe, card }, kitchen);

test('a dish’s choice goes before the kitchen’s, and that before what is usual', () => {
  const set = { rules: 'plain', card: { choices: { rules: 'eu', cost: 'serving', numbers: 'de' } } } as const;
  expect(chosenCard({}, set)).toMatchObject({ rules: 'eu', cost: 'serving', numbers: 'de', table: true, units: 'written' });
  expect(chosenCard({ card: { cost: 'none', figures: ['salt'] } }, set)).toMatchObject({ rules: 'eu', cost: 'none', figures: ['salt'] });
  expect(chosenCard({}, { rules: 'plain' })).toMatchObject({ table: false, figures: ['saturates', 'fibre', 'salt', 'index'] });
});

test('the rule set that is chosen rounds, and brings its kilojoules, sugars and table with it', () => {
  const eu = chosen({ rules: 'eu' });
  expect(eu.rules).toBe('eu');
  expect(eu.energyKj?.text).toMatch(/^\d+$/);
  expect(eu.macros.map(({ figure }) => figure)).toEqual(['protein', 'carbohydrate', 'sugars', 'fat', 'saturates', 'fibre', 'salt']);
  expect(eu.table?.find(({ figure }) => figure === 'protein')).toMatchObject({ perServing: '24 g', within: false });
  expect(eu.table?.find(({ figure }) => figure === 'sugars')?.within).toBe(true);
  expect(eu.table?.map(({ figure }) => figure).slice(0, 3)).toEqual(['energyKj', 'energyKcal', 'fat']);
  expect(chosen({}).table).toBeUndefined();
  // Carbohydrate by US rules is with its fibre.
  const us = chosen({ rules: 'us' });
  const of = (card: typeof us) => Number(card.macros.find(({ figure }) => figure === 'carbohydrate')?.text.replace(/\D/g, ''));
  expect(of(us)).toBeGreaterThan(of(eu));
});

test('what no line knows stands in the table as not known, and is not left out', () => {
  const bare = kitchenOf({ foods: [{ id: 'x', name: 'X', nutrients: { energyKcal: 100, protein: 3, fat: 1 } }] }, { rules: 'us' });
  const { table = [] } = cardContent(recipeOf([{ food: 'x', amount: 100, unit: 'g' }]), bare);
  expect(table.find(({ figure }) => figure === 'cholesterol')).toMatchObject({ perServing: 'not known', per100g: 'not known', daily: '' });
});

test('in ounces first the figures are of the ounces that are printed, and what would weigh otherwise stays as it is written', () => {
  const us = chosen({ units: 'us' });
  const line = (food: string) => us.sections.flatMap(({ lines }) => lines).find((one) => one.food.includes(food));
  expect(line('red lentils')).toMatchObject({ amount: '10 ½ oz', second: '300 g' });
  expect(line('butternut squash')?.amount).toBe('2 lb');
  expect(line('stock')?.amount).toBe('3 ¾ cups');
  expect(line('onion')?.amount).toBe('2');
  const { figures } = printedRecipe({ ...dal, card: { units: 'us' } }, kitchen);
  expect(Number(us.energy?.text)).toBe(Math.round(figures.perServing.nutrients.energyKcal.amount ?? NaN));
  const written = printedRecipe(dal, kitchen).figures;
  const lentils = (of: typeof figures) => of.lines.find(({ at }) => at === 'dal/1')?.weights?.grams ?? NaN;
  expect(lentils(figures)).toBeCloseTo(10.5 * 28.349523125, 6);
  for (const { at, weights } of figures.lines) {
    const before = written.lines.find((one) => one.at === at)?.weights?.edible ?? NaN;
    expect(Math.abs((weights?.edible ?? NaN) - before)).toBeLessThanOrEqual(0.08 * before);
  }
});

test('in metric first a recipe of ounces and cups stands in grams and millilitres', () => {
  const foods = [
    { id: 'x', name: 'X', density: 0.5, nutrients: { energyKcal: 100 }, measures: { cup: 90 } },
    { id: 'milk', name: 'Milk', density: 1.03, nutrients: { energyKcal: 60 } },
  ];
  const recipe = recipeOf(
    [
      { food: 'x', amount: 8, unit: 'oz' },
      { food: 'milk', amount: 2, unit: 'cup' },
      // A cup of the food's own, which weighs what it says and is no volume.
      { food: 'x', amount: 1, unit: 'cup' },
      { food: 'milk', amount: 1, unit: 'tbsp' },
    ],
    { measures: 'us', card: { units: 'metric' } },
  );
  const { sections } = cardContent(recipe, kitchenOf({ foods }));
  expect(sections[0]?.lines.map(({ amount }) => amount)).toEqual(['230 g', '470 ml', '1 cup', '1 tbsp']);
});

test('cost of one, of all with what comes at the table, or none of it', () => {
  expect(chosen({ cost: 'none' })).toMatchObject({ used: undefined, till: undefined, prices: undefined });
  const one = chosen({ cost: 'serving' });
  expect([one.used?.text, one.usedForAll, one.till]).toEqual(['1.32', undefined, undefined]);
  expect(one.prices).toBeDefined();
  expect(chosen({}).usedForAll?.text).toBe('7.06');
});

test('each part, the topping, claims and “about” are there when they are asked for', () => {
  const bare = chosen({});
  expect(bare.intoEachBox.every(({ figures }) => figures === undefined)).toBe(true);
  expect(bare.claims).toBeUndefined();
  expect(chosen({ topping: false }).topping).toBeUndefined();
  const full = chosen({ perPart: true, claims: true, about: true });
  expect(full.intoEachBox.map(({ figures }) => figures?.map(({ figure }) => figure))).toEqual([
    ['energyKcal', 'protein'],
    ['energyKcal', 'protein'],
  ]);
  const energies = full.intoEachBox.map(({ figures }) => Number(figures?.[0]?.text));
  expect(energies.reduce((sum, one) => sum + one, 0)).toBe(672);
  expect(full.claims).toContain('low fat');
  expect(full.claims).not.toContain('gluten free');
  // Eight in a hundred to either side is sure enough; salt to taste is not.
  expect(full.energy?.text).toBe('672');
  expect(full.macros.find(({ figure }) => figure === 'salt')?.text).toMatch(/^about /);
});

test('money and what is lacking are said as English says them', () => {
  expect(spokenText({ figure: 'usedCost', name: 'Costs, used', text: 'at least 1.20', unit: '€' })).toBe('at least €\u00a01.20');
  expect(spokenText({ figure: 'fibre', name: 'Fibre', text: 'about at least 14', unit: 'g' })).toBe('about at least 14 g');
});

test.each([
  ['en', 'at least 12345.5 g', 'at least 12,345.5 g'],
  ['de', '1234.5', '1.234,5'],
  ['fr', '2810 kJ', '2\u00a0810 kJ'],
  ['ch', '1000000.25', '1’000’000.25'],
  ['en', '950 kcal, 0.5 g', '950 kcal, 0.5 g'],
] as const)('in %s, %s is written %s', (style, words, written) => {
  expect(numbersIn(style, words)).toBe(written);
});

test('only Portiona’s own numbers are written by the language: what people typed stays, and programs read what is plain', () => {
  const recipe: Recipe = { ...dal, title: 'Pot 1.5', lead: 'Takes 1234.5 s.', card: { numbers: 'de' } };
  const card = cardContent(recipe, kitchen);
  const read = asRead(card);
  expect([read.title, read.lead]).toEqual(['Pot 1.5', 'Takes 1234.5 s.']);
  expect(read.used?.text).toBe('1,32');
  expect(card.used?.text).toBe('1.32');
  const lines = read.sections.flatMap(({ lines: own }) => own);
  expect(lines.find(({ food }) => food.includes('squash'))?.second).toContain('1,13 kg');
  expect(cardMarkdown(card)).toContain('€ 1,32');
});

test('cautions may be short, and are never none: allergens, temperatures and what the figures are stand on every card', () => {
  const duck = demo.recipes.find(({ id }) => id === 'duck-leg-and-red-cabbage')!;
  const short = cardSmallPrint(chosen({ cautions: 'short' }, duck));
  const full = cardSmallPrint(chosen({ cautions: 'full' }, duck));
  expect(short.length).toBeLessThan(0.7 * full.length);
  for (const words of [short, full]) {
    expect(words).toContain('No listed allergen in the box.');
    expect(words).toContain('74 °C / 165 °F in the middle');
    expect(words).toContain('not medical advice');
    expect(words).toMatch(/local food law/);
  }
});

test('servings, minutes and equipment have their place whatever the lead says, also on paper for programs', () => {
  const card = cardContent({ ...dal, lead: '', brief: { boxVolume: 900 } }, kitchen);
  expect(cardFacts(card)).toEqual([
    { said: '5 boxes', of: 'of 647 g' },
    { said: '25 min', of: 'at the stove' },
    { said: '55 min', of: 'in all' },
    { said: '5 l pot, lidded pan', of: '5 boxes of 900 ml', last: true },
  ]);
  const markdown = cardMarkdown(card);
  for (const said of ['**5 boxes** of 647 g, 25 min at the stove, 55 min in all', '## Keeping', '- Fridge: 1 day'])
    expect(markdown).toContain(said);
});

test('what the card says of keeping otherwise than was typed is told to whoever typed it', () => {
  const told = (storage: Recipe['storage'], recipe: Recipe = dal) =>
    keptOtherwise(storage, cardContent({ ...recipe, ...(storage ? { storage } : {}) }, kitchen));
  expect(told({ fridgeDays: 3 })).toBe('You wrote 3 days in the fridge; the card says 1 day, because of the rice.');
  expect(told({ fridgeDays: 1 })).toBe('');
  expect(told({})).toBe('');
  const stew = demo.recipes.find(({ id }) => id === 'chickpea-and-pepper-stew')!;
  expect(told({ fridgeDays: 6 }, stew)).toBe('You wrote 6 days in the fridge; the card says 4 days, since the guideline ends at 4 days.');
  const british = kitchenWith();
  const uk = new Kitchen({ ...british.content, settings: { ...british.settings, guideline: 'uk' } });
  const card = cardContent({ ...stew, storage: { fridgeDays: 3 } }, uk);
  expect(card.cautions.fridge).toBe('2 days at 4 °C / 40 °F or less.');
  expect(keptOtherwise({ fridgeDays: 3 }, card, 'uk')).toBe(
    'You wrote 3 days in the fridge; the card says 2 days, since the UK guideline ends at 2 days.',
  );
});

test('a card that was published before there were choices has not drifted for what it could not say; one that says it drifts', () => {
  const now = chosen({ rules: 'eu', claims: true });
  const {
    chosen: _chosen,
    energyKj: _kj,
    usedForAll: _all,
    table: _table,
    claims: _claims,
    equipment: _equipment,
    boxes: _boxes,
    keeps: _keeps,
    ...rest
  } = now;
  const before = { ...rest, macros: rest.macros.filter(({ figure }) => figure !== 'sugars') };
  expect(cardDrift(before, now)).toEqual([]);
  const was = { ...now, equipment: ['wok'], claims: ['low salt'], table: now.table?.map((row) => ({ ...row, per100g: '0 g' })) };
  expect(cardDrift(was as typeof now, now).map(({ name }) => name)).toEqual(
    expect.arrayContaining(['Equipment', 'Claims', 'Protein per 100 g']),
  );
});
