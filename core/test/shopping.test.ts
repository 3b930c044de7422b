import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import Big from 'big.js';
import fc from 'fast-check';
import {
  candidatePacks,
  cheapestShops,
  Kitchen,
  packKey,
  readKitchen,
  shoppingList,
  standInsFor,
  enoughPacks,
  shopReport,
  shopsCompared,
  stockAfter,
  taughtKitchen,
  usesUp,
  type Food,
  type Pack,
  type Session,
  type ShoppingOptions,
  type ShopReport,
  type StockItem,
} from '../src/index.js';
import { kitchenOf, recipeOf } from './kitchens.js';

const HERE = join(__dirname, 'cases/batches');
const names = readdirSync(HERE)
  .filter((name) => name.endsWith('.args.json') && (json(name) as string[])[0] === 'shop')
  .map((name) => name.replace('.args.json', ''));

function json(file: string): unknown {
  return JSON.parse(readFileSync(join(HERE, file), 'utf8'));
}

test.each(names)('worked case %s', (name) => {
  const read = readKitchen(json(`${name}.json`), '2032-03-10');
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const { sessions, stock, batches } = read.entry;
  const [, , trip] = json(`${name}.args.json`) as string[];
  const got = shopReport(shoppingList(sessions, stock, taughtKitchen(read.entry, batches), trip === undefined ? {} : { trip }));
  const want = json(`${name}.expected.json`) as ShopReport;
  expect(got.list.map(({ food }) => food)).toEqual(want.list.map(({ food }) => food));
  for (const [i, row] of want.list.entries()) {
    const { need, stock: held, buy, left, cost, packs } = got.list[i]!;
    for (const [mine, theirs] of [
      [need, row.need],
      [held, row.stock],
      [buy, row.buy],
      [left, row.left],
    ])
      if (theirs === null || theirs === undefined) expect(mine).toBe(theirs ?? mine);
      else expect(mine).toBeCloseTo(theirs, 6);
    expect([row.food, cost, packs]).toEqual([row.food, row.cost, row.packs]);
  }
  expect([got.cost, got.atLeast, got.shops, got.trips, got.total]).toEqual([
    want.cost,
    want.atLeast,
    [...want.shops].sort(),
    want.trips,
    want.total,
  ]);
});

const food = (id: string): Food => ({ id, name: id, measures: { piece: 50 } });
const pack = (of: string, net: number, price: number, shop: string, more: Partial<Pack> = {}): Pack => ({
  food: of,
  net,
  unit: 'g',
  price,
  currency: 'EUR',
  shop,
  seen: '2031-03-01',
  ...more,
});
const session = (id: string, date: string, dishes: Session['dishes'] = [{ recipe: 'dish' }]): Session => ({ id, date, dishes });

/** Every way to buy, one after the other. */
function cheapestOfAll(wanted: readonly { food: string; grams: number; packs: readonly Pack[] }[], trip: number) {
  let best: { total: number; shops: number; grams: number } | undefined;
  const visit = (i: number, cost: number, shops: ReadonlySet<string>, grams: number): void => {
    const one = wanted[i];
    if (!one) {
      const total = cost + trip * shops.size;
      const found = { total, shops: shops.size, grams };
      const less = (a: typeof found, b: typeof found) => a.total - b.total || a.shops - b.shops || a.grams - b.grams;
      if (!best || less(found, best) < 0) best = found;
      return;
    }
    const pinned = one.packs.filter((pack) => pack.pinned).sort((a, b) => Number(a.price) / a.net - Number(b.price) / b.net)[0];
    const packs = pinned ? [pinned] : one.packs;
    const count = (p: number, missing: number, spent: number, at: ReadonlySet<string>, bought: number): void => {
      if (missing < 0.001) return visit(i + 1, cost + spent, at, grams + bought);
      const sold = packs[p];
      if (!sold) return;
      for (let n = 0; n <= Math.ceil(missing / sold.net); n++)
        count(
          p + 1,
          missing - n * sold.net,
          spent + n * Number(sold.price),
          n === 0 ? at : new Set([...at, sold.shop]),
          bought + n * sold.net,
        );
    };
    count(0, one.grams, 0, shops, 0);
  };
  visit(0, 0, new Set(), 0);
  return best!;
}

test('the cheapest packs over all foods and shops, against every way there is to buy', () => {
  const anyPack = fc.record({
    net: fc.constantFrom(100, 200, 250, 500),
    // Quarters add up exactly, so that ties are ties.
    price: fc.integer({ min: 1, max: 16 }).map((quarters) => quarters / 4),
    shop: fc.constantFrom('A', 'B', 'C'),
    pinned: fc.boolean().map((yes) => yes),
  });
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          grams: fc.integer({ min: 1, max: 600 }),
          packs: fc.array(anyPack, { minLength: 1, maxLength: 3 }),
          pin: fc.integer({ min: 0, max: 9 }),
        }),
        {
          minLength: 1,
          maxLength: 3,
        },
      ),
      fc.constantFrom(0, 0.5, 1.25, 3),
      (drawn, trip) => {
        const foods = drawn.map(({ grams, packs, pin }, i) => {
          const id = `food-${i}`;
          const all = packs.map(({ net, price, shop }, p) => pack(id, net, price, shop, pin === p ? { pinned: true } : {}));
          // Of one shop and size only one counts.
          const own = all.filter((one, p) => all.findIndex((other) => other.shop === one.shop && other.net === one.net) === p);
          return { food: id, grams, packs: own };
        });
        const { settings } = kitchenOf({});
        const wanted = foods.map((one) => ({ ...one, candidates: candidatePacks(food(one.food), one.packs, settings) }));
        const got = cheapestShops(wanted, new Big(trip));
        const want = cheapestOfAll(foods, trip);
        expect([got.total.toNumber(), got.shops.length, got.grams]).toEqual([want.total, want.shops, want.grams]);
        for (const { food: id, grams } of wanted) expect(got.mixes.get(id)!.grams).toBeGreaterThan(grams - 0.001);
      },
    ),
    { numRuns: 300 },
  );
});

test('a shopping list is never short: what is bought and what is taken from stock cover the need', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ amount: fc.integer({ min: 0, max: 900 }), days: fc.integer({ min: 0, max: 9 }) }), {
        minLength: 1,
        maxLength: 4,
      }),
      fc.array(fc.record({ amount: fc.integer({ min: 0, max: 700 }), until: fc.option(fc.integer({ min: 0, max: 9 })) }), { maxLength: 4 }),
      (cooked, held) => {
        const recipes = cooked.map(({ amount }, i) => recipeOf([{ food: 'oats', amount, unit: 'g' }], { id: `dish-${i}` }));
        const sessions = cooked.map(({ days }, i) => session(`s${i}`, `2031-03-1${days}`, [{ recipe: `dish-${i}` }]));
        const stock = held.map(({ amount, until }): StockItem => ({
          food: 'oats',
          amount,
          unit: 'g',
          ...(until === null ? {} : { bestBefore: `2031-03-1${until}` }),
        }));
        const kitchen = kitchenOf({ foods: [food('oats')], recipes, packs: [pack('oats', 350, 1.1, 'A'), pack('oats', 1000, 2.9, 'B')] });
        const { rows } = shoppingList(sessions, stock, kitchen);
        const row = rows[0]!;
        const need = cooked.reduce((sum, { amount }) => sum + amount, 0);
        expect(row.need).toBe(need);
        expect(row.stock! + row.buy!).toBeCloseTo(need, 9);
        expect((row.mix?.grams ?? 0) + row.stock!).toBeGreaterThanOrEqual(need - 0.001);
        // What is past its day on the first day anybody cooks is not touched.
        const first = Math.min(...cooked.map(({ days }) => days));
        for (const [i, grams] of row.taken) {
          expect(grams).toBeLessThanOrEqual(held[i]!.amount);
          expect(held[i]!.until ?? 9).toBeGreaterThanOrEqual(first);
        }
      },
    ),
  );
});

test('what is of today is used before what keeps, and no dish takes what is past its day', () => {
  const kitchen = kitchenOf({
    foods: [food('milk')],
    recipes: [recipeOf([{ food: 'milk', amount: 300, unit: 'g' }])],
    packs: [pack('milk', 500, 1, 'A')],
  });
  const stock: StockItem[] = [
    { food: 'milk', amount: 400, unit: 'g' },
    { food: 'milk', amount: 0.2, unit: 'kg', bestBefore: '2031-03-12' },
    { food: 'milk', amount: 2, unit: 'piece', bestBefore: '2031-03-11' },
  ];
  const { rows } = shoppingList([session('b', '2031-03-14'), session('a', '2031-03-12')], stock, kitchen);
  // On the 12th: nothing of the 11th, 200 g of that day, 100 g that keep; on the 14th the 300 g left that keep.
  expect([rows[0]!.stock, rows[0]!.buy]).toEqual([600, 0]);
  expect([...rows[0]!.taken]).toEqual([
    [1, 200],
    [0, 400],
  ]);
});

test('optional lines and parts are not bought; what is at the table is; free staples have their price', () => {
  const kitchen = kitchenOf(
    {
      foods: [food('oats'), food('nuts'), food('seeds'), { ...food('salt'), staple: true }],
      recipes: [
        {
          ...recipeOf([
            { food: 'oats', amount: 100, unit: 'g' },
            { food: 'nuts', amount: 50, unit: 'g', optional: true },
            { food: 'salt', amount: 5, unit: 'g' },
          ]),
          parts: [
            {
              id: 'pot',
              name: 'Pot',
              lines: [
                { food: 'oats', amount: 100, unit: 'g' },
                { food: 'nuts', amount: 50, unit: 'g', optional: true },
                { food: 'salt', amount: 5, unit: 'g' },
              ],
            },
            { id: 'top', name: 'Top', served: 'table', lines: [{ food: 'seeds', amount: 20, unit: 'g' }] },
            { id: 'more', name: 'More', served: 'optional', lines: [{ food: 'nuts', amount: 20, unit: 'g' }] },
          ],
        },
      ],
      packs: [pack('oats', 500, 1, 'A'), pack('salt', 500, 0.5, 'A')],
    },
    { staples: 'free' },
  );
  const { rows, atLeast, cost } = shoppingList([session('a', '2031-03-12', [{ recipe: 'dish', boxes: 8 }])], [], kitchen);
  expect(rows.map((row) => [row.food, row.need, row.cost?.toNumber()])).toEqual([
    ['oats', 200, 1],
    ['salt', 10, 0.5],
    ['seeds', 40, undefined],
  ]);
  expect([atLeast, cost.toNumber()]).toEqual([true, 1.5]);
});

test('a line without weight makes its food unknown, and one without a food is told', () => {
  const recipes = [
    recipeOf([
      { food: 'oats', amount: 1, unit: 'scoop' },
      { text: 'a handful of love', amount: 1, unit: 'handful' },
    ]),
  ];
  const kitchen = kitchenOf({ foods: [food('oats')], recipes, packs: [pack('oats', 500, 1, 'A')] });
  const list = shoppingList([session('a', '2031-03-12')], [{ food: 'oats', amount: 300, unit: 'g' }], kitchen);
  expect(shopReport(list)).toEqual({
    list: [{ food: 'oats', need: null, stock: null, buy: null, packs: [], cost: null, left: 0 }],
    cost: 0,
    atLeast: true,
    shops: [],
    trips: 0,
    total: 0,
  });
  expect(list.unmatched).toEqual([{ recipe: 'dish', at: 'pot/2', text: 'a handful of love' }]);
});

test('a pack that was not there is bought elsewhere, and what is in the basket is not bought again', () => {
  const kitchen = kitchenOf({
    foods: [food('oats')],
    recipes: [recipeOf([{ food: 'oats', amount: 900, unit: 'g' }])],
    packs: [pack('oats', 500, 1, 'A'), pack('oats', 1000, 3, 'B')],
  });
  const bought = (options: ShoppingOptions) => {
    const [row] = shoppingList([session('a', '2031-03-12')], [], kitchen, options).rows;
    return row!.mix?.packs.map(({ candidate, count }) => [candidate.pack.shop, count]);
  };
  expect(bought({})).toEqual([['A', 2]]);
  expect(bought({ without: new Set([packKey({ food: 'oats', net: 500, unit: 'g', shop: 'A' })]) })).toEqual([['B', 1]]);
  expect(bought({ inBasket: new Map([['oats', 500]]) })).toEqual([['A', 1]]);
  expect(bought({ inBasket: new Map([['oats', 1000]]) })).toBeUndefined();
});

test('shops are compared: each alone with what it lacks, and what one more saves', () => {
  const recipes = [
    recipeOf([
      { food: 'oats', amount: 500, unit: 'g' },
      { food: 'nuts', amount: 200, unit: 'g' },
    ]),
  ];
  const packs = [pack('oats', 500, 2, 'A'), pack('oats', 500, 1, 'B'), pack('nuts', 200, 4, 'A'), pack('nuts', 200, 3, 'C')];
  const kitchen = kitchenOf({ foods: [food('oats'), food('nuts')], recipes, packs });
  const list = shoppingList([session('a', '2031-03-12')], [], kitchen, { trip: '0.6' });
  const { alone, upTo } = shopsCompared(list);
  expect(alone.map(({ shops, missing, total }) => [shops[0], missing, total.toNumber()])).toEqual([
    ['A', [], 6.6],
    ['B', ['nuts'], 1.6],
    ['C', ['oats'], 3.6],
  ]);
  expect(upTo.map(({ shops, cost, total }) => [shops, cost.toNumber(), total.toNumber()])).toEqual([
    [['A'], 6, 6.6],
    [['B', 'C'], 4, 5.2],
  ]);
  expect(list.shops).toEqual(['B', 'C']);
});

test('cooked from stock: what is to be used first goes first, in its own unit, and what lacked is told', () => {
  const kitchen = kitchenOf({ foods: [food('eggs'), food('oats'), food('milk')] });
  const stock: StockItem[] = [
    { food: 'oats', amount: 1, unit: 'kg' },
    { food: 'eggs', amount: 10, unit: 'piece', bestBefore: '2031-04-01' },
    { food: 'eggs', amount: 4, unit: 'piece', bestBefore: '2031-03-15' },
    { food: 'milk', amount: 1, unit: 'l' },
  ];
  const taken = stockAfter(
    stock,
    new Map([
      ['eggs', 300],
      ['oats', 1200],
      ['milk', 100],
    ]),
    kitchen,
  );
  // Four of the older eggs, 200 g, then two of the younger.
  expect(taken.changes).toEqual([
    { index: 2, amount: 0 },
    { index: 1, amount: 8 },
    { index: 0, amount: 0 },
  ]);
  // Milk without a density weighs nobody knows what.
  expect([...taken.lacking]).toEqual([
    ['oats', 200],
    ['milk', 100],
  ]);
});

test('dishes by what they take of what is left over: what is worth most first', () => {
  const kitchen = kitchenOf({
    foods: [food('oats'), food('nuts'), food('milk')],
    recipes: [
      recipeOf([{ food: 'oats', amount: 300, unit: 'g' }], { id: 'porridge' }),
      recipeOf(
        [
          { food: 'nuts', amount: 50, unit: 'g' },
          { food: 'oats', amount: 100, unit: 'g' },
          { food: 'milk', amount: 100, unit: 'g', optional: true },
        ],
        { id: 'bar' },
      ),
      recipeOf([{ food: 'milk', amount: 200, unit: 'g' }], { id: 'cooked' }),
      recipeOf([{ food: 'water', amount: 200, unit: 'g' }], { id: 'unknown' }),
    ],
    packs: [pack('oats', 1000, 2, 'A'), pack('nuts', 100, 3, 'A')],
  });
  const left = new Map([
    ['oats', 200],
    ['nuts', 80],
    ['milk', 100],
  ]);
  const found = usesUp(left, kitchen.content.recipes, kitchen, new Set(['cooked']));
  // What spoils goes before what is worth more.
  const [soonest, ...others] = found;
  const last = others.at(-1)!;
  const days = new Map(last.foods.map(({ food: id }) => [id, '2031-03-14']));
  const spoiling = usesUp(left, kitchen.content.recipes, kitchen, new Set(['cooked']), days);
  expect(spoiling.map(({ perishable }) => perishable > 0)).toContain(true);
  expect(spoiling[0]!.perishable).toBeGreaterThanOrEqual(spoiling.at(-1)!.perishable);
  expect(spoiling.find(({ recipe }) => recipe === last.recipe)).toMatchObject({ before: '2031-03-14', worth: last.worth });
  expect(soonest).not.toHaveProperty('before');
  expect(found.map(({ recipe, worth, foods }) => [recipe, Number(worth.toFixed(9)), foods.map(({ takes, all }) => [takes, all])])).toEqual([
    [
      'bar',
      1.7,
      [
        [50, false],
        [100, false],
      ],
    ],
    ['porridge', 0.4, [[200, true]]],
  ]);
});

test('a hundred and twenty foods in five packs each at four shops are bought at once', () => {
  const shops = ['A', 'B', 'C', 'D'];
  const foods = Array.from({ length: 120 }, (_, i) => food(`food-${i}`));
  const packs = foods.flatMap(({ id }, i) =>
    Array.from({ length: 5 }, (_, p) =>
      pack(id, 100 * (p + 1) + 7 * (i % 5), (p + 1) * 0.9 + ((i * 13 + p * 7) % 11) / 10, shops[(i + p) % 4]!),
    ),
  );
  const recipes = [recipeOf(foods.map(({ id }, i) => ({ food: id, amount: 150 + 31 * (i % 17), unit: 'g' })))];
  const kitchen = new Kitchen({ ...kitchenOf({ foods, packs, recipes }).content });
  const list = shoppingList([session('a', '2031-03-12')], [], kitchen, { trip: '2' });
  expect(list.rows.every(({ mix, buy }) => mix !== undefined && mix.grams > buy! - 0.001)).toBe(true);
  // No set of fewer shops is cheaper: each set by itself.
  const sets = shops.map((_, i) => shops.filter((__, j) => j !== i));
  for (const set of sets) {
    const fewer = cheapestShops(
      list.wanted.map((one) => ({ ...one, candidates: one.candidates.filter(({ pack: { shop } }) => set.includes(shop)) })),
      new Big(2),
    );
    expect(fewer.missing.length > 0 || fewer.total.gte(list.total)).toBe(true);
  }
});

test('a food of the aisle stands in where its name or its figures say so, and it has a price; the nearest first', () => {
  const grain = (id: string, name: string, energyKcal: number, over: Partial<Food> = {}): Food => ({
    ...{ id, name, aisle: 'grains', state: 'dry', nutrients: { energyKcal, protein: 10, fat: 2, carbohydrate: 60 } },
    ...over,
  });
  const foods = [
    grain('oats', 'Oats, rolled', 370),
    grain('fine', 'Oats, fine', 400),
    grain('bran', 'Oats, bran', 380),
    grain('barley', 'Barley flakes', 372),
    grain('far', 'Puffed wheat', 460),
    grain('cooked', 'Oats, cooked', 370, { state: 'cooked' }),
    grain('elsewhere', 'Oats, jumbo', 370, { aisle: 'other' }),
    grain('unpriced', 'Oats, black', 370),
    grain('listed', 'Oats, white', 370),
  ];
  const priced = foods.filter(({ id }) => id !== 'unpriced');
  const kitchen = kitchenOf({ foods, packs: priced.map(({ id }) => pack(id, 500, 1, 'A')) });
  const oats = kitchen.food('oats')!;
  const found = standInsFor(oats, kitchen, new Set(['listed']));
  expect(found.map(({ food: id, shared }) => [id, shared])).toEqual([
    ['bran', 1],
    ['fine', 1],
    ['barley', 0],
  ]);
  expect(found[0]!.energy!.map(Math.round)).toEqual([380, 370]);
  expect(standInsFor(grain('water', 'Water', 0), kitchenOf({ foods: [...foods, grain('water', 'Water', 0)] }), new Set())).toEqual([]);
});

test('enough packs are of the shop one stands in, or else of the cheapest', () => {
  const kitchen = kitchenOf({ foods: [food('oats')], packs: [pack('oats', 500, 2, 'A'), pack('oats', 300, 0.5, 'B')] });
  const oats = kitchen.food('oats')!;
  const said = (shop: string, grams: number) => {
    const { pack: of, count, price } = enoughPacks(oats, grams, shop, kitchen)!;
    return [of.shop, count, price.toNumber()];
  };
  expect([said('A', 600), said('C', 600), said('C', 601)]).toEqual([
    ['A', 2, 4],
    ['B', 2, 1],
    ['B', 3, 1.5],
  ]);
  expect(enoughPacks({ id: 'none', name: 'None' }, 1, 'A', kitchen)).toBeUndefined();
});
