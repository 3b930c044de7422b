import { RIGHTS, type Right } from './rights.js';

/** In what a piece of work is done: which kitchen, who asks for it, and what they may do there. Handed down to whatever reads or writes; jobs carry theirs. */
export interface Scope {
  readonly kitchenId: string;
  /** The account that asks, or "house" for what nobody asked for, or "reader". */
  readonly person: string;
  readonly rights: readonly Right[];
}

/** The scope of work that nobody asked for: a list computed anew, a job gone on with. */
export function houseScope(kitchenId: string): Scope {
  return { kitchenId, person: 'house', rights: RIGHTS };
}

/** The scope of whoever reads what is published. */
export function readerScope(kitchenId: string): Scope {
  return { kitchenId, person: 'reader', rights: ['read', 'costs'] };
}

/** Whether something may be done in a scope. */
export function may({ rights }: Scope, right: Right): boolean {
  return rights.includes(right);
}
