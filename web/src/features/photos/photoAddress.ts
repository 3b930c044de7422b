import { kitchenAddress } from '../../api/kitchenAtHand';
/** Where a photo is shown from. */
export function photoAddress(id: string): string {
  return kitchenAddress(`/photos/${encodeURIComponent(id)}`);
}
