import type { Food } from '../food/index.js';
import type { ShoppingList } from '../shop/index.js';
import type { Sheet } from './csvSheets.js';

/** A shopping list as a sheet: a row for each kind of pack, then what nothing can be bought for. */
export function shoppingSheet({ rows, unmatched }: ShoppingList, foods: ReadonlyMap<string, Food>, currency: string): Sheet {
  const nameOf = (food: string) => foods.get(food)?.name ?? food;
  return {
    headings: [
      'Shop',
      'Aisle',
      'Food',
      'Packs',
      'Net',
      'Unit',
      `Price of one (${currency})`,
      `Price (${currency})`,
      'Needed (g)',
      'From stock (g)',
      'Left over (g)',
      'To look at',
    ],
    rows: [
      ...rows.flatMap((row) =>
        (row.mix?.packs ?? []).map(({ candidate: { pack, price }, count }, i) => [
          ...[
            pack.shop,
            foods.get(row.food)?.aisle ?? '',
            nameOf(row.food),
            count,
            pack.net,
            pack.unit,
            price.toFixed(),
            price.times(count).toFixed(),
          ],
          // Said once, with the first of its packs.
          ...(i === 0 ? [row.need ?? '', row.stock ?? '', row.left] : ['', '', '']),
          '',
        ]),
      ),
      ...rows
        .filter((row) => row.cost === undefined)
        .map((row) => [
          ...['', foods.get(row.food)?.aisle ?? '', nameOf(row.food), '', '', '', '', ''],
          ...[row.need ?? '', row.stock ?? '', ''],
          row.buy === undefined ? 'a line of it has no weight' : 'no price that counts',
        ]),
      ...unmatched.map(({ text }) => ['', '', text, '', '', '', '', '', '', '', '', 'no food: nothing is bought for it']),
    ],
  };
}

/** A shopping list as text, shop by shop, a line for each kind of pack. */
export function shoppingText(
  { rows, unmatched, shops, cost, atLeast, trips, total }: ShoppingList,
  foods: ReadonlyMap<string, Food>,
  currency: string,
): string {
  const nameOf = (food: string) => foods.get(food)?.name ?? food;
  const money = (amount: { toFixed: (places: number) => string }) => `${amount.toFixed(2)} ${currency}`;
  const there = rows.filter(({ stock = 0 }) => stock > 0);
  return [
    ...shops.flatMap((shop) => [
      shop,
      ...rows.flatMap((row) =>
        (row.mix?.packs ?? [])
          .filter(({ candidate }) => candidate.pack.shop === shop)
          .map(
            ({ candidate: { pack, price }, count }) =>
              `  ${count} × ${pack.net} ${pack.unit} ${nameOf(row.food)}, ${money(price.times(count))}`,
          ),
      ),
    ]),
    ...(there.length === 0 ? [] : ['From stock', ...there.map((row) => `  ${(row.stock ?? 0).toFixed(0)} g ${nameOf(row.food)}`)]),
    ...rows
      .filter((row) => row.cost === undefined)
      .map(
        (row) =>
          `  ! ${nameOf(row.food)}: ${row.buy === undefined ? 'a line of it has no weight' : `no price that counts, ${row.buy.toFixed(0)} g`}`,
      ),
    ...unmatched.map(({ recipe, at, text }) => `  ! ${recipe} ${at}: "${text}" has no food; nothing is bought for it`),
    `${atLeast ? 'At least ' : ''}${money(cost)}${trips.gt(0) ? `, with the ways ${money(total)}` : ''}`,
    '',
  ].join('\n');
}
