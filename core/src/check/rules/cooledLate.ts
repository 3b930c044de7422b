import type { SaidTime } from '../../text/index.js';
import { saysHeat } from '../reading/heat.js';
import { sentenceAt, type StepReading } from '../reading/stepReading.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

const MOST_MINUTES = 90;
const LEFT =
  /\b(?:leav|left|cool|stand|stood|rest|sit|sat|set aside|keep|kept|wait|forget|on (?:the|a) (?:table|counter|worktop|stove|hob|side|bench|sideboard|windowsill)|at room temperature|in the kitchen)\p{L}*/iu;
const COLD = /\b(?:fridge|refrigerat\p{L}*|chill\p{L}*|freez\p{L}*|iced?|ice bath|cold (?:water|store|room|box)|larder)\b/iu;
/** Not cooked, or not food that spoils, or kept hot. */
const OTHER_THING =
  /\b(?:soak\p{L}*|dough|ris(?:e|es|ing)|prov(?:e|es|ing)|marinat\p{L}*|brin(?:e|ed|ing)|raw|dry|dries|drying|sprout\p{L}*|pickl\p{L}*|batter|starter|salt(?:ed)? and|flour|yeast|infus\p{L}*|steep\p{L}*|keep warm|kept warm|stay hot|oven|slow cooker|on (?:low|high|medium|warm)|simmer\p{L}*|on the heat|over (?:a )?(?:low|medium|high))\b/iu;
const NIGHT =
  /\b(?:overnight|(?:till|until|to) (?:the )?(?:next )?morning|all night|for the night|until the next day|till the next day)\b/gi;

/** Cooked food that is left out of the fridge for longer than 90 minutes. */
export function cooledLate({ mainSteps }: CheckGround): Finding[] {
  let cooked = false;
  return mainSteps.flatMap((step): Finding[] => {
    const { at, text } = step;
    const before = cooked;
    cooked ||= saysHeat(text);
    const long = [
      ...step.times.filter(({ high }) => high > MOST_MINUTES).map(placeOf),
      ...[...text.matchAll(NIGHT)].map(({ index, 0: said }) => ({ from: index, to: index + said.length })),
    ];
    const bad = long.find((time) => isLeftOut(step, time, before));
    if (!bad) return [];
    return [
      {
        code: 'cooled-late',
        at,
        severity: 'wrong',
        message: `“${text.slice(bad.from, bad.to)}” out of the fridge is too long for cooked food: within 90 minutes it has to be in the cold. Divide it into boxes so that it cools, and chill it.`,
      },
    ];
  });
}

function placeOf({ from, to }: SaidTime): { readonly from: number; readonly to: number } {
  return { from, to };
}

function isLeftOut({ text }: StepReading, time: { readonly from: number; readonly to: number }, cookedBefore: boolean): boolean {
  const sentence = sentenceAt(text, time.from);
  const words = text.slice(sentence.from, sentence.to);
  const before = text.slice(sentence.from, time.from);
  const from = Math.max(before.lastIndexOf(', '), before.lastIndexOf(' then '), before.lastIndexOf(' and then ')) + 1;
  const behind = text.slice(time.to, sentence.to);
  const end = behind.search(/,| then | before /);
  const clause = before.slice(from) + text.slice(time.from, time.to) + (end < 0 ? behind : behind.slice(0, end));
  if (!LEFT.test(clause) && !LEFT.test(words)) return false;
  if (COLD.test(clause) || OTHER_THING.test(clause)) return false;
  if (!LEFT.test(clause) && (COLD.test(words) || OTHER_THING.test(words))) return false;
  // "refrigerate within two hours" is a limit, and "at least" none.
  if (/\b(?:within|no (?:more|longer) than|at most|before|never|not|less than|under)\s(?:\p{L}+\s)?$/iu.test(before)) return false;
  return cookedBefore || saysHeat(text.slice(0, time.from)) || /\bcook(?:ed)?\b|\bboil(?:ed)?\b/i.test(words);
}
