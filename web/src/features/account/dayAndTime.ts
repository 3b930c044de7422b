/** A moment as one says it: "30 Nov 2026, 17:34". */
export function dayAndTime(iso: string): string {
  return new Date(iso).toLocaleString('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' });
}
