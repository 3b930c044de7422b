/** Something that is there, as purchased (kitchen file, Stock and shopping). */
export interface StockItem {
  readonly food: string;
  readonly amount: number;
  /** As a pack's. */
  readonly unit: string;
  /** ISO day, itself counted; left out: it keeps. */
  readonly bestBefore?: string;
  /** Where it is: "fridge". */
  readonly place?: string;
}
