import fc from 'fast-check';
import { candidatePacks, hasOnlyStalePacks } from './candidatePacks.js';
import { latestPacks } from './latestPacks.js';
import type { Pack } from './pack.js';

const food = { id: 'oil', name: 'Oil', measures: { bottle: 500 } };
const day = (number: number) => new Date(Date.UTC(2031, 0, 1) + number * 86_400_000).toISOString().slice(0, 10);
const packs = fc
  .array(
    fc.record({
      shop: fc.constantFrom('A', 'B'),
      // 500 g, 0.5 kg and a bottle weigh the same.
      size: fc.constantFrom(
        ...([
          [500, 'g'],
          [0.5, 'kg'],
          [1, 'bottle'],
          [1, 'kg'],
          [1, 'crate'],
        ] as const),
      ),
      currency: fc.constantFrom('EUR', 'GBP'),
      price: fc.integer({ min: 1, max: 9 }).map(String),
      seen: fc.integer({ min: 0, max: 30 }).map(day),
      pinned: fc.boolean(),
      offer: fc.option(
        fc.record({
          until: fc.option(fc.integer({ min: 0, max: 40 }).map(day), { nil: undefined }),
          usual: fc.option(fc.constant('10'), { nil: undefined }),
        }),
        { nil: undefined },
      ),
    }),
    { maxLength: 12 },
  )
  .map((some) =>
    some.map(({ size: [net, unit], offer, ...rest }, i): Pack => ({
      id: String(i),
      food: 'oil',
      net,
      unit,
      ...rest,
      ...(offer ? { promotion: true, ...(offer.until ? { until: offer.until } : {}), ...(offer.usual ? { usual: offer.usual } : {}) } : {}),
    })),
  );

test('the same packs count as of all of them, today and on every later day, however old prices may be', () => {
  fc.assert(
    fc.property(packs, fc.nat(30), fc.nat(40), fc.option(fc.nat(20), { nil: undefined }), (all, today, later, maxPriceAge) => {
      const latest = latestPacks(all, day(today));
      const settings = { currency: 'EUR', date: day(today + later), ...(maxPriceAge === undefined ? {} : { maxPriceAge }) };
      expect(candidatePacks(food, latest, settings)).toEqual(candidatePacks(food, all, settings));
      expect(hasOnlyStalePacks(food, latest, settings)).toBe(hasOnlyStalePacks(food, all, settings));
    }),
  );
});

test('what is left of a long history is what was seen last', () => {
  const weekly = Array.from({ length: 100 }, (_, i) => ({
    food: 'oil',
    net: 1,
    unit: 'kg',
    price: '2',
    currency: 'EUR',
    shop: 'A',
    seen: day(i * 7),
  }));
  expect(latestPacks(weekly, day(69)).map(({ seen }) => seen)).toEqual(weekly.slice(9).map(({ seen }) => seen));
  expect(latestPacks(weekly, day(9999))).toHaveLength(1);
});
