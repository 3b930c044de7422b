/** What may stand between the cells of a table, most likely first. */
export const DELIMITERS = [',', ';', '\t', '|', '^', '~'] as const;

/** Lines looked at. */
const LOOKED_AT = 60;

/**
 * What separates the cells of a table: what stands in most lines most evenly, outside quotes.
 *
 * @param text the beginning of the table
 * @param quote what cells are quoted by
 * @example delimiterOf('a;b;c\n"1,5";"x;y";3') // ';'
 */
export function delimiterOf(text: string, quote = '"'): string {
  const quoted = new RegExp(`${quote}(?:[^${quote}]|${quote}${quote})*${quote}`, 'g');
  const lines = text
    .replace(quoted, 'x')
    .split(/\r\n|\n|\r/)
    .filter((line) => line.trim() !== '')
    .slice(0, LOOKED_AT);
  const scored = DELIMITERS.filter((one) => one !== quote).map((delimiter) => {
    const counts = lines.map((line) => line.split(delimiter).length - 1).sort((a, b) => a - b);
    const middle = counts[Math.floor(counts.length / 2)] ?? 0;
    const even = counts.filter((count) => count === middle).length / Math.max(1, counts.length);
    return { delimiter, score: middle === 0 ? 0 : even * (1 + Math.log(middle)) };
  });
  return scored.reduce((best, one) => (one.score > best.score + 1e-9 ? one : best)).delimiter;
}

/** What cells are quoted by: a tilde where lines begin and cells are set off with it, else the double quote. */
export function quoteOf(text: string): string {
  return /^~[^~\n]*~\^/.test(text) ? '~' : '"';
}
