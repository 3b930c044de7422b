import type { SessionPlan } from '../plan/index.js';
import type { ShoppingList } from '../shop/index.js';

/** What `plan` prints of a session. */
export interface PlanReport extends SessionPlan {
  readonly session: string;
}

/** What `plan` prints, as JSON (kitchen file, Session and its plan). */
export function planReport(session: string, plan: SessionPlan): PlanReport {
  const { minutes, bound, proven, late, steps } = plan;
  return { session, minutes, bound, proven, late, steps };
}

/** What `shop` prints, as JSON (kitchen file, Stock and shopping). */
export interface ShopReport {
  readonly list: readonly {
    readonly food: string;
    readonly need: number | null;
    readonly stock: number | null;
    readonly buy: number | null;
    readonly packs: readonly {
      readonly net: number;
      readonly unit: string;
      readonly shop: string;
      readonly price: number;
      readonly count: number;
    }[];
    readonly cost: number | null;
    readonly left: number;
  }[];
  readonly cost: number;
  readonly atLeast: boolean;
  readonly shops: readonly string[];
  readonly trips: number;
  readonly total: number;
}

export function shopReport({ rows, cost, atLeast, shops, trips, total }: ShoppingList): ShopReport {
  return {
    list: rows.map(({ food, need, stock, buy, mix, cost: price, left }) => ({
      food,
      need: need ?? null,
      stock: stock ?? null,
      buy: buy ?? null,
      packs: (mix?.packs ?? []).map(({ candidate, count }) => ({
        net: candidate.pack.net,
        unit: candidate.pack.unit,
        shop: candidate.pack.shop,
        price: Number(candidate.pack.price),
        count,
      })),
      cost: price?.toNumber() ?? null,
      left,
    })),
    cost: cost.toNumber(),
    atLeast,
    shops,
    trips: trips.toNumber(),
    total: total.toNumber(),
  };
}
