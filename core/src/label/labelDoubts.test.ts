import { readLabelText } from './readLabelText.js';

const doubted = (text: string) => readLabelText(text).doubts.flatMap(({ of }) => of);

test('a serving is no weight of what is told for it', () => {
  const { per, serving } = readLabelText('Per serving: 350 kcal, 20 g protein, 30 g carbs, 16 g fat. Per day: 2000 kcal.');
  expect(per).toBeUndefined();
  expect(serving).toBeUndefined();
});

test('figures between two names belong to neither surely', () => {
  expect(doubted('Sugars 3 g less than 1 g fibre 14 g protein 12 g fat per 100 g')).toEqual(
    expect.arrayContaining(['sugars', 'fibre', 'protein']),
  );
});

test('what was taken for nothing is said', () => {
  expect(readLabelText('per 100 g: energie 1046 kJ / 250 kcal, tuky 12 g').notes.join()).toMatch(/Not read: “[^”]*tuky 12 g”/);
  const { notes } = readLabelText(`per 100 g energy 100 kcal ${'x 5 g '.repeat(9)}`);
  expect(notes.join()).toMatch(/ and 4 more\.$/);
});

test('a figure for 100 kcal is none of the energy', () => {
  expect(readLabelText('per 100 g Energy 250 kcal Fat 12 g. Protein per 100 kcal: 9 g.').nutrients.energyKcal).toBe(250);
});

test('energy under both units in one cell', () => {
  expect(readLabelText('per 100 g\nEnergy (kJ/kcal) 1046/250\nFat 12 g\nCarbohydrate 20 g\nProtein 14 g').nutrients).toMatchObject({
    energyKj: 1046,
    energyKcal: 250,
  });
});

test('brackets hold a part with its figure first', () => {
  expect(readLabelText('kcal 250 fat 12 (7 sat) carb 20 (3 sugar) protein 14 per 100g').nutrients).toMatchObject({
    saturates: 7,
    sugars: 3,
    carbohydrate: 20,
  });
});

test.each([
  ['Gluten free, milk free. Contains soya.', ['soy'], []],
  ['Ingredients: WHEAT flour, BUTTER (MILK), salt. May contain traces of NUTS and EGGS.', ['milk', 'wheat'], ['eggs', 'nuts']],
  ['Each bar contains 198 calories, 20 g protein', [], []],
  ['Does not contain milk', [], []],
  ['Contains no milk', [], []],
  ['May contain peanuts. Contains: cashew nuts', ['cashews'], ['peanuts']],
  ['Zutaten: WEIZENMEHL, Zucker, VOLLMILCHPULVER. Kann Spuren von Erdnüssen enthalten.', ['milk', 'wheat'], ['peanuts']],
])('allergens of “%s”', (text, contains, mayContain) => {
  const { allergens } = readLabelText(text);
  expect([...allergens.contains].sort()).toEqual(contains);
  expect([...allergens.mayContain].sort()).toEqual(mayContain);
});

test('what is longer than any label is read in part, and that is said', () => {
  expect(readLabelText(`per 100 g energy 100 kcal ${'word '.repeat(20_000)}`).notes.join()).toMatch(
    /Only the first 50,000 letters were read/,
  );
});

test('a row that has its first column alone is held against nothing', () => {
  const text =
    'per 100 g per portion (40 g)\nEnergy 373 kcal 149 kcal\nFat 7.1 g 2.8 g\nCarbohydrate 58 g 23 g\nFibre 9.2 g\nProtein 13.5 g 5.4 g';
  expect(readLabelText(text)).toMatchObject({ nutrients: { fibre: 9.2 }, doubts: [] });
});

test('what the pack weighs heads no column', () => {
  expect(readLabelText('Net weight 100 g. Fat 5 g, protein 3 g, carbohydrate 4 g, 73 kcal').per).toBeUndefined();
  const bar = readLabelText('Dark chocolate 100 g, fat 42 g, protein 8 g, carbohydrate 35 g, 560 kcal');
  expect(bar.doubts.find(({ of }) => of.includes('per'))?.why).toBe(
    '“100 g” may be what the pack weighs, and not what the figures are for.',
  );
  expect(readLabelText('per 100 g e per porzione: grassi 5 g').net).toBeUndefined();
  expect(readLabelText('Passata 690 g e\nper 100 g: fat 0.2 g').net).toEqual({ amount: 690, unit: 'g' });
});
