import { setTimeout as wait } from 'node:timers/promises';
import { FoodIndex, SURE_ENOUGH } from '@portiona/core';
import { ShopTroubleError, type PriceSource, type ShopOffer } from '../shops/priceSource.js';

/** How long one answer may take, how often a question is asked, and how long to wait before the second time, doubled each time after. */
export interface Patience {
  readonly limit: number;
  readonly tries: number;
  readonly pause: number;
}

/** The pack a shop is asked for. */
export interface AskedPack {
  readonly shop: string;
  readonly name: string;
  readonly net: number;
  readonly unit: string;
}

/**
 * What a shop asks for a pack on a day: its product of that name and size is found, then its price asked. A question that fails
 * is asked again, with longer and longer pauses.
 *
 * @returns undefined when the shop does not sell it
 * @throws ShopTroubleError when it fails to the last
 */
export async function askShop(
  source: PriceSource,
  { shop, name, net, unit }: AskedPack,
  day: string,
  patience: Patience,
): Promise<ShopOffer | undefined> {
  const products = await patiently((signal) => source.find(shop, name, signal), shop, patience);
  const sameSize = products.filter((product) => product.net === net && product.unit === unit);
  const [best] = new FoodIndex(sameSize.map((product) => ({ id: product.id, name: product.name }))).find(name, 1);
  if (!best || best.score < SURE_ENOUGH) return undefined;
  return patiently((signal) => source.offer(best.food.id, day, signal), shop, patience);
}

async function patiently<Answer>(
  ask: (signal: AbortSignal) => Promise<Answer>,
  shop: string,
  { limit, tries, pause }: Patience,
): Promise<Answer> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await ask(AbortSignal.timeout(limit));
    } catch (error) {
      if (attempt >= tries) throw error instanceof ShopTroubleError ? error : new ShopTroubleError(shop, 'could not be asked');
      await wait(pause * 2 ** (attempt - 1));
    }
  }
}
