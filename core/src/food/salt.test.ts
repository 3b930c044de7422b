import fc from 'fast-check';
import { per100gOf } from './composition.js';
import { per100gOfPrinted, printedSalt, sodiumOfPrintedSalt } from './printedAs.js';
import { saltOfSodium, sodiumOfSalt } from './salt.js';

test('salt is sodium times 2.5, and back', () => {
  expect(saltOfSodium(400)).toBe(1);
  expect(sodiumOfSalt(1.25)).toBe(500);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1e5, noNaN: true }), (sodium) => {
      expect(sodiumOfSalt(saltOfSodium(sodium))).toBeCloseTo(sodium, 6);
    }),
  );
});

test('a label’s salt as printed, or from its sodium; unknown stays unknown', () => {
  expect(printedSalt({ nutrients: { salt: 0.8, sodium: 999 } })).toBe(0.8);
  expect(printedSalt({ nutrients: { sodium: 123 } })).toBe(0.308);
  expect(printedSalt({ nutrients: { salt: null } })).toBeNull();
  expect(printedSalt({ nutrients: { sodium: null } })).toBeUndefined();
  expect(printedSalt({})).toBeUndefined();
  expect(sodiumOfPrintedSalt({ nutrients: { salt: 0.8 } })).toBe(320);
  expect(sodiumOfPrintedSalt({ nutrients: {} })).toBeNull();
});

test('what a label prints for its own basis, per 100 g', () => {
  const drink = { id: 'd', name: 'Drink', density: 1.04, per: { amount: 250, unit: 'ml' } };
  expect(per100gOfPrinted(drink, 26)).toBeCloseTo(10, 12);
  expect(per100gOfPrinted(drink, null)).toBeUndefined();
  expect(per100gOfPrinted({ id: 'd', name: 'Drink', per: { amount: 250, unit: 'ml' } }, 26)).toBeUndefined();
});

test('100 g as people read them: salt beside sodium, what is unknown left out', () => {
  expect(per100gOf({ id: 'x', name: 'X', per: { amount: 50, unit: 'g' }, nutrients: { protein: 4, salt: 1 } }, 'available')).toEqual({
    protein: 8,
    sodium: 800,
    salt: 2,
  });
  expect(per100gOf({ id: 'x', name: 'X', nutrients: { fat: 0 } }, 'available')).toEqual({ fat: 0 });
});
