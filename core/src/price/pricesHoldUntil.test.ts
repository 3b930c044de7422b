import fc from 'fast-check';
import { candidatePacks } from './candidatePacks.js';
import { pricesHoldUntil } from './pricesHoldUntil.js';

const food = { id: 'oil', name: 'Oil' };
const pack = (seen: string, i: number) => ({ food: 'oil', net: 500 + i, unit: 'g', price: '1', currency: 'EUR', shop: 'A', seen });
const day = (number: number) => new Date(Date.UTC(2031, 0, 1) + number * 86_400_000).toISOString().slice(0, 10);

test('until that day the same packs count, and on it others do', () => {
  fc.assert(
    fc.property(
      fc.array(fc.nat(60), { maxLength: 6 }),
      fc.nat(60),
      fc.option(fc.nat(30), { nil: undefined }),
      (seen, today, maxPriceAge) => {
        const packs = seen.map((number, i) => pack(day(number), i));
        const settings = (number: number) => ({
          currency: 'EUR',
          date: day(number),
          ...(maxPriceAge === undefined ? {} : { maxPriceAge }),
        });
        const counting = (number: number) => candidatePacks(food, packs, settings(number)).map((one) => one.pack.net);
        const until = pricesHoldUntil(packs, settings(today));
        const days = Array.from({ length: 100 }, (_, i) => today + i);
        const changed = days.find((one) => JSON.stringify(counting(one)) !== JSON.stringify(counting(today)));
        expect(until).toBe(changed === undefined ? undefined : day(changed));
      },
    ),
  );
});
