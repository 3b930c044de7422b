import { SAID_NUMBER, saidNumber, saidTimes, type SaidTime } from '../../text/index.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

const ACTIVE_BEHIND =
  /^['’]?s?[\s,]{0,2}(?:of )?(?:(?:real |actual |active |your )?(?:hands[- ]on|active(?:ly)?|work\b|at the (?:board|stove|hob|counter|cooker)|of your (?:own )?time|your time|effort|at the stove|on your feet|chopping|prep(?:aration|ping)?\b))/i;
const ACTIVE_BEFORE = /\b(?:hands[- ]on|active|working|work|prep(?:aration)?)(?: time)?(?: is| of|:|,)? ?(?:only |just |about |around )?$/i;
const TOTAL_BEHIND =
  /^(?: flat| tops)?[\s,]{0,2}(?:in all|in total|total\b|all told|altogether|all in\b|from start to finish|start to finish|from board to bowl|(?:from )?(?:board|fridge|door|pan|cupboard|packet|chopping board|shelf) to (?:bowl|box|plate|table|fridge|jar|lid)|later\b|from (?:start|board|cold))/i;
const TOTAL_BEFORE =
  /\b(?:ready|done|finished|made|on the table|in the box|in the fridge|in all|all in|total(?: time)?|all told|start to finish|(?:board|fridge|door|pan|cupboard|shelf) to (?:bowl|box|plate|table|fridge|jar|lid))(?: in| after| within|:| of| is| takes)?(?: a total of| just| only| about| around| under| less than)? ?$/i;
const UNDER = /\b(?:under|less than|no more than|at most|within|up to)(?: a total of)? ?$/i;
const ABOUT = /\b(?:about|around|roughly|some) ?$/i;
const WITHOUT_UNIT = new RegExp(
  `(?<![\\p{L}\\d.,/])(?<number>${SAID_NUMBER})(?= (?:in all|in total|all told|altogether|start to finish)\\b)`,
  'giu',
);
/** "About" reaches so many minutes. */
const ABOUT_MINUTES = 5;

/** Title or lead say how long the work, or all of it, takes, and it takes another time. */
export function minutesDiffer({ headTexts, recipe }: CheckGround): Finding[] {
  return headTexts.flatMap(({ at, text }) =>
    statedIn(text, at === 'title').flatMap(({ time, of }): Finding[] => {
      const is = of === 'active' ? recipe.activeMinutes : recipe.totalMinutes;
      if (is === undefined || agrees(text, time, is)) return [];
      return [
        {
          code: 'minutes-differ',
          at,
          severity: 'wrong',
          message: `“${text.slice(time.from, time.to)}” is said ${of === 'active' ? 'of the work' : 'of it all'}, and the recipe states ${is} min. Change one of the two.`,
          ...(time.low === time.high && Number.isInteger(time.low)
            ? {
                mend: {
                  kind: 'minutes' as const,
                  words: `State ${time.low} min`,
                  ...(of === 'active' ? { activeMinutes: time.low } : { totalMinutes: time.low }),
                },
                otherwise: {
                  kind: 'text' as const,
                  words: `Say ${is} minutes`,
                  at,
                  text: `${text.slice(0, time.from)}${is}${time.joined ? '-minute' : ' minutes'}${text.slice(time.to)}`,
                },
              }
            : {}),
        },
      ];
    }),
  );
}

function agrees(text: string, { from, low, high }: SaidTime, is: number): boolean {
  const before = text.slice(0, from);
  if (UNDER.test(before)) return is <= high;
  const room = ABOUT.test(before) ? ABOUT_MINUTES : 0.5;
  return is >= low - room && is <= high + room;
}

function statedIn(text: string, title: boolean): { readonly time: SaidTime; readonly of: 'active' | 'total' }[] {
  const times = saidTimes(text);
  const stated = times.flatMap((time): { readonly time: SaidTime; readonly of: 'active' | 'total' }[] => {
    const [before, behind] = [text.slice(0, time.from), text.slice(time.to)];
    if (ACTIVE_BEHIND.test(behind)) return [{ time, of: 'active' }];
    if (TOTAL_BEHIND.test(behind)) return [{ time, of: 'total' }];
    if (ACTIVE_BEFORE.test(before)) return [{ time, of: 'active' }];
    if (TOTAL_BEFORE.test(before)) return [{ time, of: 'total' }];
    return title && time.joined ? [{ time, of: 'total' }] : [];
  });
  // "25 minutes of work, 55 in all"
  const bare = [...text.matchAll(WITHOUT_UNIT)]
    .filter(({ index }) => times.some(({ to }) => to <= index) && !times.some(({ from, to }) => from <= index && index < to))
    .map((found) => {
      const minutes = saidNumber(found.groups?.number ?? '');
      return {
        time: { from: found.index, to: found.index + found[0].length, low: minutes, high: minutes, joined: false },
        of: 'total' as const,
      };
    });
  return [...stated, ...bare];
}
