/** Where a photo is shown from. */
export function photoAddress(id: string): string {
  return `/api/photos/${encodeURIComponent(id)}`;
}
