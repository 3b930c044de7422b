import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  bandOf,
  claimsOf,
  rangeBounds,
  errorModelOf,
  Kitchen,
  quantileOf,
  readKitchen,
  recipeFigures,
  roundedStrings,
  servedOf,
  shareWithin,
  Simulation,
  snappedRecipe,
} from '../src/index.js';

// docs/figures.md walks through these numbers; this is its test.
const page = readFileSync(join(__dirname, '../../docs/figures.md'), 'utf8').replace(/\s+/g, ' ');
const read = readKitchen(JSON.parse(readFileSync(join(__dirname, '../../demo/saltmarsh-suppers.json'), 'utf8')), '2026-11-25');
if (!read.ok) throw new Error('the demo kitchen cannot be read');
const kitchen = new Kitchen(read.entry);
const figures = recipeFigures(kitchen.recipe('smoky-lentil-and-squash-dal')!, kitchen);
const line = (at: string) => figures.lines.find((one) => one.at === at)!;
const [dal, rice] = figures.parts;

const till = figures.batch.till;
const onions = till.rows.find(({ food }) => food.startsWith('onion'));
const boxed = figures.parts.filter(({ part }) => servedOf(part) === 'box');

test.each([
  ['9 x 1.5 + 2 x 11.2 = 339.9 kcal', (kitchen.resolvedFood('red-lentils-weir-lane').factoredKcal ?? 0) * 100, 339.9],
  ['3 x 341 = 1023 kcal', line('dal/1').nutrients.energyKcal.amount, 1023],
  ['The batch uses 7.06', figures.batch.usedCost.amount, 7.06],
  ['The till charges 23.80', till.cost?.toNumber(), 23.8],
  ['worth 15.03 at the same prices', till.leftWorth, 15.03],
  ['1.72 that smaller packs cost more', till.premium, 1.72],
  ['which leaves 750 g', onions?.left, 750],
  ['worth 0.66', onions?.leftWorth, 0.66],
  ['0.42 less', onions?.premium, 0.42],
  ['as written: 2 x 125 g = 250 g', line('dal/3').weights?.grams, 250],
  ['250 g x (1 - 0.10) = 225 g', line('dal/3').weights?.edible, 225],
  ['= 90 kcal', line('dal/3').nutrients.energyKcal.amount, 90],
  ['4.40 for 5 kg = 0.22', line('dal/3').usedCost.amount, 0.22],
  ['900 g / (1 - 0.20) = 1125 g', line('dal/2').weights?.purchase, 1125],
  ['462 g a box', dal?.share.portion, 462],
  ['350 g x 2.7 = 945 g', rice?.cooked, 945],
  ['of its 1249.5 kcal', rice?.nutrients.energyKcal.amount, 1249.5],
  ['244.6 kcal', (rice?.nutrients.energyKcal.amount ?? 0) * (rice?.share.share ?? 0), 244.6],
  ["the dal's 2134.7 kcal", dal?.nutrients.energyKcal.amount, 2134.7],
  ['426.9 kcal', (dal?.nutrients.energyKcal.amount ?? 0) / 5, 426.9],
  ['671.5 kcal a box', figures.perServing.nutrients.energyKcal.amount, 671.5],
  ['at least 14.2 g', figures.perServing.nutrients.fibre.amount, 14.2],
])('the page says "%s", and so does the engine', (words, computed, said) => {
  expect(page).toContain(words);
  expect(computed).toBeDefined();
  expect(Math.abs((computed ?? 0) - said)).toBeLessThanOrEqual(0.0500001 * (said < 1 ? 0.1 : 1));
});

test('what the card prints, what is lacking, and the band', () => {
  expect(page).toContain('the card prints 672');
  expect(roundedStrings('plain', figures, kitchen).energyKcal).toBe('672 kcal');
  expect(figures.perServing.nutrients.fibre.gaps).toHaveLength(3);
  const band = bandOf(
    figures.parts.filter(({ part }) => servedOf(part) === 'box'),
    'energyKcal',
  );
  expect(band?.map(Math.round)).toEqual([615, 728]);
});

test('open ends, draws on paper and claims', () => {
  expect(snappedRecipe(figures.recipe, kitchen).lines).toEqual([]);
  expect(page).toContain('between 636 and 1257 mg');
  expect(rangeBounds(boxed, 'sodium')?.map(Math.round)).toEqual([636, 1257]);
  const run = new Simulation(errorModelOf(boxed, ['energyKcal']), { seed: 1, draws: 50_000 });
  run.make(50_000);
  const [spread] = run.distributions();
  expect(page).toContain('between 615 and 729 kcal, and 83 % of them at 700 or less');
  expect([0.025, 0.975].map((share) => Math.round(quantileOf(spread!, share)))).toEqual([615, 729]);
  expect(Math.round(shareWithin(spread!, { atMost: 700 }) * 100)).toBe(83);
  const held = claimsOf(figures.perServing, []).filter(({ rules }) => rules === 'eu');
  expect(held.filter(({ holds }) => holds === 'yes').map(({ name }) => name)).toEqual(['low fat', 'low sugars', 'source of protein']);
  expect(held.find(({ name }) => name === 'low saturates')?.holds).toBe('unknown');
});
