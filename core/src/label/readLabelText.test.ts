import { growth, IN_PROPORTION } from '../../test/growth.js';
import { readLabelText } from './readLabelText.js';

const EUROPEAN = `Nutrition (typical values)      per 100 g   per portion (40 g)   RI*
Energy                          1430 kJ / 341 kcal   572 kJ / 136 kcal   7 %
Fat                             1,5 g   0,6 g   1 %
of which saturates              <0,5 g   <0,5 g   0 %
Carbohydrate                    52 g    21 g    8 %
of which sugars                 1,9 g   0,8 g   1 %
Fibre                           11 g    4,5 g
Protein                         24 g    9,6 g   19 %
Salt                            0,03 g  0,01 g  0 %`;

const AMERICAN = `Nutrition Facts
8 servings per container
Serving size 2/3 cup (55g)
Amount per serving
Calories 230
% Daily Value*
Total Fat 8g 10%
 Saturated Fat 1g 5%
 Trans Fat 0g
Cholesterol 0mg 0%
Sodium 160mg 7%
Total Carbohydrate 37g 13%
 Dietary Fiber 4g 14%
 Total Sugars 12g
  Includes 10g Added Sugars 20%
Protein 3g
Vitamin D 2mcg 10%
Calcium 260mg 20%
Iron 8mg 45%
Potassium 235mg 6%`;

test('a European label of two columns: the one per 100 g', () => {
  expect(readLabelText(EUROPEAN)).toMatchObject({
    per: { amount: 100, unit: 'g' },
    carbohydrateIs: 'available',
    nutrients: {
      energyKj: 1430,
      energyKcal: 341,
      fat: 1.5,
      saturates: 0.25,
      carbohydrate: 52,
      sugars: 1.9,
      fibre: 11,
      protein: 24,
      salt: 0.03,
    },
    notes: ['Saturates “<0,5 g” is taken as 0.25 g.'],
  });
});

test('an American label: total carbohydrate, for the serving', () => {
  expect(readLabelText(AMERICAN)).toMatchObject({
    per: { amount: 55, unit: 'g' },
    carbohydrateIs: 'total',
    nutrients: {
      energyKcal: 230,
      fat: 8,
      saturates: 1,
      trans: 0,
      cholesterol: 0,
      sodium: 160,
      carbohydrate: 37,
      fibre: 4,
      sugars: 12,
      addedSugars: 10,
      protein: 3,
      vitaminD: 2,
      calcium: 260,
      iron: 8,
      potassium: 235,
    },
    notes: [],
  });
});

test.each<[string, object]>([
  [
    'NUTRITION INFORMATION Per 100g: Energy 1046kJ/250kcal, Fat 12g, of which saturates 7.1g, Carbohydrate 20g, of which sugars 3g, Fibre 2g, Protein 14g, Salt 1.2g',
    {
      per: { amount: 100, unit: 'g' },
      nutrients: {
        energyKj: 1046,
        energyKcal: 250,
        fat: 12,
        saturates: 7.1,
        carbohydrate: 20,
        sugars: 3,
        fibre: 2,
        protein: 14,
        salt: 1.2,
      },
    },
  ],
  [
    'Typical values per serving (30g) per 100g\nEnergy 480kJ 1600kJ\n114kcal 380kcal\nFat 0.6g 2.0g\nof which saturates 0.1g 0.4g\nCarbohydrate 21g 70g\nof which sugars 5.1g 17g\nFibre 2.4g 8g\nProtein 3.0g 10g\nSalt 0.3g 1.0g',
    {
      per: { amount: 100, unit: 'g' },
      nutrients: { energyKj: 1600, energyKcal: 380, fat: 2, saturates: 0.4, carbohydrate: 70, sugars: 17, fibre: 8, protein: 10, salt: 1 },
    },
  ],
  [
    'Protein 3,4 g Fett 3,5 g davon gesättigte Fettsäuren 2,3 g Kohlenhydrate 4,8 g davon Zucker 4,8 g Salz 0,13 g Brennwert 268 kJ / 64 kcal pro 100 ml',
    {
      per: { amount: 100, unit: 'ml' },
      nutrients: { protein: 3.4, fat: 3.5, saturates: 2.3, carbohydrate: 4.8, sugars: 4.8, salt: 0.13, energyKj: 268, energyKcal: 64 },
    },
  ],
  [
    'Valeurs nutritionnelles pour 100 g : Énergie 2252 kJ (539 kcal) ; Matières grasses 30,9 g dont acides gras saturés 10,6 g ; Glucides 57,5 g dont sucres 56,3 g ; Protéines 6,3 g ; Sel 0,107 g',
    {
      nutrients: {
        energyKj: 2252,
        energyKcal: 539,
        fat: 30.9,
        saturates: 10.6,
        carbohydrate: 57.5,
        sugars: 56.3,
        protein: 6.3,
        salt: 0.107,
      },
    },
  ],
  [
    'Calories 120 Calories from Fat 30 Total Fat 3.5g Sat. 1g Sodium 0.4 g Total Carb 20g Protein 4g Serving Size 1 bar (35 g)',
    {
      per: { amount: 35, unit: 'g' },
      carbohydrateIs: 'total',
      nutrients: { energyKcal: 120, fat: 3.5, sodium: 400, carbohydrate: 20, protein: 4 },
    },
  ],
  ['per slice: energy 95 kcal, fat 1 g, carbohydrate 17 g, protein 3.5 g, salt 0.4 g', { per: { amount: 1, unit: 'slice' } }],
  [
    'Energy (kJ) 1500 Energy (kcal) 358 Fat (g) 2.5 Carbohydrates (g) 70.2 Protein (g) 10 Salt (g) 0.01 in 100 g',
    { nutrients: { energyKj: 1500, energyKcal: 358, fat: 2.5, carbohydrate: 70.2, protein: 10, salt: 0.01 } },
  ],
  ['per 100 g energy 1 430 kJ / 341 kcal fat trace protein 24 g', { nutrients: { energyKj: 1430, energyKcal: 341, fat: 0, protein: 24 } }],
  [
    'per 100 g Energy 371 kJ/ 88 kcal Fat less than 0.5 g Polyols 12 g Starch 3 g Mono-unsaturates 0.2 g',
    { nutrients: { energyKj: 371, energyKcal: 88, fat: 0.25, polyols: 12 } },
  ],
])('%s', (text, read) => {
  expect(readLabelText(text)).toMatchObject(read);
});

test('a word that is no figure of a label brings nothing', () => {
  expect(readLabelText('Best before the end of the month. Store in a cool place.').nutrients).toEqual({});
  expect(readLabelText('').per).toBeUndefined();
});

test('kilojoules and kilocalories that are not the same are pointed at', () => {
  expect(readLabelText('per 100 g: 1430 kJ energy 1430 kJ / 431 kcal').doubts[0]?.why).toMatch(/1430 kJ are 342 kcal, not 431/);
});

test('figures without a unit are taken in the usual one, and said', () => {
  const { nutrients, notes } = readLabelText('per 100 g: calories 250, fat 12, protein 7');
  expect(nutrients).toMatchObject({ energyKcal: 250, fat: 12, protein: 7 });
  expect(notes).toContain('Fat 12 has no unit; taken as g.');
});

test('ten thousand letters of nothing are read in proportion', () => {
  const nothing = (letters: number) => 'per 100 g energy '.repeat(letters / 34) + '1 '.repeat(letters / 4);
  expect(growth(20_000, nothing, readLabelText)).toBeLessThan(IN_PROPORTION);
});
