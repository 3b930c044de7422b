import { priceText } from '../../ui/numberText';
import { UsingUp } from './UsingUp';
import type { ShoppingWork } from './useShopping';

/** What is left over, what it is worth, and which dishes would use it up. */
export function LeftOver({ work: { here, list }, chosen }: { readonly work: ShoppingWork; readonly chosen: readonly string[] }) {
  const { leftWorth } = here.shopping;
  if (leftWorth <= 0) return null;
  return (
    <UsingUp sessions={chosen.join(',')} currency={list.currency} summary={`Left over, worth ${priceText(leftWorth, list.currency)}`} />
  );
}
