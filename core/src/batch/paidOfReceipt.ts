import Big from 'big.js';
import type { ReceiptLine } from '../receipt/index.js';
import type { PaidPack } from './batch.js';

/**
 * What a receipt's line says was paid for a batch: all of its packs as one, and what they cost together, exact to the cent.
 *
 * @param line its size known
 * @returns undefined for a line in another currency: a batch's prices are the kitchen's
 */
export function paidOfReceipt(
  { net, unit, count, total, shop, currency }: ReceiptLine & { readonly net: number; readonly unit: string },
  food: string,
  kitchen: { readonly currency: string },
): PaidPack | undefined {
  if (currency !== kitchen.currency) return undefined;
  return { food, net: new Big(net).times(count).toNumber(), unit, price: total, shop };
}

/** Whether two say that the same was paid. */
export function isSamePaid(one: PaidPack, other: PaidPack): boolean {
  return (
    one.food === other.food &&
    one.net === other.net &&
    one.unit === other.unit &&
    one.shop === other.shop &&
    new Big(one.price).eq(other.price)
  );
}
