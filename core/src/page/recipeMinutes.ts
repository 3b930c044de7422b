const ISO =
  /^-?P(?:(\d+(?:[.,]\d+)?)Y)?(?:(\d+(?:[.,]\d+)?)M)?(?:(\d+(?:[.,]\d+)?)W)?(?:(\d+(?:[.,]\d+)?)D)?(?:T?(?:(\d+(?:[.,]\d+)?)H)?(?:(\d+(?:[.,]\d+)?)M)?(?:(\d+(?:[.,]\d+)?)S)?)?$/i;
const MINUTES = [525_600, 43_800, 10_080, 1440, 60, 1, 1 / 60] as const;
const WORDS = /(?<![\d.,])(\d{1,5}(?:[.,]\d{1,3})?) ?(days?|d|hours?|hrs?|h|minutes?|mins?|min|m)\b\.?/giu;

/** Minutes of an ISO 8601 duration, or of "1 hr 20 mins"; undefined for none and for nought. */
export function recipeMinutes(text: string): number | undefined {
  const bare = text.trim();
  const iso = ISO.exec(bare);
  const sum =
    iso && iso.slice(1).some((part) => part !== undefined)
      ? iso.slice(1).reduce((minutes, part, i) => minutes + Number((part ?? '0').replace(',', '.')) * (MINUTES[i] ?? 0), 0)
      : [...bare.slice(0, 80).matchAll(WORDS)].reduce(
          (minutes, [, number = '0', unit = 'm']) => minutes + Number(number.replace(',', '.')) * inMinutes(unit),
          0,
        );
  return sum > 0 ? Math.round(sum) : undefined;
}

function inMinutes(unit: string): number {
  return /^d/i.test(unit) ? 1440 : /^h/i.test(unit) ? 60 : 1;
}

/** The two of "Prep time: 15 mins | Cook time: 30 mins", told in a recipe's head. */
export interface SaidTimes {
  readonly active: number | undefined;
  readonly cook: number | undefined;
  readonly total: number | undefined;
}

const LONGEST = 300;

/** Times as a line of a recipe's head says them; undefined where it says none. */
export function saidTimes(text: string): SaidTimes | undefined {
  if (text.length > LONGEST) return undefined;
  const of = (words: RegExp) => {
    const found = words.exec(text);
    return found
      ? recipeMinutes(
          text.slice(found.index + found[0].length).split(/[|·•;]|,(?= ?\p{L})|\b(?:prep|cook|total|serves|makes|ready)/iu)[0] ?? '',
        )
      : undefined;
  };
  const active = of(/\b(?:prep(?:aration)?|active|hands[- ]on)(?: time)?:?\s/i);
  const cook = of(/\b(?:cook(?:ing)?|baking|bake)(?: time)?:?\s/i);
  const total = of(/\b(?:total|ready in|takes)(?: time)?:?\s/i) ?? alone(text);
  return active === undefined && cook === undefined && total === undefined ? undefined : { active, cook, total };
}

/** "Serves 4 · 40 min" */
function alone(text: string): number | undefined {
  const pieces = text.split(/[|·•;,]/).map((piece) => piece.trim());
  const one = pieces.find((piece) => /^(?:about )?\d+(?:[.,]\d+)? ?(?:h|hrs?|hours?|min|mins|minutes)\b[\d a-z]{0,12}$/i.test(piece));
  return one === undefined ? undefined : recipeMinutes(one);
}
