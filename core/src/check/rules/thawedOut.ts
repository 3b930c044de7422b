import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

const THAWS = /\b(?:thaw|defrost|unfreez)\p{L}*/iu;
const FROZEN_LEFT = /\b(?:leave|left|stand|put|set)\b[^.;]{0,40}\bfrozen\b|\bfrozen\b[^.;]{0,60}\b(?:leave|left|stand)\b/i;
const OUT =
  /\b(?:(?:at|in) (?:the )?room temperature|on (?:the|a) (?:counter|worktop|work surface|side|table|bench|sideboard|draining board|windowsill|kitchen (?:counter|table|side))|in the sink|out of the fridge|in a warm (?:place|kitchen|room)|on the radiator|in the kitchen|in the sun|outside|in (?:warm|hot|lukewarm) water|out to (?:thaw|defrost)|(?:leave|left|leaving)(?: \p{L}+){1,5} out)\b/iu;
const NEVER = /\b(?:never|not|don['’]t|do not|rather than|instead of)\b/i;
const MEAT =
  /\b(?:meat|chicken|turkey|duck|beef|pork|lamb|veal|venison|mince|sausages?|thighs?|breasts?|drumsticks?|chops?|steaks?|fish|salmon|cod|haddock|trout|tuna|prawns?|shrimps?|fillets?|seafood|box(?:es)?|portions?|containers?|meals?|tubs?|stew|curry|soup|chill?i|sauce|it|them)\b/i;
const NO_MEAT =
  /\b(?:peas|beans|spinach|corn|vegetables?|veg|berries|fruit|strawberr\p{L}+|raspberr\p{L}+|blueberr\p{L}+|mango|pastry|dough|bread|rolls?|pitta|tortillas?|filo|broccoli|cauliflower|edamame|butter)\b/iu;

const SURELY_MEAT =
  /\b(?:meat|chicken|turkey|duck|beef|pork|lamb|veal|venison|mince|sausages?|thighs?|breasts?|chops?|steaks?|fish|salmon|cod|haddock|trout|tuna|prawns?|shrimps?|fillets?|box(?:es)?|portions?|containers?)\b/i;

/** Meat, fish or a cooked box that is thawed where bacteria grow before its middle is soft. */
export function thawedOut({ steps }: CheckGround): Finding[] {
  return steps.flatMap(({ at, text }): Finding[] => {
    const bad = text.split(/(?<=[.;!])\s/).some((sentence) => {
      if (!OUT.test(sentence) || NEVER.test(sentence)) return false;
      if (!THAWS.test(sentence) && !FROZEN_LEFT.test(sentence)) return false;
      if (isOfPlants(sentence)) return false;
      return MEAT.test(sentence);
    });
    if (!bad) return [];
    return [
      {
        code: 'thawed-out',
        at,
        severity: 'wrong',
        message: 'Thawed at room temperature, the outside is warm for hours while the middle is frozen. Thaw it in the fridge overnight.',
      },
    ];
  });
}

/** What is thawed stands nearest to the word: before "thawed", behind "thaw". Peas beside a chicken are peas. */
function isOfPlants(sentence: string): boolean {
  const found = THAWS.exec(sentence);
  if (!found) return NO_MEAT.test(sentence) && !SURELY_MEAT.test(sentence);
  const done = /ed$/i.test(found[0]);
  const words = (
    done
      ? (sentence.slice(0, found.index).match(/[\p{L}-]+/gu) ?? [])
      : (sentence.slice(found.index + found[0].length).match(/[\p{L}-]+/gu) ?? [])
  ).map(String);
  const nearest = (done ? words.toReversed() : words).find((word) => NO_MEAT.test(word) || SURELY_MEAT.test(word));
  return nearest !== undefined && NO_MEAT.test(nearest) && !SURELY_MEAT.test(nearest);
}
