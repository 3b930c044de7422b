import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';
import { hasRawMeat, rawKindOf } from './rawMeat.js';

const SLOW = /\bslow[ -]?cooker\b|\bcrock\b/i;
const FROZEN = /\b(?:frozen|from the freezer|from frozen|out of the freezer|no need to (?:thaw|defrost)|without (?:thawing|defrosting))\b/i;
const THAWED = /\b(?:never|not|don['’]t (?:use|put)|no) (?:\p{L}+ ){0,2}frozen\b|\bthaw(?:ed)?\b|\bdefrost(?:ed)?\b/iu;
const NO_NEED = /\b(?:no need to|without|don['’]t|do not|never) (?:thaw|defrost)/i;
const MEAT =
  /\b(?:meat|chicken|turkey|duck|beef|pork|lamb|veal|venison|mince|sausages?|thighs?|breasts?|drumsticks?|chops?|steaks?|shoulder|ribs?|joint)\b/i;

/** Frozen meat or poultry that goes into a slow cooker: it stays for hours where bacteria grow. */
export function frozenSlow(ground: CheckGround): Finding[] {
  if (!hasRawMeat(ground)) return [];
  const inSlow = ground.steps.some(({ text }) => SLOW.test(text));
  if (!inSlow) return [];
  const own = ground.foods.filter((food) => rawKindOf(food) !== undefined);
  return ground.steps.flatMap(({ at, text }): Finding[] => {
    const sentences = text.split(/(?<=[.;!])\s/);
    const bad = sentences.some((sentence) => {
      if (!FROZEN.test(sentence) || (THAWED.test(sentence) && !NO_NEED.test(sentence))) return false;
      if (!SLOW.test(text) && !/\b(?:put|add|tip|place|layer|lay)\b/i.test(sentence)) return false;
      return speaksOfFrozenMeat(
        sentence,
        own.map(({ name }) => name),
      );
    });
    if (!bad) return [];
    return [
      {
        code: 'frozen-slow',
        at,
        severity: 'wrong',
        message:
          'Frozen meat goes into the slow cooker here. It takes hours to get warm, long enough for bacteria to grow. Thaw it in the fridge first.',
      },
    ];
  });
}

/** "frozen chicken", "chicken straight from the freezer"; "frozen peas with the chicken" is none. */
function speaksOfFrozenMeat(sentence: string, names: readonly string[]): boolean {
  const behind = /\b(?:still[- ])?frozen (?<words>(?:[\p{L}-]+ ?){1,4})/iu.exec(sentence);
  if (behind) {
    const words = (behind.groups?.words ?? '').replace(/\b(?:and|with|in|into|on|to|goes|go|the|a)\b.*/i, '');
    if (MEAT.test(words) || names.some((name) => words.trim() !== '' && name.toLowerCase().startsWith(words.trim().toLowerCase())))
      return true;
    if (words.trim() !== '' && !/^\s*(?:solid|or|as|is|are|from|if|when|need|goes|straight|too|too\b)/i.test(words)) return false;
  }
  const from = sentence.search(/\b(?:from the freezer|from frozen|out of the freezer|frozen|no need to|without (?:thaw|defrost))/i);
  return from >= 0 && MEAT.test(sentence);
}
