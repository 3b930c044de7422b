const MONTHS = 'jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec'.split('|');
const WORDED = /\b(\d{1,2})(?:st|nd|rd|th)?\.? (jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?,? (\d{4})\b/i;

/**
 * A day as shops write it, ISO: "2026-11-24", "24.11.2026", "24/11/26". Of two ways to read one, the day comes first unless told so.
 *
 * @example dateText('24.11.26') // '2026-11-24'
 */
export function dateText(text: string, monthFirst = false): string | undefined {
  const iso = /^\s*(\d{4})-(\d{1,2})-(\d{1,2})/.exec(text);
  const local = /^\s*(\d{1,2})[./-](\d{1,2})[./-](\d{4}|\d{2})\b/.exec(text);
  const [year, second, third] = iso ? [iso[1], iso[2], iso[3]] : local ? [local[3], local[2], local[1]] : [];
  if (year === undefined || second === undefined || third === undefined) return wordedDate(text);
  const turned = !iso && ((monthFirst && Number(third) <= 12) || (Number(second) > 12 && Number(third) <= 12));
  const [month, day] = turned ? [third, second] : [second, third];
  return dayOf(year, month, day);
}

/** "20 Nov 2026", "23 November 2026" within a text. */
export function wordedDate(text: string): string | undefined {
  const found = WORDED.exec(text);
  if (!found) return undefined;
  return dayOf(found[3] ?? '', String(MONTHS.indexOf((found[2] ?? '').toLowerCase()) + 1), found[1] ?? '');
}

function dayOf(year: string, month: string, day: string): string | undefined {
  const full = year.length === 2 ? `20${year}` : year;
  const found = `${full}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  const at = new Date(`${found}T00:00:00Z`);
  return Number.isNaN(at.getTime()) || at.toISOString().slice(0, 10) !== found ? undefined : found;
}

/** Whether days of a column can only be meant with the month first: one has a second number above 12, none a first. */
export function isMonthFirst(days: readonly string[]): boolean {
  const local = days.flatMap((text) => {
    const found = /^\s*(\d{1,2})[./-](\d{1,2})[./-]\d{2,4}\b/.exec(text);
    return found ? [[Number(found[1]), Number(found[2])] as const] : [];
  });
  return local.some(([, second]) => second > 12) && !local.some(([first]) => first > 12);
}
