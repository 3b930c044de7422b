import { heatsIn } from '../reading/stepReading.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

const LEAST = 74;
const NOISE = 0.75;
const OVEN_FROM = 96;
const REHEATS = /\b(?:re-?heat|warm(?:ed)? (?:up|through|again|it)|heat(?:ed)? (?:up|through|again)|microwave)\p{L}*/iu;
const TWICE = /\b(?:twice|two times|three times|as often as|several times|again and again|more than once|a second time)\b/i;
const NOT_TWICE =
  /\b(?:stir|turn|shake|toss|flip|open|check)(?:red|ring|ed|ing|s)? (?:it |them |well )?(?:twice|two times|several times)|\b(?:never|not|don['’]t|do not|no) (?:\p{L}+ ){0,3}(?:twice|more than once|a second time|two times)/iu;
const NOT_OF_FOOD = /\b(?:oven|air fryer|grill|fridge|freezer|below|under \d|keep (?:at|below)|chill(?:ed)? (?:to|at)|preheat)\b/i;

/** A text that reheats to less than 74 °C, or more than once. */
export function reheatedLow({ recipe, steps }: CheckGround): Finding[] {
  const texts = [
    ...(recipe.storage?.reheat === undefined ? [] : [{ at: 'storage', text: recipe.storage.reheat, all: true }]),
    ...steps.filter(({ text }) => REHEATS.test(text)).map(({ at, text }) => ({ at, text, all: false })),
  ];
  return texts.flatMap(({ at, text, all }): Finding[] => {
    const sentences = text.split(/(?<=[.;!])\s/).filter((sentence) => all || REHEATS.test(sentence));
    const low = sentences.map((sentence) => lowIn(sentence)).find((one) => one !== undefined);
    const twice = sentences.some((sentence) => TWICE.test(sentence) && !NOT_TWICE.test(sentence));
    if (low === undefined && !twice) return [];
    return [
      {
        code: 'reheated-low',
        at,
        severity: 'wrong',
        message:
          low === undefined
            ? 'Reheated more than once, a box is in the warm more than once. Say once.'
            : `“${low}” is too low to reheat to: 74 °C / 165 °F in the middle, or 70 °C for 2 minutes.`,
        ...(all
          ? {
              mend: {
                kind: 'storage' as const,
                words: 'Say the guideline’s words',
                reheat: 'Once only, until steaming hot all through: 74 °C / 165 °F.',
              },
            }
          : {}),
      },
    ];
  });
}

function lowIn(sentence: string): string | undefined {
  const found = heatsIn(sentence).find(({ from, to, celsius }) => {
    if (celsius >= LEAST - NOISE || celsius < 35 || celsius >= OVEN_FROM) return false;
    const clause = sentence.slice(Math.max(sentence.lastIndexOf(',', from), 0), from);
    if (NOT_OF_FOOD.test(clause)) return false;
    const behind = sentence.slice(to);
    const held =
      /^\s?(?:in the middle |inside |all through )?(?:and |, )?(?:held |kept |hold it )?(?:there )?(?:for )?(?:at least )?(?:[2-9]|\d\d|two|three|five) ?min/i.test(
        behind,
      ) || /(?:[2-9]|\d\d|two|three|five) min\p{L}* (?:at|above) $/iu.test(sentence.slice(0, from));
    return !(celsius >= 70 - NOISE && held);
  });
  return found && sentence.slice(found.from, found.to);
}
