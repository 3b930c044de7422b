import { packKey, type Food, type Pack } from '@portiona/core';
import type { KeptTickDto, ShoppingDto } from '../../api/api.gen';
import { gramsText, otherPack, shoppingHere, shoppingKitchen, sizeText, standInOffers } from './shoppingRows';
import { shoppingKey, ticksNow, withTick } from './shoppingStore';

const foods: Food[] = [
  { id: 'egg', name: 'Egg', measures: { piece: 58 }, aisle: 'dairy' },
  { id: 'oats', name: 'Oats', aisle: 'grains' },
  { id: 'barley', name: 'Barley flakes', aisle: 'grains' },
  { id: 'saffron', name: 'Saffron' },
];
const pack = (food: string, net: number, unit: string, price: string, shop: string): Pack => ({
  ...{ food, net, unit, price, shop, currency: 'EUR', seen: '2026-11-01' },
});
const TEN = pack('egg', 10, 'piece', '2.90', 'Weir Lane Market');
const THIRTY = pack('egg', 30, 'piece', '7.80', 'Depot Nine');
const OATS = pack('oats', 500, 'g', '0.95', 'Depot Nine');
const FLAKES = pack('barley', 300, 'g', '1.10', 'Depot Nine');
const DEARER = pack('barley', 500, 'g', '0.50', 'Weir Lane Market');
const list: ShoppingDto = {
  sessions: ['a'],
  ...{ currency: 'EUR', date: '2026-11-26', maxPriceAge: null, trip: '0' },
  needs: [
    { food: 'egg', need: 12 * 58, stock: 0, buy: 12 * 58, dishes: [{ session: 'a', title: 'Muffins', recipe: 'm', grams: 12 * 58 }] },
    { food: 'oats', need: 500, stock: 100, buy: 400, dishes: [] },
    { food: 'saffron', need: 1, stock: 0, buy: 1, dishes: [] },
  ],
  unmatched: [],
  foods,
  packs: [TEN, THIRTY, OATS, FLAKES, DEARER],
  ticks: [],
  standIns: [{ of: 'oats', foods: [{ food: 'barley', shared: 0, energy: 350, energyOf: 370 }] }],
};
const kitchen = shoppingKitchen(list);
const tick = (of: Pack, state: KeptTickDto['state'], count = 1, over: Partial<KeptTickDto> = {}): KeptTickDto => ({
  ...{ pack: packKey(of), state, count, at: '2026-11-26T10:00:00.000Z', putAway: false, ...over },
});
const here = (...ticks: KeptTickDto[]) => shoppingHere(list, kitchen, ticksNow(ticks, []));
const shown = (...ticks: KeptTickDto[]) =>
  here(...ticks).shops.map(({ shop, packs }) => [
    shop,
    ...packs.map(({ food, count, inBasket }) => `${count} ${food.id}${inBasket ? ' in' : ''}`),
  ]);

test('shop by shop, what is over, what nothing can be bought for, and what stock gives', () => {
  expect(shown()).toEqual([
    ['Depot Nine', '1 oats'],
    ['Weir Lane Market', '2 egg'],
  ]);
  const { unknown, fromStock, shops, shopping } = here();
  expect(unknown.map(({ name }) => name)).toEqual(['Saffron']);
  expect(fromStock).toEqual([{ name: 'Oats', grams: 100 }]);
  expect(gramsText(shops[1]!.packs[0]!.left, TEN, foods[0]!)).toBe('8');
  expect([shopping.cost.toNumber(), shopping.atLeast]).toEqual([6.75, true]);
});

test('what is in the basket is not bought again; what one paid counts', () => {
  expect(shown(tick(TEN, 'bought', 2, { paid: '3.10' }))).toEqual([
    ['Depot Nine', '1 oats'],
    ['Weir Lane Market', '2 egg in'],
  ]);
  expect(here(tick(TEN, 'bought', 2, { paid: '3.10' })).inBasket).toBeCloseTo(6.2, 9);
  // One of two: one more is to get.
  expect(shown(tick(TEN, 'bought', 1))[1]).toEqual(['Weir Lane Market', '1 egg', '1 egg in']);
});

test('not there: another pack, what it costs more, and what is over then', () => {
  const other = otherPack(list, here(), new Map(), here().shops[1]!.packs[0]!);
  expect(other!.packs.map(({ pack: { shop, net }, count }) => [shop, net, count])).toEqual([['Depot Nine', 30, 1]]);
  expect(other!.dearer).toBeCloseTo(2, 9);
  expect(gramsText(other!.left, THIRTY, foods[0]!)).toBe('18');
  expect(shown(tick(TEN, 'missing'))).toEqual([['Depot Nine', '1 egg', '1 oats']]);
  // Neither is there: nothing is taken in its place, and the list says that it costs more.
  const without = here(tick(TEN, 'missing'), tick(THIRTY, 'missing'));
  expect([without.unknown.map(({ name }) => name), without.shopping.atLeast]).toEqual([['Egg', 'Saffron'], true]);
  expect(
    otherPack(list, here(tick(TEN, 'missing')), ticksNow([tick(TEN, 'missing')], []), here(tick(TEN, 'missing')).shops[0]!.packs[0]!),
  ).toBeUndefined();
});

test('of two ticks of a pack the later counts, and what was put into stock stays', () => {
  const early = tick(TEN, 'bought', 1);
  const late = { ...tick(TEN, 'open', 0), at: '2026-11-26T10:05:00.000Z' };
  expect(ticksNow([early], [late]).get(packKey(TEN))?.state).toBe('open');
  expect(ticksNow([late], [early]).get(packKey(TEN))?.state).toBe('open');
  expect(ticksNow([{ ...early, putAway: true }], [late]).get(packKey(TEN))?.state).toBe('bought');
  expect(withTick([early], late)).toEqual([late]);
  expect(shoppingKey(['b', 'a', 'b'])).toBe('a,b');
});

test('sizes as a shelf says them', () => {
  expect([sizeText(TEN), sizeText(OATS), sizeText({ net: 1, unit: 'piece' }), sizeText({ net: 0.75, unit: 'l' })]).toEqual([
    '10 pieces',
    '500 g',
    '1 piece',
    '0.75 l',
  ]);
  expect([gramsText(1234, OATS, foods[1]!), gramsText(80, OATS, foods[1]!)]).toEqual(['1.23 kg', '80 g']);
});

test('another food stands in by weight, of the same shop where it can; it counts for what it stands in for, in stock or not', () => {
  const oats = here().shops[0]!.packs[0]!;
  expect(standInOffers(list, here(), oats)).toMatchObject([
    // 400 g: two of 300 g here, though one elsewhere is cheaper.
    { pack: { shop: 'Depot Nine' }, count: 2, named: false, energy: [350, 370] },
  ]);
  expect(standInOffers(list, here(), oats)[0]!.dearer).toBeCloseTo(1.25, 9);
  const inPlace = [tick(OATS, 'missing', 0), tick(FLAKES, 'bought', 2, { instead: 'oats' })];
  expect(shown(...inPlace)).toEqual([
    ['Depot Nine', '2 barley in'],
    ['Weir Lane Market', '2 egg'],
  ]);
  // Nothing is left to be bought of the oats: without what stands in there would be.
  expect(here(...inPlace).unknown.map(({ name }) => name)).toEqual(['Saffron']);
  expect(here(inPlace[0]!).unknown.map(({ name }) => name)).toEqual(['Oats', 'Saffron']);
  expect(here(...inPlace).shops[0]!.packs[0]).toMatchObject({ instead: 'Oats', insteadId: 'oats', inBasket: true });
  const putAway = [inPlace[0]!, { ...inPlace[1]!, putAway: true }];
  expect(shown(...putAway)[0]).toEqual(['Depot Nine', '2 barley in']);
  expect(here(...putAway).unknown.map(({ name }) => name)).toEqual(['Saffron']);
});
