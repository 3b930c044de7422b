/** Work that binds the cook as long as it lasts. */
const ALL_THE_WHILE =
  /\b(?:stir(?:ring)? (?:all the time|constantly|continuously)|stir[ -]fry|saut[eé]|sear|brown (?:the|on|all|in|well)|fry|whisk|knead|chop|slice|dice|grate|peel|cut|trim|shape|roll|fill|divide|portion|weigh|toast)\w*\b/i;
/** Looked after now and then: a part of it. */
const NOW_AND_THEN = /\b(?:stir(?:ring)?|turn(?:ing)?|bast(?:e|ing)|shak(?:e|ing)|toss(?:ing)?|skim(?:ming)?)\b/i;
/** Left to itself, whatever it stands on. */
const BY_ITSELF = /\b(?:simmer|bake|roast|braise|boil|rest|chill|soak|marinate|rise|prove|cool|set aside|leave|slow cooker)\w*\b/i;
const SHARE_NOW_AND_THEN = 0.2;
const TO_START_IT = 2;

/**
 * Minutes of a step that its words suggest the cook is bound: a proposal to be agreed to, which counts only where it is written.
 *
 * @param minutes the step's
 */
export function proposedHands(text: string, minutes: number): number {
  if (NOW_AND_THEN.test(text) && BY_ITSELF.test(text))
    return Math.min(minutes, Math.max(TO_START_IT, Math.ceil(minutes * SHARE_NOW_AND_THEN)));
  if (ALL_THE_WHILE.test(text) && !BY_ITSELF.test(text)) return minutes;
  if (BY_ITSELF.test(text)) return Math.min(minutes, TO_START_IT);
  return minutes;
}
