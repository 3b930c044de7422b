import { unitOfWord } from './unitAliases.js';

/** Marks in front of a line of a list: bullets, boxes to tick, and the number of a numbered list. */
const MARK = /^(?:[-–—•*·▪▢☐□◻◽◦●○✓✔☑]|\[[ x]?\])\s+|^\d{1,3}[.)] (?=\S)/iu;
const NUMBERS = 'one two three four five six seven eight nine ten eleven twelve'.split(' ');
const WORD_RANGE = new RegExp(`^(\\d{1,3}|${NUMBERS.join('|')})( to | or | ?[-–] ?)(\\d{1,3}|${NUMBERS.join('|')})(?= [a-z])`, 'i');
/** "200 g - 300 g": a range that says its unit twice. */
const TWICE = /^(\d{1,6}(?:[.,]\d{1,3})?) ?([a-z]{1,11})\.? ?(-|–|—|to|or) ?(\d{1,6}(?:[.,]\d{1,3})?) ?\2\b/i;
const DOZEN = /^(\d{1,2}) dozen\b|^dozen\b/i;
/** "15-ounce", "14-oz": the size of a can or a piece, its number and its unit parted. */
const HYPHENED = /(\d)-(?=(?:ounces?|oz|pounds?|lbs?|grams?|g|kg|ml|millilit(?:re|er)s?|lit(?:re|er)s?|l)\b)/gi;
/** "1 200 ml": a space between thousands, where a weight or volume follows at once and nothing says that it is so many of them. */
const THOUSANDS =
  /^(\d{1,3})[ \u00a0\u2009\u202f](\d{3})(?= ?(?:g|ml|grams?|millilit(?:re|er)s?)\b(?! ?(?:cans?|tins?|jars?|packs?|packets?|pouch|bags?|bottles?|cartons?|tubs?|pots?|blocks?)\b))/i;
/** "4 (6 oz) fillets": so many of that weight each, unless a can or the like follows, which is read as one. */
const EACH_IN_BRACKETS =
  /^(\d+) ?\((?:about |approx\.? )?(\d+(?:[.,]\d+)? ?(?:ounces?|oz|pounds?|lbs?|g|grams?|kg)) ?(?:each)?\) ?(?=(\S+))/i;
/** Measures that are said without a number: a pinch of, small bunch of, tin of. */
const UNNUMBERED =
  'handful bunch pinch dash splash drizzle squeeze knob sprig glug grating tin can jar tub pack packet bag punnet pot carton bottle sheet stick sachet teaspoon tablespoon tsp tbsp cup dessertspoon'.split(
    ' ',
  );
const SIZED =
  /^(?:(?:an?|one|your|some)\s+)?(?:(?:generous|good|big|very|small|large|medium|heaped|heaping|rounded|scant|level|tiny|decent)\s+)+(?=\S)/i;

/**
 * A line in ordinary dress: without bullet or box, "between 4 and 6" as "4-6", "1 15-ounce can" as "1 (15 ounce) can", "small bunch
 * dill" as "1 small bunch dill".
 *
 * @param line its spaces single, trimmed
 */
export function ordinaryText(line: string): string {
  const text = line
    .replace(MARK, '')
    .replace(/^\[[ x]?\] /iu, '')
    .replace(/^(?:an?|one) (?=\d{1,2}(?:[.,]\d)? ?-?(?:cm|mm|in|inch)\b)/i, '')
    .replace(TWICE, '$1 $3 $4 $2')
    .replace(DOZEN, (_, many: string | undefined) => String(12 * Number(many ?? 1)))
    .replace(/^between (\S+) and (?=[\d½¼¾⅓⅔])/i, '$1-')
    .replace(WORD_RANGE, (_, low: string, between: string, high: string) => `${numberOf(low)}${between}${numberOf(high)}`)
    .replace(HYPHENED, '$1 ')
    .replace(THOUSANDS, '$1$2')
    .replace(EACH_IN_BRACKETS, (all: string, count: string, weight: string, next: string) =>
      CANS.test(next) ? all : `${count} x ${weight} `,
    )
    .replace(
      /^(\d+|one|two|three|four|five|six) (?=\d)(\d+(?:[.,]\d+)? ?(?:ounces?|oz|g|grams?|ml|kg|lbs?)) (?=(\S+))/i,
      (all: string, count: string, size: string, next: string) => (CANS.test(next) ? `${count} x ${size} ` : all),
    );
  return numbered(text);
}

const CANS =
  /^(?:cans?|tins?|jars?|packs?|packets?|packages?|bags?|bottles?|cartons?|tubs?|pots?|pouch(?:es)?|blocks?|containers?|envelopes?|boxe?s?)$/i;

function numberOf(word: string): number {
  return NUMBERS.indexOf(word.toLowerCase()) + 1 || Number(word);
}

/** A measure without a number is one of it: "handful of parsley", "large handful basil". */
function numbered(text: string): string {
  const sized = SIZED.exec(text);
  const [word = '', next = ''] = (sized ? text.slice(sized[0].length) : text).split(' ', 2);
  if (next === '' || /^\d/.test(text)) return text;
  const unit = unitOfWord(word.toLowerCase());
  const named = UNNUMBERED.includes(word.toLowerCase()) || (sized !== null && unit !== undefined && next.toLowerCase() === 'of');
  if (!named || unit === undefined) return text;
  const article = /^(?:an?|one)\s/i.test(text);
  return article ? text : `1 ${text.replace(/^(?:your|some)\s+/i, '')}`;
}
