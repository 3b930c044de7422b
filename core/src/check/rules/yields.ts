import { cookedPerEaten, placeOf, type LineFigures, type PartFigures } from '../../recipe/index.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

/** A yield above this takes up water. */
const TAKES_UP_WATER = 1.5;
/** A part may weigh so much more than what went into it before somebody looks at the scale: share. */
const MOST_GAINED = 1.1;

/** An amount given cooked of a food whose figures are of it raw or dry, or the other way round, and nobody knows what it gains or loses. */
export function noYield({ figures }: CheckGround): Finding[] {
  return figures.lines.flatMap(({ at, line, of }) => {
    if (of.kind !== 'food' || line.state === undefined) return [];
    const { food } = of.resolved;
    const { state = 'as sold' } = food;
    if ((line.state === 'cooked') === (state === 'cooked') || food.yield !== undefined) return [];
    if (line.cooking !== undefined && food.yields?.[line.cooking] !== undefined) return [];
    return [
      {
        code: 'no-yield',
        at,
        severity: 'look',
        message: `${food.name} is given ${line.state} here and its figures are of it ${state}, but nobody knows what it weighs once cooked. Give the food its yield, or weigh it ${state}.`,
      },
    ];
  });
}

/** Water that stands in a part with something that takes water up by its yield: it is counted twice in the cooked weight. */
export function waterTwice({ figures }: CheckGround): Finding[] {
  return figures.parts.flatMap(({ part, lines, learned }) => {
    if (part.cookedWeight !== undefined || part.yield !== undefined || learned) return [];
    const swells = lines.find((line) => line.counted && yieldOf(line) > TAKES_UP_WATER);
    if (!swells) return [];
    return lines.flatMap((line, i) =>
      isWater(line) && (line.line.retained ?? 1) > 0
        ? [
            {
              code: 'water-twice' as const,
              at: placeOf(part, i),
              severity: 'look' as const,
              message: `${nameOf(swells)} takes up its water by its yield, and this water is counted beside it. Say that 0 % of the water is eaten, or weigh ${part.name} once it is cooked.`,
              mend: { kind: 'line' as const, words: 'Count none of it as eaten', at: placeOf(part, i), line: { retained: 0 } },
            },
          ]
        : [],
    );
  });
}

/** A part that weighed more than all that went into it. */
export function weightGained({ figures }: CheckGround): Finding[] {
  return figures.parts.flatMap((part) => {
    const measured = part.part.cookedWeight;
    const into = wentInto(part);
    if (measured === undefined || into === undefined || measured <= into * MOST_GAINED * (1 + 1e-9)) return [];
    return [
      {
        code: 'weight-gained',
        at: part.part.id,
        severity: 'wrong',
        message: `${part.part.name} is said to weigh ${Math.round(measured)} g cooked, but only ${Math.round(into)} g went into it. Was the pot weighed along, or is a line missing?`,
      },
    ];
  });
}

/** Grams of all that went into a part; undefined where a line has no weight. */
function wentInto({ lines }: PartFigures): number | undefined {
  const counted = lines.filter((line) => line.counted);
  if (counted.some(({ weights }) => weights === undefined)) return undefined;
  const hasWater = counted.some(isWater);
  let sum = 0;
  for (const line of counted) sum += (line.weights?.edible ?? 0) * (hasWater ? 1 : Math.max(1, yieldOf(line)));
  return sum;
}

function yieldOf({ line, of }: LineFigures): number {
  if (of.kind !== 'food' || line.state === 'cooked') return 1;
  return cookedPerEaten(of.resolved.food, line.cooking);
}

function isWater({ of }: LineFigures): boolean {
  return (
    of.kind === 'food' &&
    (of.resolved.food.id === 'water' || /^(?:tap |boiling |cold |hot )?water\b(?! chestnut|melon|cress)/i.test(of.resolved.food.name))
  );
}

function nameOf({ of }: LineFigures): string {
  return of.kind === 'food' ? of.resolved.food.name : 'A line';
}
