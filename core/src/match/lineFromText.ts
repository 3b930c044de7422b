import { edibleShare, measureOf, type Food } from '../food/index.js';
import { gramsOfMassUnit, isVolumeWord, roundHalfAway } from '../quantity/index.js';
import type { Line } from '../recipe/index.js';
import { CONTAINERS, cookingWord, leadingAmount, parseLineText, type ParsedLine } from '../text/index.js';
import type { FoodIndex } from './foodIndex.js';
import { partMeasure, partOfFruit } from './fruitPart.js';
import { unitSlip } from './unitSlip.js';

/** Grams a serving is assumed to take "to taste" until the developer says otherwise: an assumption, with 50 % uncertainty. */
const TO_TASTE_GRAMS_PER_SERVING = { salt: 1.2, other: 0.3 } as const;
/** Milligrams of sodium in a gram above which a food is salt, for the assumption above. */
const SALTY = 300;

/**
 * A line as the kitchen file holds it, from the text typed: taken apart, and matched to a food of the pantry.
 *
 * @param servings of the recipe, for what "to taste" is assumed to come to
 * @param chosen the food a person picked for these words, over any match
 * @returns a line that is not agreed to where the words may mean another food; one with only its text when no food is sure enough, or when a word where the unit stands is nearly one
 */
export function lineFromText(text: string, index: FoodIndex, servings: number, chosen?: Food): Line {
  const parsed = parseLineText(text);
  const reading = chosen || unitSlip(parsed, index) || isAddedTo(parsed) ? undefined : index.read(parsed);
  const food = chosen ?? reading?.food;
  if (!food) return { text };
  const { note } = parsed;
  return {
    food: food.id,
    ...amountOf(parsed, food, servings),
    ...(parsed.cooked ? { state: 'cooked' as const } : {}),
    ...cookingFor(parsed, food),
    ...(parsed.optional ? { optional: true } : {}),
    ...(note === undefined ? {} : { note }),
    ...(reading?.sureness === 'unsure' ? { agreed: false } : {}),
    text,
  };
}

/**
 * "3 tbsp + 1 tsp vinegar": a second amount that was not added up, since how many teaspoons are a tablespoon depends on whose. The
 * line is left to the person rather than counted as the first amount alone.
 */
function isAddedTo({ amount, foodWords }: ParsedLine): boolean {
  const more = /^(?:\+|plus|and) (.*)$/i.exec(foodWords)?.[1];
  return amount !== undefined && more !== undefined && leadingAmount(more) !== undefined;
}

/**
 * How the line is cooked, where the food's yield depends on it. "300 g roasted squash" is weighed roasted; "300 g squash,
 * roasted" is weighed before. A food that is called so ("Peppers, roasted, in a jar") was cooked by whoever sold it.
 */
function cookingFor({ cooking, cooked }: ParsedLine, food: Food): Pick<Line, 'cooking' | 'state'> {
  if (!cooking || food.state === 'cooked' || food.yields?.[cooking.method] === undefined) return {};
  if ([food.name, ...(food.names ?? [])].some((name) => cookingWord(name)?.method === cooking.method)) return {};
  return { cooking: cooking.method, ...(cooking.before || cooked ? { state: 'cooked' as const } : {}) };
}

function amountOf(parsed: ParsedLine, food: Food, servings: number): Pick<Line, 'amount' | 'unit' | 'as' | 'also' | 'toTaste'> {
  if (parsed.amount === undefined) return { toTaste: roundHalfAway(assumedGrams(food) * servings, 0.1) };
  const part = partOfFruit(parsed.note);
  const unit = (parsed.unit === undefined && part !== undefined ? partMeasure(food, part) : undefined) ?? unitFor(parsed, food);
  const counted = parsed.also && gramsOfMassUnit(unit) !== undefined ? parsed.also : undefined;
  // "2 cans (400 g)": what is printed on the can is the weight as bought.
  const asBought = counted && (CONTAINERS.has(counted.unit) || measureOf(food, counted.unit)?.edible === false) && edibleShare(food) !== 1;
  return {
    amount: parsed.amount,
    unit,
    ...(asBought ? { as: 'AP' as const } : {}),
    ...(parsed.also ? { also: { amount: parsed.also.amount, unit: knownUnit(parsed.also.unit, food) } } : {}),
  };
}

/** The unit for a food: as written; a bare count by the food's piece, its size, or the count word behind its name. */
function unitFor({ unit, size, countWord }: ParsedLine, food: Food): string {
  if (unit !== undefined) return size && measureOf(food, `${size} ${unit}`) ? `${size} ${unit}` : knownUnit(unit, food);
  const sized = size && size !== 'medium' ? `${size} ${countWord ?? 'piece'}` : undefined;
  const wanted = [sized, countWord, size && size !== 'medium' ? `${size} piece` : undefined, 'piece'].find(
    (name) => name !== undefined && measureOf(food, name),
  );
  return wanted ?? countWord ?? 'piece';
}

/** "1 can" of a food that says nothing of cans is its pack. */
function knownUnit(unit: string, food: Food): string {
  if (measureOf(food, unit) || isVolumeWord(unit) || gramsOfMassUnit(unit) !== undefined) return unit;
  const same = SAME_THING.find((words) => words.includes(unit))?.find((word) => measureOf(food, word));
  return same ?? (CONTAINERS.has(unit) ? 'pack' : unit);
}

/** Count words that mean the same of one food: a stalk of celery is a stick. */
const SAME_THING: readonly (readonly string[])[] = [
  ['stalk', 'stick', 'rib'],
  ['head', 'bulb'],
  ['can', 'jar'],
  ['packet', 'pack', 'bag', 'sachet', 'envelope'],
  ['tub', 'pot', 'carton'],
  ['rasher', 'slice', 'strip'],
];

function assumedGrams(food: Food): number {
  const sodium = food.nutrients?.sodium ?? (food.nutrients?.salt ?? 0) * 400;
  return (sodium ?? 0) / 100 > SALTY ? TO_TASTE_GRAMS_PER_SERVING.salt : TO_TASTE_GRAMS_PER_SERVING.other;
}
