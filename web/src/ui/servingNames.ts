import { numberText } from './numberText';

/** What one serving and several are called. */
export interface ServingNames {
  readonly one: string;
  readonly many: string;
}

/** Names of a recipe's servings. */
export function servingNames({ servingName = 'serving' }: { readonly servingName?: string }): ServingNames {
  return { one: servingName, many: /(?:s|x|z|ch|sh)$/.test(servingName) ? `${servingName}es` : `${servingName}s` };
}

/** "9 boxes", "1 box", "9.25 boxes". */
export function countText(servings: number, { one, many }: ServingNames): string {
  return `${numberText(servings, Number.isInteger(servings) ? 0 : 2)} ${servings === 1 ? one : many}`;
}
