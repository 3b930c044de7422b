/** What is bought: a net weight or count at a price, seen at a shop on a day. */
export interface Pack {
  readonly id?: string;
  /** Id of the food in it. */
  readonly food: string;
  readonly net: number;
  /** g, kg, ml, l, oz, lb, piece, or a measure of the food. */
  readonly unit: string;
  /** Major units of the currency, exact: a decimal number or string. */
  readonly price: number | string;
  /** ISO 4217. */
  readonly currency: string;
  readonly shop: string;
  /** ISO date. */
  readonly seen: string;
  /** Take this pack, whatever is cheaper. */
  readonly pinned?: boolean;
  /** Seen as an offer: it counts while it is the latest and has not ended, and is marked wherever it does. */
  readonly promotion?: boolean;
  /** Of an offer: what it costs otherwise, as `price`; it counts from the day after the offer's end. */
  readonly usual?: number | string;
  /** Of an offer: its last day, ISO date. Absent: nobody knows. */
  readonly until?: string;
}
