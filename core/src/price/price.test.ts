import fc from 'fast-check';
import Big from 'big.js';
import { growth, IN_PROPORTION } from '../../test/growth.js';
import { bestPack, candidatePacks, daysBetween, hasOnlyStalePacks, type CandidatePack } from './candidatePacks.js';
import { currencySign, minorDigits, moneyText } from './money.js';
import type { Pack } from './pack.js';
import { packGrams } from './packGrams.js';
import { packMix } from './packMix.js';
import { pricesHoldUntil } from './pricesHoldUntil.js';

const food = { id: 'oil', name: 'Oil', density: 0.92, measures: { can: 400, cup: 180 }, measuresAre: ['cup'], drained: 0.6 };
const pack = (over: Partial<Pack> = {}): Pack => ({
  food: 'oil',
  net: 500,
  unit: 'g',
  price: '1.35',
  currency: 'EUR',
  shop: 'A',
  seen: '2031-03-01',
  ...over,
});
const settings = { currency: 'EUR', date: '2031-03-10', maxPriceAge: 60 };

test.each([
  [1, 'l', 920],
  [2, 'lb', 907.18474],
  [3, 'can', 1200],
  [1, 'cup', 300],
])('%d %s of it weighs %d g as purchased', (net, unit, grams) => {
  expect(packGrams({ net, unit }, food)).toBeCloseTo(grams, 9);
});

test('a pack nobody can weigh is no candidate', () => {
  expect(packGrams({ net: 1, unit: 'l' }, { id: 'x', name: 'X' })).toBeUndefined();
  expect(candidatePacks({ id: 'x', name: 'X' }, [pack({ unit: 'piece' })], settings)).toEqual([]);
});

test('tomorrow, another currency, too old and replaced prices do not count', () => {
  const packs = [
    pack(),
    pack({ seen: '2031-03-11' }),
    pack({ currency: 'SEK' }),
    pack({ shop: 'B', seen: '2030-12-01' }),
    pack({ net: 0.5, unit: 'kg', seen: '2031-02-01', price: '1.00' }),
  ];
  expect(candidatePacks(food, packs, settings).map(({ price }) => price.toString())).toEqual(['1.35']);
  expect(daysBetween('2031-01-09', '2031-03-10')).toBe(60);
});

test('a food whose every price is too old is stale, not without price', () => {
  expect(hasOnlyStalePacks(food, [pack({ seen: '2030-12-01' })], settings)).toBe(true);
  expect(hasOnlyStalePacks(food, [], settings)).toBe(false);
});

test('a pin decides; a pin on a pack that is no candidate is passed over', () => {
  const dear = pack({ price: '9.00', shop: 'B', pinned: true });
  expect(bestPack(candidatePacks(food, [pack(), dear], settings))?.pack.shop).toBe('B');
  expect(bestPack(candidatePacks(food, [pack(), { ...dear, seen: '2030-01-01' }], settings))?.pack.shop).toBe('A');
});

const candidate = (grams: number, price: string, pinned = false): CandidatePack => ({
  pack: pack({ net: grams, price, pinned }),
  grams,
  price: new Big(price),
  rate: Number(price) / grams,
  perKg: (Number(price) / grams) * 1000,
});

test('1300 g of a kilo at 2.30 and half a kilo at 1.35 is one of each', () => {
  const mix = packMix(1300, [candidate(500, '1.35'), candidate(1000, '2.30')]);
  expect(mix?.price.toString()).toBe('3.65');
  expect(mix?.grams).toBe(1500);
});

test('a pinned pack is bought in whole numbers', () => {
  expect(packMix(650, [candidate(500, '1.10', true), candidate(1000, '1.60')])?.price.toString()).toBe('2.2');
});

test('a need met but for binary noise is met', () => {
  expect(packMix(1000.0000000001, [candidate(1000, '2')])?.grams).toBe(1000);
  expect(packMix(0, [candidate(1000, '2')])?.packs).toEqual([]);
  expect(packMix(5, [])).toBeUndefined();
});

test('no mix is cheaper than the one found, and of equally cheap ones none leaves less', () => {
  const sizes = fc.array(fc.record({ grams: fc.integer({ min: 50, max: 1500 }), cents: fc.integer({ min: 0, max: 500 }) }), {
    minLength: 1,
    maxLength: 4,
  });
  fc.assert(
    fc.property(sizes, fc.integer({ min: 1, max: 20_000 }), (rows, need) => {
      const mix = packMix(
        need,
        rows.map(({ grams, cents }) => candidate(grams, (cents / 100).toFixed(2))),
      );
      const best = bruteForce(need, rows);
      expect(mix?.grams).toBeGreaterThanOrEqual(need);
      expect(mix?.price.times(100).toNumber()).toBe(best.cents);
      expect(mix?.grams).toBe(best.grams);
    }),
    { numRuns: 150 },
  );
});

function bruteForce(need: number, rows: readonly { grams: number; cents: number }[]) {
  const most = need + Math.max(...rows.map(({ grams }) => grams));
  const cheapest = new Array<number>(most + 1).fill(Infinity);
  cheapest[0] = 0;
  for (let weight = 1; weight <= most; weight++)
    for (const { grams, cents } of rows)
      if (weight >= grams) cheapest[weight] = Math.min(cheapest[weight] ?? Infinity, (cheapest[weight - grams] ?? Infinity) + cents);
  let best = { cents: Infinity, grams: 0 };
  for (let weight = need; weight <= most; weight++)
    if ((cheapest[weight] ?? Infinity) < best.cents) best = { cents: cheapest[weight] ?? Infinity, grams: weight };
  return best;
}

test('many small packs for a great need are found, whatever the need', () => {
  const packs = [candidate(1, '0.01'), candidate(7, '0.08')];
  expect(packMix(1e8, packs)?.price.toString()).toBe('1000000');
  expect(
    growth(
      1e8,
      (need) => need,
      (need) => packMix(need, packs),
    ),
  ).toBeLessThan(IN_PROPORTION);
});

// It ends: counting every gram of so great a need would not, in this process's life.
test.each([1e9, 1e15, 1e20])('a need of %d g, and sizes of one rate, are no reason to hang', (need) => {
  const packs = [candidate(500, '1.35'), candidate(1000, '2.70'), candidate(333, '0.91'), candidate(750, '2.05')];
  const priced = packMix(need, packs)?.price.toNumber() ?? 0;
  expect(priced).toBeGreaterThanOrEqual((need / 1000) * 2.7 * (1 - 2e-9));
  expect(priced).toBeLessThanOrEqual(Math.ceil(need / 1000) * 2.7 * (1 + 1e-12));
  expect(packMix(need, packs.slice(0, 2))?.price.toNumber()).toBeLessThanOrEqual(Math.ceil(need / 1000) * 2.7 * (1 + 1e-12));
});

test('money is rounded once, to the minor unit of its currency', () => {
  expect(moneyText(1.355, 'EUR')).toBe('1.36');
  expect(moneyText(1234.5, 'JPY')).toBe('1235');
  expect(minorDigits('BHD')).toBe(3);
  expect(currencySign('SEK')).toBe('SEK');
});

test('an offer counts until its end; then what it usually costs, or else what was seen before', () => {
  const oil = { id: 'oil', name: 'Oil' };
  const seen = (day: string, price: string, more: Partial<Pack> = {}): Pack => ({
    food: 'oil',
    net: 1,
    unit: 'kg',
    price,
    currency: 'EUR',
    shop: 'A',
    seen: day,
    ...more,
  });
  const cost = (date: string, ...packs: Pack[]) => bestPack(candidatePacks(oil, packs, { currency: 'EUR', date }))?.perKg;
  const offer = { promotion: true, until: '2026-11-20' };
  const before = seen('2026-10-01', '5');
  expect(cost('2026-11-20', before, seen('2026-11-15', '3', offer))).toBe(3);
  expect(cost('2026-11-21', before, seen('2026-11-15', '3', offer))).toBe(5);
  expect(cost('2026-11-21', before, seen('2026-11-15', '3', { ...offer, usual: '4.50' }))).toBe(4.5);
  expect(cost('2026-11-21', seen('2026-11-15', '3', offer))).toBeUndefined();
  // Nobody knows its end: it counts while it is the latest.
  expect(cost('2026-12-31', before, seen('2026-11-15', '3', { promotion: true }))).toBe(3);
  expect(hasOnlyStalePacks(oil, [seen('2026-11-15', '3', offer)], { currency: 'EUR', date: '2026-11-21' })).toBe(true);
  expect(pricesHoldUntil([seen('2026-11-15', '3', offer)], { currency: 'EUR', date: '2026-11-16' })).toBe('2026-11-21');
});
