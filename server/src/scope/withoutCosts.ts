/** Keys under which figures of money stand. */
const MONEY = /cost|price|paid|^till$|^leftWorth$/i;
/** Keys under which somebody has written what a dish may cost, or what readers are shown: no costs of the kitchen. */
const WRITTEN = new Set(['brief', 'briefs', 'printed', 'content', 'maxPriceAge', 'card']);
/** Sentences in which a figure of money may stand. */
const SENTENCES = new Set(['message', 'because', 'words', 'detail']);
const MONEY_SAID = /(?:[€£$]|\b[A-Z]{3}\b)\s?\d[\d.,]*/g;

/** An answer without figures of money: numbers are null, lists of what was paid are empty, sentences say "some money". */
export function withoutCosts(found: unknown, key = ''): unknown {
  if (typeof found === 'string') return SENTENCES.has(key) ? found.replaceAll(MONEY_SAID, 'some money') : found;
  if (Array.isArray(found)) return found.map((one) => withoutCosts(one, key));
  if (typeof found !== 'object' || found === null || found instanceof Date) return found;
  return Object.fromEntries(
    Object.entries(found).map(([name, value]) => [
      name,
      WRITTEN.has(name) ? value : MONEY.test(name) ? unpriced(value) : withoutCosts(value, name),
    ]),
  );
}

function unpriced(found: unknown): unknown {
  if (Array.isArray(found)) return [];
  if (typeof found === 'number' || (typeof found === 'string' && /^\d+(?:\.\d+)?$/.test(found))) return null;
  if (typeof found !== 'object' || found === null) return found;
  return Object.fromEntries(Object.entries(found).map(([name, value]) => [name, unpriced(value)]));
}
