import { edibleShare, measureOf, type Food } from '../food/index.js';
import {
  gramsOfMassUnit,
  isVolumeWord,
  midpointOf,
  millilitresOf,
  roundHalfAway,
  timesAmount,
  type Amount,
  type MeasuringSystem,
} from '../quantity/index.js';
import { writtenUnit, type Line, type Recipe } from '../recipe/index.js';
import { CONTAINERS, cookingWord, leadingAmount, parseLineText, type ParsedLine } from '../text/index.js';
import type { FoodIndex } from './foodIndex.js';
import { PART_SHARES, partMeasure, partOfFruit } from './fruitPart.js';
import { lengthMeasure } from './lengthMeasure.js';
import { withoutUnit } from './withoutUnit.js';
import { unitSlip } from './unitSlip.js';

/** Grams a serving is assumed to take "to taste" until the developer says otherwise: an assumption, with 50 % uncertainty. */
const TO_TASTE_GRAMS_PER_SERVING = { salt: 1.2, other: 0.3 } as const;
/** Milligrams of sodium in a gram above which a food is salt, for the assumption above. */
const SALTY = 300;

/** What a recipe says of all its lines. Without measures, spoons and cups of different names cannot be added up. */
export type LineSetting = Pick<Recipe, 'servings' | 'measures' | 'amountsPer'>;

/**
 * A line as the kitchen file holds it, from the text typed: taken apart, and matched to a food of the pantry.
 *
 * @param setting of the recipe: servings, for what "to taste" and "per box" come to; whose spoons and cups they are, for "1 cup plus 2 tbsp"
 * @param chosen the food a person picked for these words, over any match
 * @returns a line that is not agreed to where the words may mean another food; one with only its text when no food is sure enough, or when a word where the unit stands is nearly one, or amounts cannot be added up
 */
export function lineFromText(text: string, index: FoodIndex, setting: LineSetting, chosen?: Food): Line {
  const parsed = parseLineText(text);
  const reading = chosen || unitSlip(parsed, index) || isAddedTo(parsed) ? undefined : index.read(parsed);
  const food = chosen ?? reading?.food;
  const taken = food && amountOf(parsed, food, setting);
  if (!food || !taken) return { text };
  const { note } = parsed;
  const part = partOfFruit(note);
  return {
    food: food.id,
    ...taken,
    ...(part !== undefined && parsed.amount !== undefined && !partMeasure(food, part) ? { retained: PART_SHARES[part] } : {}),
    ...(parsed.cooked ? { state: 'cooked' as const } : {}),
    ...cookingFor(parsed, food),
    ...(parsed.optional ? { optional: true } : {}),
    ...(note === undefined ? {} : { note }),
    ...(reading?.sureness === 'unsure' ? { agreed: false } : {}),
    text,
  };
}

/**
 * "3 tbsp + a little vinegar", "2 onions plus 1 tsp": a second amount that cannot be added up. The line is left to the person rather
 * than counted as the first amount alone.
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

type Taken = Pick<Line, 'amount' | 'unit' | 'as' | 'also' | 'toTaste' | 'method'>;

/** The amount of a line for its food; undefined where its parts cannot be added up. */
function amountOf(parsed: ParsedLine, food: Food, { servings, measures, amountsPer }: LineSetting): Taken | undefined {
  if (parsed.amount === undefined) return { toTaste: roundHalfAway(assumedGrams(food) * servings, 0.1) };
  const long = ofLength(parsed, food);
  const part = partOfFruit(parsed.note);
  const unit =
    long?.unit ?? (parsed.unit === undefined && part !== undefined ? partMeasure(food, part) : undefined) ?? unitFor(parsed, food);
  const counted = parsed.also && gramsOfMassUnit(unit) !== undefined ? parsed.also : undefined;
  // "2 cans (400 g)": what is printed on the can is the weight as bought.
  const asBought = counted && (CONTAINERS.has(counted.unit) || measureOf(food, counted.unit)?.edible === false) && edibleShare(food) !== 1;
  const factor = parsed.fullness?.times;
  const summed = sumOf(timesAmount(long?.amount ?? parsed.amount, factor ?? 1), unit, parsed.plus, food, measures);
  if (summed === undefined) return undefined;
  return {
    amount: parsed.perServing && amountsPer !== 'serving' ? timesAmount(summed, servings) : summed,
    unit,
    ...(asBought ? { as: 'AP' as const } : {}),
    // How much more than level a heap is, is judged by eye.
    ...(factor === undefined ? {} : { method: 'eye' as const }),
    ...(parsed.also ? { also: { amount: parsed.also.amount, unit: knownUnit(parsed.also.unit, food) } } : {}),
  };
}

/** A length as pieces of a length that the food says the weight of; undefined where it says none. */
function ofLength({ length, amount }: ParsedLine, food: Food): { readonly amount: Amount; readonly unit: string } | undefined {
  const measure = length === undefined ? undefined : lengthMeasure(food);
  if (!measure || length === undefined || amount === undefined) return undefined;
  return { amount: timesAmount(amount, Number((length / measure.centimetres).toPrecision(6))), unit: measure.name };
}

/** An amount with what is added to it, in the unit of the first; undefined where nobody can say what both come to. */
function sumOf(
  amount: Amount,
  unit: string,
  plus: ParsedLine['plus'],
  food: Food,
  measures: MeasuringSystem | undefined,
): Amount | undefined {
  let sum = midpointOf(amount);
  if (!plus) return amount;
  for (const more of plus) {
    const times = more.unit === unit ? 1 : inUnit(more.unit, unit, food, measures);
    if (times === undefined) return undefined;
    sum += more.amount * times;
  }
  return Number(sum.toPrecision(12));
}

/** How many of one unit another is: by volume where both are volumes, else by what they weigh of the food. */
function inUnit(from: string, to: string, food: Food, measures: MeasuringSystem | undefined): number | undefined {
  const grams = (unit: string) =>
    gramsOfMassUnit(unit) ?? (measures === undefined ? undefined : writtenUnit(unit, food, measures, []).grams);
  if (measures !== undefined && isVolumeWord(from) && isVolumeWord(to)) {
    const [one, other] = [millilitresOf(from, measures), millilitresOf(to, measures)];
    return one === undefined || other === undefined ? undefined : one / other;
  }
  const [one, other] = [grams(from), grams(to)];
  return one === undefined || other === undefined ? undefined : one / other;
}

/** The unit for a food: as written; a bare count by the food's piece, its size, or the count word behind its name. */
function unitFor(parsed: ParsedLine, food: Food): string {
  const { unit, size, countWord } = parsed;
  if (withoutUnit(parsed, food)) return 'g';
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
