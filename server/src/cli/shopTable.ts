import type { Food, Settings, ShoppingList, ShoppingRow } from '@portiona/core';

/** A shopping list for a terminal: shop by shop, then what is in stock, and what nothing can be said of. */
export function shopTable(
  list: ShoppingList,
  { foods, settings }: { readonly foods: readonly Food[]; readonly settings: Settings },
): string {
  const names = new Map(foods.map(({ id, name }) => [id, name]));
  const nameOf = ({ food }: ShoppingRow) => names.get(food) ?? food;
  const { rows, unmatched, cost, atLeast, shops, trips, total } = list;
  const money = (amount: { toFixed: (places: number) => string }) => `${amount.toFixed(2)} ${settings.currency}`;
  const byShop = shops.flatMap((shop) => [
    shop,
    ...rows.flatMap((row) =>
      (row.mix?.packs ?? [])
        .filter(({ candidate }) => candidate.pack.shop === shop)
        .map(
          ({ candidate: { pack, price }, count }) => `  ${count} × ${pack.net} ${pack.unit} ${nameOf(row)}, ${money(price.times(count))}`,
        ),
    ),
  ]);
  const there = rows.filter(({ stock = 0 }) => stock > 0);
  const unknown = rows.filter((row) => row.cost === undefined);
  return [
    ...byShop,
    ...(there.length === 0 ? [] : ['From stock', ...there.map((row) => `  ${(row.stock ?? 0).toFixed(0)} g ${nameOf(row)}`)]),
    ...unknown.map(
      (row) =>
        `  ! ${nameOf(row)}: ${row.buy === undefined ? 'a line of it has no weight' : `no price that counts, ${row.buy.toFixed(0)} g`}`,
    ),
    ...unmatched.map(({ recipe, at, text }) => `  ! ${recipe} ${at}: "${text}" has no food; nothing is bought for it`),
    `${atLeast ? 'At least ' : ''}${money(cost)}${trips.gt(0) ? `, with the ways ${money(total)}` : ''}`,
    '',
  ].join('\n');
}
