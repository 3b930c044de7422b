import { midpointOf } from '../quantity/index.js';
import { leadingAmount } from './leadingNumber.js';
import { leadingMeasure, NOTHING_MORE } from './leadingMeasure.js';

/** What is asked of a fruit before its number, words that say no amount, and amounts written behind the food, put in the usual order. */
export function amountFirst(text: string): string {
  const of = /^(?:the )?((?:finely |freshly )?(?:grated |squeezed )?(?:zest|juice|rind|peel)(?: and (?:zest|juice))?) of (?=\S)(.*)$/i.exec(
    text,
  );
  if (of?.[2] !== undefined && leadingAmount(of[2])) return `${of[2]}, ${of[1] ?? ''}`;
  const some = text.replace(/^some\s+(?=\S)/i, '').replace(/(?<=\w)-sized? (?:piece|knob|chunk) of /i, ' of ');
  return leadingAmount(some) ? some : amountBehind(measureBehind(some));
}

/** "soy sauce splash", "salt, a pinch", "parsley, small bunch": a measure without a number behind the food is one of it. */
function measureBehind(text: string): string {
  const found = /^([^,(]+?),? (?:an? )?(splash|pinch|dash|drizzle|handful|knob|glug|sprinkle|squeeze)$/i.exec(text);
  const container =
    /^([^,(]+?), (?:an? )?((?:small |large |big )?(?:bunch|sprig|pack|packet|bag|tin|can|jar|tub|pot|punnet|head|bulb))$/i.exec(text);
  const [, food, measure] = found ?? container ?? [];
  return food === undefined || measure === undefined ? text : `1 ${measure} ${food}`;
}

/** "red lentils 300 g", "garlic, 4 cloves, crushed", "carrots (2 large)", "onion x 2", "onions 250". */
function amountBehind(text: string): string {
  for (const { 0: between, index } of text.matchAll(BEFORE_AMOUNT)) {
    const food = text.slice(0, index);
    // The word just before it, not one before another comma, is what there is so much of.
    if (!/\p{L}/u.test(food.slice(Math.max(...[...',:('].map((mark) => food.lastIndexOf(mark))) + 1))) continue;
    const behind = text.slice(index + between.length);
    const end = behind.search(/[,)]/);
    const amount = end < 0 ? behind : behind.slice(0, end);
    const rest = end < 0 ? '' : behind.slice(behind[end] === ')' ? end + 1 : end);
    const setOff = amountSetOff(text, { food, between, amount, rest });
    if (setOff !== text) return setOff;
  }
  return text;
}

/** Where a number stands behind words: behind a comma, a colon, a bracket, a dash, a times sign, or nothing but a space. */
const BEFORE_AMOUNT = /(?: ?[,:(] ?| [-–—] | [x×] ?| )(?=\d|[¼½¾⅓⅔⅛]|half\b)/giu;

/** Behind these a number says which, not how many. */
const NUMBERED =
  /(?:\b(?:type|typ|tipo|no|nr|number|size|grade|class|mark|flour|mehl|farina|semola|omega|vitamin|day|week|part|step|bowls?|box|boxes)|\b\p{L})\.?\s*$/iu;

/** An amount behind the food put before it, where it is one and is set off. */
function amountSetOff(
  text: string,
  { food, between, amount, rest }: { readonly [piece in 'food' | 'between' | 'amount' | 'rest']: string },
): string {
  // "brown rice - 1 1/2 cups dry": how it is then is said behind the amount.
  const state = / (dry|raw|uncooked|cooked|drained)$/i.exec(amount.trim())?.[1];
  const bare = state === undefined ? amount.trim() : amount.trim().slice(0, -state.length).trim();
  const measured = leadingMeasure(`${bare} ${NOTHING_MORE}`);
  if (!measured || measured.rest !== NOTHING_MORE || midpointOf(measured.amount) === 0) return text;
  const setOff =
    between.trim() !== '' || measured.unit !== undefined || (rest === '' && /^[1-9]\d{0,4}$/.test(bare) && !NUMBERED.test(food));
  return setOff ? `${bare} ${food.trim()}${state === undefined ? '' : `, ${state}`}${rest}` : text;
}
