import { foodWords } from '../../match/index.js';
import { SAID_NUMBER, saidNumber } from '../../text/index.js';
import { servedOf, type PartFigures } from '../../recipe/index.js';
import { sentenceAt } from '../reading/stepReading.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

/** So far the grams that a step states may lie from a part's portion: share of it. */
const ALLOWED = 0.02;
const GRAMS = new RegExp(String.raw`(?<![\p{L}\d.,/])(?<number>${SAID_NUMBER})\s?(?:g|grams?)\b(?!\s?(?:/|per))`, 'giu');
const OF_THE_POT = /\b(?:weighs?|weighing|in all|total|altogether|the (?:pot|pan|batch|whole)|whole (?:batch|pot)|should (?:weigh|be))\b/i;

/** A step that states the grams of a part which go into a box, and the portion is another. */
export function portionText(ground: CheckGround): Finding[] {
  const { recipe, figures, mainSteps } = ground;
  const own = recipe.servingName ?? 'serving';
  const boxed = figures.parts.filter(({ part }) => servedOf(part) === 'box');
  return mainSteps.flatMap(({ at, text, step, mentions }) =>
    [...text.matchAll(GRAMS)].flatMap((found): Finding[] => {
      const sentence = sentenceAt(text, found.index);
      const words = text.slice(sentence.from, sentence.to);
      if (!isOfABox(words, own)) return [];
      const end = found.index + found[0].length;
      const behind = text.slice(end, sentence.to);
      const part = partNamed(behind, boxed) ?? (boxed.length === 1 && isBare(behind, own) ? boxed[0] : undefined);
      if (!part || mentions.some(({ from, to }) => from < end && found.index < to)) return [];
      if (OF_THE_POT.test(text.slice(sentence.from, found.index)) && !/\b(?:each|every|per)\b/i.test(words)) return [];
      const said = saidNumber(found.groups?.number ?? '');
      const is = part.share.portion;
      if (is <= 0 || Math.abs(said - is) <= ALLOWED * is * (1 + 1e-9)) return [];
      const written = found[0];
      return [
        {
          code: 'portion-text',
          at,
          severity: 'wrong',
          message: `“${text.slice(found.index, end)}” of ${part.part.name} a ${own} is stated, and the portion is ${Math.round(is)} g. Readers portion by the step and count by the figure.`,
          ...(step.text.split(written).length === 2
            ? {
                mend: {
                  kind: 'text' as const,
                  at,
                  words: `Say ${Math.round(is)} g`,
                  text: step.text.replace(written, `${Math.round(is)} g`),
                },
              }
            : {}),
        },
      ];
    }),
  );
}

/** Whether a sentence speaks of what goes into one box. A bowl or a jar is one only where it is said to be each, or is what a serving is called. */
export function isOfABox(sentence: string, servingName: string): boolean {
  const box = `(?:${escaped(servingName)}|box|lunchbox|container|serving|portion)(?:es|s)?`;
  const vessel = '(?:tub|bowl|jar|pot|tin)s?';
  return new RegExp(
    String.raw`\b(?:each|every|a|per|one|the|into|between|among|over|across)\b[\p{L}\d ]{0,24}?\b${box}\b|\b(?:each|every|per)\b[\p{L}\d ]{0,12}?\b${vessel}\b|\beach\b|\bapiece\b`,
    'iu',
  ).test(sentence);
}

/** The part whose name follows within a word or three. */
function partNamed(behind: string, parts: readonly PartFigures[]): PartFigures | undefined {
  const [, next = ''] = /^\s?(?:of\s)?(?:the\s|your\s)?((?:[\p{L}-]+\s?){1,3})/iu.exec(behind) ?? [];
  const said = foodWords(next.replace(/\b(?:and|with|in|into|on|a|each|per|over|beside|among|between)\b.*/i, ''));
  if (said.length === 0) return undefined;
  return parts.find(({ part }) => {
    const name = foodWords(part.name);
    return name.some((word) => said.includes(word)) || said.includes(part.id);
  });
}

/** Nothing is named: "360 g in each box". */
function isBare(behind: string, own: string): boolean {
  return new RegExp(
    String.raw`^\s?(?:each\b|apiece\b|(?:in|into|to|per|a|for)\s(?:each|every|a|the|box|${escaped(own)})\b|per\b|[.,;]|$)`,
    'i',
  ).test(behind);
}

function escaped(name: string): string {
  return name.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&');
}
