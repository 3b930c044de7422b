import { isLength, whatTimeIsOf } from '../reading/heat.js';
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
      },
    ];
  });
}
