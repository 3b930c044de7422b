import type { StepUse } from '../recipe/index.js';
import { stepSpans } from '../text/index.js';

/** What kitchens cook with beside oven and hob, as a step's words name it. */
const COOKERS: readonly (readonly [name: string, said: RegExp])[] = [
  ['slow cooker', /\bslow[ -]cooker\b/i],
  ['pressure cooker', /\bpressure[ -]?cook(?:er|ed|ing)?\b/i],
  ['air fryer', /\bair[ -]?fr(?:y|yer|ied|ying)\b/i],
  ['microwave', /\bmicrowaved?\b/i],
];
const BLENDER = /\bblenders?\b|\bblend until\b|\bfood processor\b|\bblitz(?:ed)?\b/i;
/** What stands on a ring. */
const ON_THE_HOB =
  /\b(?:hob|stove|sauce ?pans?|frying[ -]pans?|skillet|wok|griddle|steamer|pans?|pots?|casserole)\b|\b(?:simmer|saut[eé]|sear|sweat|fry|boil|poach|steam|parboil|blanch|toast)(?:ed|s|ing)?\b|\b(?:low|medium|high)(?:[ -](?:low|high))? heat\b/i;
/** "cook the rice in plenty of water". */
const COOKED_IN_WATER = /\bcook\b[^.;]{1,60}\bin\b[^.;]{1,30}\b(?:water|stock|broth|milk)\b/i;
/** Called so and on no ring, or no more on it: taken out before the words are read. */
const NOT_ON_IT =
  /\b(?:roasting|baking|loaf|sheet|oven|cake|muffin)[ -](?:pans?|pots?|trays?|tins?)\b|\b(?:off|from|away from) the (?:heat|hob|stove)\b|\bboil(?:ed|ing)? (?:the |a )?kettle\b|\bboil(?:ed|ing) (?:water|eggs?|potatoes)\b|\b(?:fried|toasted|steamed|poached|seared|blanched)\b/gi;
const IN_THE_OVEN = /\bovens?\b|\b(?:bake|roast|broil|grill)(?:s|ing)?\b/i;
const NOT_IN_IT =
  /\bdutch oven\b|\b(?:out of|from) the oven\b|\boven[ -]?proof\b|\boven (?:gloves?|cloth|tray)\b|\bmicrowave oven\b|\broast(?:ing)? (?:pan|tin|tray|juices)\b|\bbaking (?:powder|soda|sheet|tray|paper|parchment|dish|tin|pan)\b/gi;
/** The coolest that is an oven's and not food's: °C. */
const OVEN_FROM = 60;

/**
 * What a step's words hold from its start to its end, where it says nothing of that itself: the oven with its heat, a ring of the hob
 * for what stands in a pot or a pan, slow cooker, pressure cooker, air fryer, microwave, blender (kitchen file, Steps with times).
 */
export function equipmentIn(text: string): readonly StepUse[] {
  const cookers = COOKERS.filter(([, said]) => said.test(text)).map(([name]) => name);
  const blender = BLENDER.test(text) ? ['blender'] : [];
  // What simmers in a slow cooker stands on no ring.
  if (cookers.length > 0) return [...cookers, ...blender];
  const hob = ON_THE_HOB.test(text.replace(NOT_ON_IT, ' ')) || COOKED_IN_WATER.test(text) ? ['hob'] : [];
  const at = IN_THE_OVEN.test(text.replace(NOT_IN_IT, ' ')) ? { heat: ovenHeat(text) } : undefined;
  const oven: StepUse[] = at === undefined ? [] : [at.heat === undefined ? 'oven' : { name: 'oven', at: at.heat }];
  return [...oven, ...hob, ...blender];
}

/** °C that the words set an oven to: the first that is no sign of the food's being done. */
function ovenHeat(text: string): number | undefined {
  const spans = stepSpans(text);
  const signs = spans.filter(({ kind }) => kind === 'sign');
  for (const span of spans)
    if (
      span.kind === 'temperature' &&
      span.temperature.celsius >= OVEN_FROM &&
      !signs.some(({ from, to }) => from <= span.from && span.to <= to)
    )
      return span.temperature.celsius;
  return undefined;
}
