import { doubtedOf, drainedShare, foodOfLabel } from './foodOfLabel.js';
import { readLabelText } from './readLabelText.js';

const BEANS =
  'Net weight 400 g. Drained weight 240 g. Contains MUSTARD. May contain celery. Serving size 130 g. Per 100 g: energy 419 kJ / 100 kcal, fat 6 g, saturates 0.1 g, carbohydrate 13.0 g, sugars 0.5 g, fibre 6.3 g, protein 7.2 g, salt 0.6 g';

test('what is doubted is left out unless it was agreed to; what else the label says is taken along', () => {
  const read = readLabelText(BEANS);
  expect([...doubtedOf(read)]).toEqual(['fat']);
  const per = { amount: 100, unit: 'g' };
  const taken = foodOfLabel({ measures: { can: 400 } }, read, { per, without: new Set(['fat']) });
  expect(taken).toEqual({
    nutrients: {
      energyKj: 419,
      energyKcal: 100,
      saturates: 0.1,
      carbohydrate: 13,
      sugars: 0.5,
      fibre: 6.3,
      protein: 7.2,
      salt: 0.6,
    },
    source: 'label',
    carbohydrateIs: undefined,
    per: undefined,
    allergens: ['mustard'],
    mayContain: ['celery'],
    drained: 0.6,
    measures: { can: 400, serving: 130 },
  });
  expect(foodOfLabel({}, read, { per, without: new Set() }).nutrients?.fat).toBe(0.6);
});

test('an American label is for its serving, with fibre in its carbohydrate', () => {
  const read = readLabelText(
    'Nutrition Facts Serving size 1 bar (40 g) Calories 170 Total Fat 7g Total Carbohydrate 20g Dietary Fiber 1g Protein 8g',
  );
  expect(foodOfLabel({}, read, { per: { amount: 40, unit: 'g' }, without: new Set() })).toMatchObject({
    per: { amount: 40, unit: 'g' },
    carbohydrateIs: 'total',
    measures: { serving: 40 },
  });
});

test('a drained share needs both weights, in one unit, the one within the other', () => {
  const of = (net: number, drained: number, unit = 'g') =>
    drainedShare({ net: { amount: net, unit: 'g' }, drained: { amount: drained, unit } });
  expect(of(400, 240)).toBe(0.6);
  expect(of(240, 400)).toBeUndefined();
  expect(of(400, 240, 'ml')).toBeUndefined();
  expect(drainedShare({ net: { amount: 400, unit: 'g' }, drained: undefined })).toBeUndefined();
});
