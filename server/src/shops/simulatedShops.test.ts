import { SimulatedShops } from './simulatedShops.js';
import { askShop } from '../refreshes/askShop.js';
import { ShopTroubleError, type PriceSource } from './priceSource.js';

const still = { seed: 7, delay: 0, failing: 0 };
const patience = { limit: 200, tries: 3, pause: 1 };
const LEEK = { shop: 'Weir Lane Market', name: 'Leek, raw', net: 1, unit: 'kg' };

test('the same seed and day cost the same, another day or seed something else in the end', async () => {
  const pricesOf = async (seed: number) => {
    const shops = new SimulatedShops({ ...still, seed });
    const days = Array.from({ length: 30 }, (_, week) =>
      new Date(Date.parse('2026-03-02T00:00:00Z') + week * 7 * 86_400_000).toISOString().slice(0, 10),
    );
    return Promise.all(days.map(async (day) => (await askShop(shops, LEEK, day, patience))?.price));
  };
  const prices = await pricesOf(7);
  expect(await pricesOf(7)).toEqual(prices);
  expect(await pricesOf(8)).not.toEqual(prices);
  expect(new Set(prices).size).toBeGreaterThan(3);
  for (const price of prices) expect(Number(price)).toBeGreaterThan(1);
  for (const price of prices) expect(Number(price)).toBeLessThan(6);
});

test('a product is found by its name and size; another size is not sold', async () => {
  const shops = new SimulatedShops(still);
  expect(await askShop(shops, { ...LEEK, net: 3 }, '2026-11-25', patience)).toBeUndefined();
  expect(await askShop(shops, { ...LEEK, name: 'Unobtainium' }, '2026-11-25', patience)).toBeUndefined();
  expect(await shops.offer('nothing', '2026-11-25', AbortSignal.timeout(100))).toBeUndefined();
});

test('a question that fails is asked again; a shop that is closed fails to the last', async () => {
  const busy = new SimulatedShops({ ...still, failing: 0.4 });
  const answers = await Promise.all(Array.from({ length: 20 }, () => askShop(busy, LEEK, '2026-11-25', { ...patience, tries: 12 })));
  expect(answers.every((answer) => answer !== undefined)).toBe(true);
  const closed = new SimulatedShops({ ...still, closed: ['Weir Lane Market'] });
  await expect(askShop(closed, LEEK, '2026-11-25', patience)).rejects.toThrow(new ShopTroubleError('Weir Lane Market', 'is closed'));
});

test('a shop that never answers is given up', async () => {
  const slow = new SimulatedShops({ ...still, delay: 60_000 });
  await expect(askShop(slow, LEEK, '2026-11-25', { limit: 20, tries: 2, pause: 1 })).rejects.toThrow('did not answer in time');
  const broken: PriceSource = {
    shops: () => Promise.resolve([]),
    find: () => Promise.reject(new Error('odd')),
    offer: () => Promise.reject(new Error('odd')),
  };
  await expect(askShop(broken, LEEK, '2026-11-25', patience)).rejects.toThrow('Weir Lane Market could not be asked');
});
