const NUMBERS: Readonly<Record<string, string>> = {
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  ten: '10',
  twelve: '12',
  twenty: '20',
};
const NUMBER_WORDS = new RegExp(`\\b(${Object.keys(NUMBERS).join('|')})\\b`, 'gi');
const RANGE = String.raw`(\d{1,3})(?: ?(?:-|–|to|bis|à|a|or) ?\d{1,3})?`;
const PEOPLE = String.raw`servings?|portions?|people|persons?|adults?|portionen|personen|personnes|parts|raciones|porciones|personas|porzioni|persone|porties`;
/** What a dish may come in. */
const THINGS = String.raw`boxes|muffins|bars|rolls|jars|bowls|pieces|wraps|pots|sachets|slices|cups|cakes|cookies|balls|patties|burgers|flatbreads|pancakes|loaf|loaves|glasses|tubs|skewers|tacos|burritos|egg cups|buns|squares|bites|fritters`;
const COUNTED = new RegExp(String.raw`\b${RANGE} (?:large |small |medium |generous |mini )?(${PEOPLE}|${THINGS})\b`, 'iu');
const ALL = new RegExp(COUNTED.source, 'giu');
const SERVES = new RegExp(
  String.raw`\b(?:serves|servings?|makes|yields?|feeds|for|portions?|gives|ergibt|für|pour|para|per|raciones|porciones|comensales|porzioni|personen|personnes)\b ?:? ?(?:about|approx\.?|around|ca\.?|up to)? ?${RANGE}(?! ?(?:g|kg|ml|l|litres?|oz|lbs?|min|minutes|hours?|°|%|cm)\b)(?: (\p{L}+))?`,
  'iu',
);
const BARE = new RegExp(String.raw`^${RANGE} ?(\p{L}+)?$`, 'iu');
const NO_NAME = new RegExp(
  String.raw`^(?:${PEOPLE}|serves|as|to|or|and|with|hungry|main|mains|starters?|generously|g|kg|ml|l|litres?|oz|lbs?|tray|batch|prep|cook|total|ready|min|mins|minutes)$`,
  'iu',
);
/** More than a line that says it has. */
const LONGEST = 300;
const WEIGHT = /^\d[\d.,]* ?(?:g|kg|ml|l|litres?|oz|lbs?|pints?|quarts?)\b/i;

export interface RecipeYield {
  readonly servings: number | undefined;
  readonly servingName: string | undefined;
}

/** Servings of "Serves four to six", "12 muffins", "4": of a range the lower; a weight is none. */
export function recipeYield(texts: readonly string[]): RecipeYield {
  const plain = texts.map(inDigits);
  // Of several yields, the one that names servings counts.
  const ranked = [...plain].sort((a, b) => rank(b) - rank(a));
  for (const text of ranked) {
    const counted = COUNTED.exec(text);
    const found = counted ?? SERVES.exec(text) ?? (WEIGHT.test(text) ? null : BARE.exec(text));
    const servings = Number(found?.[1]);
    if (!found || !(servings >= 1)) continue;
    const name =
      plain.flatMap((one) => [...one.matchAll(ALL)].map((other) => other[2] ?? '')).find((word) => word !== '' && !NO_NAME.test(word)) ??
      found[2];
    return { servings, servingName: name === undefined || NO_NAME.test(name) ? undefined : singular(name.toLowerCase()) };
  }
  return { servings: undefined, servingName: undefined };
}

function rank(text: string): number {
  return new RegExp(String.raw`\d (?:${PEOPLE})\b`, 'iu').test(text) ? 2 : COUNTED.test(text) ? 1 : 0;
}

function inDigits(text: string): string {
  return text
    .replace(/\b(?:half a|half|1\/2 a?) dozen\b/gi, '6')
    .replace(/\b(?:a|one|1) dozen\b/gi, '12')
    .replace(/\btwo dozen\b/gi, '24')
    .replace(NUMBER_WORDS, (word) => NUMBERS[word.toLowerCase()] ?? word);
}

/** Whether a line of text says how much the dish makes, and little else. */
export function saysYield(text: string): boolean {
  if (text.length > LONGEST) return false;
  const plain = inDigits(text);
  return (
    plain.length <= 60 &&
    (new RegExp(`^${SERVES.source}`, 'iu').test(plain) || new RegExp(String.raw`^${RANGE} (?:${PEOPLE})\b`, 'iu').test(plain))
  );
}

/** What a sentence of a recipe's introduction says: "it feeds 4 hungry people". */
export function yieldWithin(text: string): string | undefined {
  if (text.length > LONGEST) return undefined;
  return /\b(?:serves|feeds|makes|für|pour|para) (?:about )?\d{1,3}\b(?! ?(?:min|hours?|times|g|ml|kg|l)\b)[^.,;|()]{0,30}/iu.exec(
    inDigits(text),
  )?.[0];
}

function singular(word: string): string {
  if (word === 'loaves') return 'loaf';
  return word === 'boxes' || word === 'glasses' ? word.slice(0, -2) : word.replace(/(?<=[^s])s$/, '');
}
