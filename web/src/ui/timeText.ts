/** Kept: to make one takes longer than to draw a docket. */
const CLOCK = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** A time of day, "16:02", where the person is. */
export function clockText(time: string | Date): string {
  return CLOCK.format(new Date(time));
}

/** The day of a time where the person is, as an ISO date. */
export function dayOf(time: string | Date): string {
  return new Date(time).toLocaleDateString('sv-SE');
}
