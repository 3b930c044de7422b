import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import { reusableParts } from './reusablePart.js';

const foods = [
  { id: 'lentils', name: 'Lentils', nutrients: { energyKcal: 340, protein: 24 }, yield: 2 },
  { id: 'water', name: 'Water' },
];
const packs = [{ food: 'lentils', net: 1, unit: 'kg', price: '3.00', currency: 'EUR', shop: 'S', seen: '2031-03-01' }] as const;
const lines = [{ food: 'lentils', amount: 300, unit: 'g' }];
const base = recipeOf(lines, { id: 'base', title: 'Dal of the day' }, { id: 'dal', name: 'Dal' });

test('a part is called by its recipe, with what 100 g of it come to', () => {
  const [dal] = reusableParts(base, kitchenOf({ foods, packs }));
  // 300 g of 340 kcal in 100 g come to 600 g cooked.
  expect(dal).toMatchObject({
    id: 'base/dal',
    name: 'Dal of the day',
    called: 'Dal of the day',
    cooked: 600,
    portion: 150,
    estimated: true,
  });
  expect(dal?.per100.energyKcal).toBeCloseTo(170, 12);
  expect(dal?.per100.protein).toBeCloseTo(12, 12);
  expect(dal?.per100.usedCost).toBeCloseTo(0.15, 12);
});

test('of several parts each is told by both names; what is lacking is unknown, what weighs nothing cannot be taken', () => {
  const rice = { id: 'rice', name: 'Rice', lines: [{ food: 'water', amount: 100, unit: 'g' }] };
  const both = { id: 'both', name: 'Both', lines: [...lines, ...rice.lines] };
  const empty = { id: 'none', name: 'None', lines: [] };
  const parts = reusableParts({ ...base, parts: [...base.parts, rice, both, empty] }, kitchenOf({ foods, packs }));
  expect(parts.map(({ name, called }) => [name, called])).toEqual([
    ['Dal of Dal of the day', 'Dal'],
    ['Rice of Dal of the day', 'Rice'],
    ['Both of Dal of the day', 'Both'],
  ]);
  // Of the water nobody knows the energy: what there is of the lentils would be too little.
  expect(parts[2]?.per100.energyKcal).toBeUndefined();
  expect(parts[1]?.per100).toEqual({ energyKcal: undefined, protein: undefined, usedCost: undefined });
});
