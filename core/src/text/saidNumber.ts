/** Numbers that are one word, up to nineteen. */
export const ONES: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
};
const TENS: Readonly<Record<string, number>> = {
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  eighty: 80,
  ninety: 90,
};
const FRACTIONS: Readonly<Record<string, number>> = { '¼': 0.25, '½': 0.5, '¾': 0.75, '⅓': 1 / 3, '⅔': 2 / 3 };

const ONE = Object.keys(ONES).join('|');
const TEN = Object.keys(TENS).join('|');
const BELOW_HUNDRED = `(?:(?:${TEN})(?:[ -](?:one|two|three|four|five|six|seven|eight|nine)\\b)?|${ONE})`;
const WORDS = `(?:(?:(?:one|two|three|four|five|six|seven|eight|nine|a) hundred(?: and)?(?: ${BELOW_HUNDRED})?|half a dozen|a dozen|${BELOW_HUNDRED})\\b(?: and a (?:half|quarter)\\b)?)`;
const DIGITS = String.raw`(?:\d{1,3}(?:,\d{3}){1,3}(?!\d)|\d\/\d(?!\d)|\d{1,6}(?:[.,]\d{1,3})?(?:\s?\d\/\d|\s?[½¼¾⅓⅔])?|[½¼¾⅓⅔])`;

/** A number as people write it: "1 1/2", "1,200", "2,5", "¾", "forty-five", "four hundred and fifty", "a dozen". */
export const SAID_NUMBER = `(?:${DIGITS}|${WORDS})`;

/**
 * What such a number is.
 *
 * @param text as `SAID_NUMBER` finds it
 * @example saidNumber('two and a half') // 2.5
 */
export function saidNumber(text: string): number {
  const plain = text.trim().toLowerCase();
  return /^[\d½¼¾⅓⅔]/.test(plain) ? digits(plain) : words(plain);
}

function digits(text: string): number {
  const [, whole = '', above, below, sign] = /^([\d.,]*?)\s?(?:(\d)\/(\d)|([½¼¾⅓⅔]))?$/.exec(text) ?? [];
  const fraction = above === undefined ? (FRACTIONS[sign ?? ''] ?? 0) : Number(above) / Number(below);
  if (whole === '') return fraction;
  // Three figures behind the comma are thousands; one or two are a decimal comma.
  return Number(/^\d{1,3}(?:,\d{3})+$/.test(whole) ? whole.replaceAll(',', '') : whole.replace(',', '.')) + fraction;
}

function words(text: string): number {
  if (text === 'a dozen') return 12;
  if (text === 'half a dozen') return 6;
  const more = / and a (half|quarter)$/.exec(text);
  const plain = more ? text.slice(0, more.index) : text;
  let sum = 0;
  for (const word of plain.split(/[ -]/)) {
    if (word === 'hundred') sum *= 100;
    else sum += word === 'a' ? 1 : (ONES[word] ?? TENS[word] ?? 0);
  }
  return sum + (more ? (more[1] === 'half' ? 0.5 : 0.25) : 0);
}

/** Units of the last digit that a number is written to: 1 for "44", 0.1 for "2.5"; words count as whole. */
export function lastDigitOf(text: string): number {
  const decimals = /[.,](\d{1,2})$/.exec(text.trim());
  return decimals ? 10 ** -(decimals[1]?.length ?? 0) : 1;
}

/** A small whole number as a word; undefined for one that is written in figures. */
export function numberWord(count: number): string | undefined {
  return Object.entries(ONES).find(([, one]) => one === count && count <= 12)?.[0];
}
