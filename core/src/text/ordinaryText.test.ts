import fc from 'fast-check';
import { ordinaryText } from './ordinaryText.js';
import { parseLineText } from './parseLineText.js';

test.each([
  ['☐ 300 g penne', '300 g penne'],
  ['[ ] 1 lime', '1 lime'],
  ['3. 200 g couscous', '200 g couscous'],
  ['between 4 and 6 carrots', '4-6 carrots'],
  ['four to five tomatoes', '4 to 5 tomatoes'],
  ['1 200 ml stock', '1200 ml stock'],
  // So many of that size are no thousands.
  ['1 400 g can tomatoes', '1 x 400 g can tomatoes'],
  ['1 15-ounce can beans', '1 x 15 ounce can beans'],
  ['two 400g tins of chickpeas', 'two x 400g tins of chickpeas'],
  ['4 (6-ounce) salmon fillets', '4 x 6 ounce salmon fillets'],
  ['1 (14 oz) can tomatoes', '1 (14 oz) can tomatoes'],
  ['handful of coriander', '1 handful of coriander'],
  ['small bunch dill', '1 small bunch dill'],
  ['a pinch of salt', 'a pinch of salt'],
  ['large eggs', 'large eggs'],
  ['small pears', 'small pears'],
])('“%s” in ordinary dress is “%s”', (written, ordinary) => {
  expect(ordinaryText(written)).toBe(ordinary);
});

test.each([
  ['bone-in, skin-on chicken thighs, trimmed', 'bone-in, skin-on chicken thighs', 'trimmed'],
  ['roasted, salted peanuts', 'roasted, salted peanuts', undefined],
  ['orange, zest', 'orange', 'zest'],
  ['red, roughly chopped', 'red', 'roughly chopped'],
  ['linseed, ground', 'linseed', 'ground'],
])('“%s”: adjectives before a comma belong to the food behind it', (text, foodWords, note) => {
  const parsed = parseLineText(`100 g ${text}`);
  expect([parsed.foodWords, parsed.note]).toEqual([foodWords, note]);
});

test('what is in brackets is of each, of all, or said of it', () => {
  expect(parseLineText('2 cans (400 g) beans')).toMatchObject({ amount: 800, unit: 'g' });
  expect(parseLineText('2 cans beans (about 480 g drained)')).toMatchObject({ amount: 480, unit: 'g', note: 'drained' });
  expect(parseLineText('2 tins (2 x 400g) tomatoes')).toMatchObject({ amount: 800, unit: 'g' });
  expect(parseLineText('2 fillets (120-150 g each)')).toMatchObject({ amount: [240, 300], unit: 'g' });
});

test('optional, said anywhere, is optional', () => {
  for (const text of ['Optional: 1 tbsp capers', '1 tbsp capers - optional', '(optional) 1 tbsp capers', '1 tbsp capers, optional'])
    expect(parseLineText(text)).toMatchObject({ amount: 1, unit: 'tbsp', foodWords: 'capers', optional: true });
});

test('no digit that was written is lost', () => {
  const line = fc.array(fc.constantFrom('1', '2', '400', 'g', 'ml', 'can', '(', ')', '-', ' ', 'leeks', 'of', 'x', '15-ounce'), {
    maxLength: 12,
  });
  fc.assert(
    fc.property(line, (pieces) => {
      const text = pieces.join(' ').replace(/\s+/g, ' ').trim();
      const digits = (one: string) => one.replace(/\D/g, '');
      expect(digits(ordinaryText(text)).length).toBeGreaterThanOrEqual(digits(text).length);
    }),
  );
});
