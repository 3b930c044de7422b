import { saysHeat } from '../reading/heat.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';
import { hasRawMeat } from './rawMeat.js';

const MARINATES = /\bmarinad|\bmarinat/i;
const REUSES =
  /\b(?:pour(?:ed|ing)?|brush(?:ed|ing)?|bast(?:e|ed|ing)|drizzl(?:e|ed|ing)|spoon(?:ed|ing)?|serv(?:e|ed|ing)|dress(?:ed|ing)?|glaz(?:e|ed|ing)|toss(?:ed|ing)?|dip(?:ped|ping)?|coat(?:ed|ing)?|moisten(?:ed|ing)?|paint(?:ed|ing)?|finish(?:ed|ing)?|stir(?:red|ring)?)\b/i;
const BOILED = /\b(?:boil|bubbl|simmer|reduc)\p{L}*/iu;
const THROWN =
  /\b(?:throw|threw|thrown|discard|bin|pour(?:ed)? (?:it |the marinade )?away|tip(?:ped)? (?:it |the marinade )?away|drain)\p{L}*/iu;
const PUT_ASIDE =
  /\b(?:(?:put|set|keep|kept|hold|held|save[d]?|spare|take|reserve[d]?)(?: \p{L}+| \d+)* (?:aside|back|apart|out|for (?:serving|later|brushing|the sauce|the end))|reserve[d]? (?:half|some|a|\d|the rest|two|three|four)|(?:half|some|\d+ (?:g|ml|tbsp|tsp)|(?:a|two|three|four) \p{L}+) of (?:the|this) marinade)\b/iu;
const WITH_THE_MEAT =
  /\b(?:its|their)(?: own)? marinade\b|\b(?:meat|chicken|turkey|duck|beef|pork|lamb|fish|salmon|cod|prawns?|steaks?|chops?|thighs?|breasts?|pieces|slices|skewers|it|them|everything)(?: \p{L}+){0,2} (?:with|and|in) (?:all (?:of )?)?(?:the|that) marinade\b/iu;

const BRUSHED =
  /\b(?:brush|bast|glaz|paint|drizzl|dress|serv|dip|moisten)\p{L}* (?:\p{L}+ ){0,4}(?:with|in) (?:the |its |their |that |more )?(?:\p{L}+ )?marinade\b/iu;

/** What raw meat or fish was marinated in, poured, brushed or served again without being boiled. */
export function marinadeReused(ground: CheckGround): Finding[] {
  if (!hasRawMeat(ground)) return [];
  const texts = ground.mainSteps;
  const first = texts.findIndex(({ text }) => MARINATES.test(text));
  if (first < 0) return [];
  const asideBefore = (at: number) => texts.slice(0, at + 1).some(({ text }) => PUT_ASIDE.test(text));
  return texts.flatMap(({ at, text }, i): Finding[] => {
    if (i < first) return [];
    const bad = text.split(/(?<=[.;!])\s/).some((sentence) => {
      const marinade = /\bmarinade\b/i.exec(sentence);
      if (!marinade || !REUSES.test(sentence)) return false;
      if (THROWN.test(sentence) || BOILED.test(sentence) || boiledNear(text)) return false;
      if (isMadeHere(sentence) || (WITH_THE_MEAT.test(sentence) && !BRUSHED.test(sentence))) return false;
      if (/\b(?:reserved|kept|saved|clean|fresh|unused|set[- ]aside)\b/i.test(sentence) && asideBefore(i)) return false;
      if (PUT_ASIDE.test(sentence)) return false;
      // Poured over and then roasted it is cooked with the meat; brushed on while it cooks it is not, to the last stroke.
      if (/\bpour|\bspoon|\btip/i.test(sentence) && cooksAfter(sentence, marinade.index) && !/\bcooked\b/i.test(sentence)) return false;
      return true;
    });
    if (!bad || (i === first && !/\b(?:left ?over|remaining|rest of|brush|bast|used)\b/i.test(text))) return [];
    return [
      {
        code: 'marinade-reused',
        at,
        severity: 'wrong',
        message:
          'What raw meat lay in is used again here without being boiled: it holds what the meat held. Boil it, put some aside before the meat goes in, or throw it away.',
      },
    ];
  });
}

/** "Stir the oil and lemon into a marinade and pour it over the chicken": it is made, and meets the meat for the first time. */
function isMadeHere(sentence: string): boolean {
  return (
    /\b(?:for|make|mix|whisk|stir|blend|combine)\b[^.]{0,60}\bmarinade\b/i.test(sentence) &&
    !/\b(?:left ?over|remaining|rest of|used|the marinade)\b/i.test(sentence)
  );
}

function boiledNear(text: string): boolean {
  return /\b(?:boil|simmer|bubble|reduce)\p{L}*\b[^.;]{0,30}\bmarinade\b|\bmarinade\b[^.;]{0,60}\b(?:boil|simmer|bubble|reduce)\p{L}*/iu.test(
    text,
  );
}

function cooksAfter(sentence: string, from: number): boolean {
  return saysHeat(sentence.slice(from));
}
