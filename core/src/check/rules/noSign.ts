import type { SaidTime } from '../../text/index.js';
import { isLength, whatTimeIsOf } from '../reading/heat.js';
import { sentenceAt, type StepReading } from '../reading/stepReading.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

/** From so many minutes on, how done looks has to be said. */
const FROM_MINUTES = 3;
const SIGN = /\b(?:until|till|’til|'til|when|once|as soon as|so that|by which time|by then|should (?:be|look|feel|read|register))\b/i;
/** "25 min: squash soft". */
const BEHIND_TIME = /^[^.;,:]{0,40}:\s?\S/u;
/** "9 minutes for yolks that have set." */
const FOR_A_LOOK = /^ for (?:\p{L}+ ){0,2}(?:yolks?|soft|firm|set|jammy|crisp|tender|gold|golden|al dente|pink|rare|medium)\b/iu;
const OVEN_FROM = 100;

/** How done looks, by what is cooked: proposed, and the person says whether it is so here. */
const SIGNS: readonly (readonly [said: RegExp, sign: string])[] = [
  [/\b(?:rice|bulgur|quinoa|couscous|millet)\b/i, 'until the water is gone and the grains are tender'],
  [/\b(?:pasta|orzo|noodles?|macaroni|penne|spaghetti)\b/i, 'until just tender'],
  [/\b(?:lentils?|dal|split peas?|chana|toor|moong)\b/i, 'until they fall apart'],
  [/\b(?:beans?|chickpeas?)\b/i, 'until they crush between two fingers'],
  [/\b(?:chicken|turkey|duck)\b/i, 'until 74 °C / 165 °F in the middle'],
  [/\b(?:mince|meatballs?|koftas?|burgers?|sausages?)\b/i, 'until no pink is left and it is 71 °C / 160 °F inside'],
  [/\b(?:shin|shoulder|brisket|stew|lamb|beef|pork)\b/i, 'until a fork goes in with no push'],
  [/\b(?:salmon|cod|haddock|fish|trout)\b/i, 'until it flakes and is 63 °C / 145 °F in the middle'],
  [/\b(?:potato(?:es)?|carrots?|squash|swede|celeriac|parsnips?|roots?|beetroots?)\b/i, 'until a knife goes in with no push'],
  [/\b(?:onions?|leeks?|shallots?|peppers?|celery|fennel)\b/i, 'until soft and golden'],
  [/\b(?:cabbage|kale|spinach|greens|chard)\b/i, 'until it gives'],
  [/\b(?:sauce|soup|stew|tomato(?:es)?|passata|curry|chilli|chili)\b/i, 'until thick enough for a spoon to leave a track'],
];

/** The proposed sign right behind the time; none where what is cooked is not known. */
function mendOf({ at, step, text }: StepReading, time: SaidTime): Pick<Finding, 'mend'> {
  const said = text.slice(time.from, time.to);
  const sentence = sentenceAt(text, time.from);
  const [, sign] =
    SIGNS.find(([words]) => words.test(text.slice(sentence.from, sentence.to))) ?? SIGNS.find(([words]) => words.test(text)) ?? [];
  if (sign === undefined || step.text.split(said).length !== 2) return {};
  return { mend: { kind: 'text', at, words: 'Add these words', text: step.text.replace(said, `${said}, ${sign}`) } };
}

/** Heat is on for minutes, and nothing says how done looks, feels or measures: clocks differ, ovens do, and so do potatoes. */
export function noSign({ steps }: CheckGround): Finding[] {
  const seen = new Set<string>();
  return steps.flatMap((step) => {
    const { at, text, times, heats } = step;
    const cooks = times.find((time) => time.low >= FROM_MINUTES && isLength(text, time) && whatTimeIsOf(step, time) === 'heat');
    if (!cooks || seen.has(at)) return [];
    if (
      SIGN.test(text) ||
      times.some(({ to }) => BEHIND_TIME.test(text.slice(to)) || FOR_A_LOOK.test(text.slice(to))) ||
      heats.some(({ celsius }) => celsius < OVEN_FROM)
    )
      return [];
    seen.add(at);
    return [
      {
        code: 'no-sign',
        at,
        severity: 'look',
        message: `“${text.slice(cooks.from, cooks.to)}” on the heat, and nothing says how done looks. Add “until …”: what the cook sees, feels or measures.`,
        ...mendOf(step, cooks),
      },
    ];
  });
}
