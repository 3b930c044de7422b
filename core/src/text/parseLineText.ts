import type { CookingMethod } from '../food/index.js';
import { gramsOfMassUnit, type Amount } from '../quantity/index.js';
import { amountFirst } from './amountFirst.js';
import { amountsOf, bracketedAmount, equivalents, type Bracketed } from './bracketedAmount.js';
import { cookingWord } from './cookingWord.js';
import { isMassOrVolume, leadingMeasure, OF_EACH, SIZE, sizeOf, type Filling, type Size } from './leadingMeasure.js';
import { leadingAmount } from './leadingNumber.js';
import { ordinaryText } from './ordinaryText.js';
import { unitOfWord } from './unitAliases.js';

/** An ingredient line taken apart; nothing in it is matched to a food yet. */
export interface ParsedLine {
  readonly amount?: Amount;
  /** The kitchen file's word; absent for a bare count ("3 leeks"). */
  readonly unit?: string;
  readonly size?: Size;
  /** The same amount a second way: "(14 oz)", or the count where grams are written as well. */
  readonly also?: { readonly amount: number; readonly unit: string };
  /** The amount said once more, or twice: "10 oz", "2 cups". No note, which would stay when the amount is another. */
  readonly again?: readonly string[];
  /** What is added to the amount in another unit: "2 tbsp plus 1 tsp". How much that is in all depends on the food and the measures. */
  readonly plus?: readonly { readonly amount: number; readonly unit: string }[];
  /** Centimetres that each piece is long: "a 5 cm piece of ginger". */
  readonly length?: number;
  /** How full the spoon or cup is, where it is not level. */
  readonly fullness?: Filling;
  /** The amount is of each serving: "2 eggs per box". */
  readonly perServing?: boolean;
  /** "each": the amount is of several things, each. */
  readonly ofEach?: boolean;
  /** What weighed food comes in: "400 g can tomatoes" is 400 g, in a can. */
  readonly container?: string;
  /** The amount stands behind the words: "onions 250". */
  readonly behind?: true;
  /** What the food is called as well, in brackets behind its words: "tomato puree (passata)". */
  readonly called?: string;
  /** Words for the food: "red lentils". */
  readonly foodWords: string;
  /** Count word at the end of the food's words ("garlic cloves"), a unit if the food has that measure. */
  readonly countWord?: string;
  /** Prep note: "finely diced". */
  readonly note?: string;
  readonly toTaste: boolean;
  readonly optional: boolean;
  readonly cooked: boolean;
  /** How it is cooked: "roasted" before the food says that it is weighed so, behind the comma that it will be. */
  readonly cooking?: { readonly method: CookingMethod; readonly word: string; readonly before: boolean };
}

/** As much as one likes. */
const TO_TASTE = /\b(?:to (?:your )?(?:taste|liking)|as needed|q\.s\.)/i;
/** Behind an amount it is a note of what may be added. */
const MORE_TO_TASTE = /,? ?\(?\bplus (?:more|extra) (?:to taste|as needed)\)?/gi;
/** "2 eggs per box", "100 g rice (per serving)". */
const PER_SERVING = /,? ?\(?\b(?:per|for each|in each) (?:box|serving|portion|person|bowl|lunch|meal)\)?(?=,|$)/i;
/** Said in front, in brackets, behind a comma or a dash. */
const OPTIONAL = /^optional:? |(?:[(,:]|\s[-–—]) ?optional\)?|\(optional\)/i;
/** Characters of an ingredient line, at most: more are no line. */
export const LONGEST_LINE = 500;

/**
 * Takes an ingredient line apart: amount, unit, food words, note.
 *
 * Fractions, mixed numbers, decimals with comma or point, ranges, "2 x 400 g cans", "1 can (400 g)", "2 lb 4 oz",
 * "salt, to taste", units long and short; the note begins at the first comma.
 *
 * @example parseLineText('1 ½ cups leeks, sliced') // { amount: 1.5, unit: 'cup', foodWords: 'leeks', note: 'sliced', … }
 */
export function parseLineText(text: string): ParsedLine {
  // What is longer than any ingredient is none: it is words, and nothing is read out of it.
  if (text.length > LONGEST_LINE && text.trim().length > LONGEST_LINE)
    return { foodWords: text, toTaste: false, optional: false, cooked: false };
  // From here on a space is one space: every expression below rests on it.
  const bare = ordinaryText(text.replace(/\s+/g, ' ').trim());
  const perServing = PER_SERVING.test(bare);
  const toTaste = TO_TASTE.test(bare);
  const optional = OPTIONAL.test(bare);
  const cooked = /\b(?:cooked weight|weighed cooked)\b/i.test(bare);
  const cleaned = bare
    .replace(MORE_TO_TASTE, ', plus more to taste')
    .replace(/(?<!more ?),? ?(?:or )?\(?\b(?:to (?:your )?(?:taste|liking)|as needed|q\.s\.)\)?/gi, '')
    .replace(OPTIONAL, ' ')
    .replace(PER_SERVING, '')
    .replace(/\(?\b(?:cooked weight|weighed cooked)\b\)?/gi, '')
    .trim();
  const ordered = amountFirst(cleaned);
  const measured = leadingMeasure(ordered);
  const named = nameAndNote(measured?.rest ?? ordered);
  const again = [...(measured?.again ?? []), ...named.again];
  return {
    ...(measured ? amountsOf(measured, named.bracketed) : {}),
    ...(measured?.container === undefined ? {} : { container: measured.container }),
    ...(again.length > 0 ? { again } : {}),
    ...(measured?.plus ? { plus: measured.plus } : {}),
    ...(measured?.length === undefined ? {} : { length: measured.length }),
    ...(measured?.fullness ? { fullness: measured.fullness } : {}),
    ...(perServing && measured ? { perServing } : {}),
    ...(measured && !leadingAmount(cleaned) ? { behind: true as const } : {}),
    ...(named.called === undefined ? {} : { called: named.called }),
    ...(OF_EACH.test(ordered) ? { ofEach: true } : {}),
    ...named.words,
    ...(measured && measured.unit === undefined ? named.counted : {}),
    toTaste,
    optional,
    cooked,
    ...cookingOf(named.words),
  };
}

function cookingOf({ foodWords, note = '' }: { readonly foodWords: string; readonly note?: string }): Pick<ParsedLine, 'cooking'> {
  const before = cookingWord(foodWords);
  const after = before ? undefined : cookingWord(note);
  if (before) return { cooking: { ...before, before: true } };
  return after ? { cooking: { ...after, before: false } } : {};
}

/** What a food is for, said without a comma. */
const FOR_WHAT = / ((?:plus (?:extra|more) )?(?:for (?:\w+ing|the \w+|garnish)|to (?:serve|garnish|finish)))$/i;

/** What becomes of it before it goes in: "cornflour mixed with 2 tbsp water". */
const MIXED = / ((?:mixed|dissolved|whisked|blended|combined|diluted|made up) (?:with|in|into|to) .+)$/i;

/** Adjectives that stand before a comma and belong to the food behind it: "boneless, skinless chicken thighs". */
const LEADING =
  /^(?:(?:(?:very|finely|roughly|coarsely|thinly|lightly|freshly|extra|low|reduced|full|free|good|high)[ -])?(?:[a-z]+(?:(?<!se)ed|less|-free|-fat)|free-range|bone-in|skin-on|fresh|ripe|lean|raw|large|small|medium|thick|thin|firm|soft|hot|cold|dry|plain|organic|young|tender|sweet|mild|white|red|green|brown|yellow|black|dark|light)(?: |$))+$/i;

/** Where the food's words end: the first comma, bracket or dash behind something that is more than adjectives. */
function firstComma(text: string): number {
  for (let from = 0; ;) {
    const at = text.slice(from).search(/[,;]|\s[-–—]\s/);
    if (at < 0) return -1;
    const before = text
      .slice(0, from + at)
      .replace(/,/g, '')
      .replace(/\s+/g, ' ')
      .trim();
    const more = /^, ?\S+(?: \S+)*/.exec(text.slice(from + at));
    if (text[from + at] !== ',' || !more || !LEADING.test(before) || LEADING.test(more[0].replace(/[, ]+/g, ' ').trim())) return from + at;
    from += at + 1;
  }
}

function nameAndNote(text: string) {
  let bracketed: Bracketed | undefined;
  const again: string[] = [];
  const asides: string[] = [];
  const before: string[] = [];
  const comma = text.search(/[,;]|\s[-–—]\s/);
  const plain = text.replace(/\(([^()]*)\)/g, (_, inside: string, at: number) => {
    const said = comma < 0 || at < comma ? before : asides;
    const several = equivalents(inside);
    if (several && !bracketed) {
      bracketed = several.counted;
      again.push(...several.others);
      return ' ';
    }
    const measured = bracketedAmount(inside);
    if (measured && !bracketed) {
      bracketed = measured;
      if (measured.aside !== undefined) said.push(measured.aside);
    } else if (measured) return ' ';
    else said.push(inside.trim());
    return ' ';
  });
  const end = firstComma(plain);
  const whole = (end < 0 ? plain : plain.slice(0, end))
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^of\s+/i, '');
  const forWhat = MIXED.exec(whole) ?? (end < 0 ? FOR_WHAT.exec(whole) : null);
  const named = forWhat ? whole.slice(0, forWhat.index) : whole;
  const said = [
    forWhat?.[1] ?? '',
    end < 0
      ? ''
      : plain
          .slice(end)
          .replace(/^[\s,;–—-]+/, '')
          .replace(/\s+/g, ' ')
          .trim(),
  ]
    .filter(Boolean)
    .join(', ');
  // "1 swede, about 500 g, peeled": the first word behind the comma may be how much it is.
  const [first = '', ...others] = said.split(/,\s*/);
  const weighed = bracketed === undefined ? bracketedAmount(first) : undefined;
  if (weighed && isMassOrVolume(weighed.unit)) bracketed = weighed;
  const note = [...before, bracketed === weighed && weighed ? others.join(', ') : said, ...asides].filter(Boolean).join(', ');
  const size = SIZE.exec(named);
  const words = size ? named.slice(size[0].length) : named;
  const last = /^(.*\S)\s+(\S+)$/.exec(words.replace(/\s(?:in|with|from|on) .*$/i, ''));
  const countWord = last ? unitOfWord(last[2] ?? '') : undefined;
  return {
    bracketed,
    again,
    called: before.length === 1 && /^\p{L}[\p{L} -]*$/u.test(before[0] ?? '') ? before[0] : undefined,
    words: {
      foodWords: words,
      ...(note === '' ? {} : { note }),
      ...(size ? { size: sizeOf(size) } : {}),
    },
    counted: countWord && gramsOfMassUnit(countWord.unit) === undefined ? { countWord: countWord.unit } : {},
  };
}
