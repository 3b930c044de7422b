import { parseLineText } from '../text/index.js';
import type { FoodIndex } from './foodIndex.js';

/** "1 tbsp oil and 1 tsp vinegar", "1 large egg + 1 yolk": what follows has an amount of its own. */
const SECOND_AMOUNT = / (?:and|plus|\+|&) (?=\d|[¼½¾⅓⅔⅛])/i;
/** "Salt and pepper", "salt & freshly ground black pepper". */
const BOTH = / (?:and|&) /i;
const EACH = / each:? /i;

/**
 * A line that names two things as two lines: "salt and pepper, to taste" is salt, to taste, and pepper, to taste; "1 tsp each cumin and
 * coriander" is a teaspoon of each. One that names one thing, or whose words do not all find a food, stays as it is.
 *
 * @example linesApart('1 tsp each ground cumin and coriander', index) // ['1 tsp ground cumin', '1 tsp ground coriander']
 */
export function linesApart(text: string, index: FoodIndex): readonly string[] {
  const parsed = parseLineText(text);
  const second = SECOND_AMOUNT.exec(text);
  if (second && parsed.plus === undefined && index.read(parsed)?.sureness !== 'same')
    return bothRead([text.slice(0, second.index), text.slice(second.index + second[0].length)], index) ?? [text];
  const both = BOTH.exec(parsed.foodWords);
  if (!both || parsed.foodWords.slice(both.index + both[0].length).search(BOTH) >= 0) return [text];
  const [one, other] = [parsed.foodWords.slice(0, both.index), parsed.foodWords.slice(both.index + both[0].length)];
  // Called so as a whole ("sweet and sour sauce"), it is one thing.
  const whole = index.read(parsed);
  if (whole && whole.sureness !== 'unsure') return [text];
  const behind = parsed.note === undefined ? '' : `, ${parsed.note}`;
  if (parsed.amount === undefined) {
    const taste = `${parsed.toTaste ? ', to taste' : ''}${behind}`;
    return bothRead([`${one}${taste}`, `${other}${taste}`], index) ?? [text];
  }
  const each = EACH.exec(text);
  if (!parsed.ofEach || !each) return [text];
  const amount = text.slice(0, each.index);
  // "Ground cumin and coriander": what is said of the first may be meant of both.
  const said = /^(?:ground|dried|fresh|smoked|toasted|whole|chopped) /i.exec(one)?.[0];
  const full = said === undefined ? undefined : bothRead([`${amount} ${one}${behind}`, `${amount} ${said}${other}${behind}`], index);
  return full ?? bothRead([`${amount} ${one}${behind}`, `${amount} ${other}${behind}`], index) ?? [text];
}

/** Both lines, where each finds a food and they are not the same. */
function bothRead(lines: readonly [string, string], index: FoodIndex): readonly string[] | undefined {
  const [one, other] = lines.map((line) => index.read(parseLineText(line))?.food.id);
  return one !== undefined && other !== undefined && one !== other ? lines : undefined;
}
