/** A product of a shop. */
export interface ShopProduct {
  readonly id: string;
  readonly shop: string;
  readonly name: string;
  readonly net: number;
  readonly unit: string;
}

/** What a product costs on a day. */
export interface ShopOffer {
  readonly product: string;
  /** Major units, exact. */
  readonly price: string;
  /** ISO 4217. */
  readonly currency: string;
  readonly promotion: boolean;
  /** Of an offer: what it costs otherwise, and its last day, where the shop says so. */
  readonly usual?: string;
  readonly until?: string;
}

/** A shop did not answer, or said it could not: worth another try. */
export class ShopTroubleError extends Error {
  constructor(shop: string, what: string) {
    super(`${shop} ${what}`);
    this.name = 'ShopTroubleError';
  }
}

/**
 * Where prices come from outside. Answers may be slow, fail, or never come: whoever asks sets a limit and tries again.
 * All times and failures are told as `ShopTroubleError`.
 */
export interface PriceSource {
  /** Shops that can be asked. */
  shops(): Promise<readonly string[]>;
  /** Products of a shop for words, best first. */
  find(shop: string, words: string, signal: AbortSignal): Promise<readonly ShopProduct[]>;
  /** What a product costs on a day; undefined when it is not sold. */
  offer(product: string, day: string, signal: AbortSignal): Promise<ShopOffer | undefined>;
}

/** What the container knows the source by. */
export const PRICE_SOURCE = Symbol('price source');
