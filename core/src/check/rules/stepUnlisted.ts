import type { Food } from '../../food/index.js';
import { foodWords, IDLE, UNSAID } from '../../match/index.js';
import { isOfGroup } from '../reading/foodGroups.js';
import { clauseAt, sentenceAt } from '../reading/stepReading.js';
import { NO_FOOD_ALONE, type CalledFood } from '../reading/calledFood.js';
import type { FoodRun } from '../reading/spokenFoods.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

/** What is said before a food that is not put in: comparisons, ideas to serve it with, what is done without, other ways. */
const NOT_PUT_IN =
  /\b(?:no|not|without|never|instead of|rather than|in place of|like|as (?:thick|big|small|thin|large|soft|smooth|fine|dark|sweet|heavy|long)? ?as|than|(?:the )?(?:size|thickness|consistency|texture|colou?r|weight|shape) of|such as|or|swap|if you (?:like|have|want)|for (?:more|extra)|try|add .{0,20} if|optional(?:ly)?|reserve[ds]? for|free of|for a)(?: \p{L}+){0,3} ?$/iu;
/** What is put beside it when it is eaten, however many things that are. */
const IDEA =
  /\b(?:good|lovely|nice|great|delicious|best|goes well|go well|serve[ds]?|serving|eat(?:en)?|excellent|wonderful|perfect|fine) (?:it |them |this |the \p{L}+ )?(?:hot |cold |warm )?(?:with|on|over|alongside|in|beside)(?:,? \p{L}+){0,9} ?$/iu;
/** What is said behind it that makes it another thing: a vessel, a size, a look. */
const OF_ANOTHER_THING =
  /^[ -](?:jars?|tins?|cans?|dish(?:es)?|bowls?|pots?|pans?|boards?|kni(?:fe|ves)|mills?|spoons?|press|cookers?|paper|box(?:es)?|trays?|boats?|plates?|sized?|shaped|colou?red|like|brown|green|crust|shade|scissors|grinder|spinner|muslin|cloth|wrapper|peeler|brush|slicer|machine|maker|steamer|rack)\b/iu;
/** Never said to be missing from a list: they are on every shelf, or come from the tap. */
const ON_EVERY_SHELF = /^(?:water|salt\b|(?:black |white )?pepper\b|salt, |pepper, (?:black|white))/i;
const STATE_OF: readonly (readonly [said: string, is: RegExp, not: RegExp])[] = [
  ['fresh', /\bfresh\b|\braw\b|\broot\b/i, /\b(?:ground|dried|dry|powder|seed|frozen|canned)\b/i],
  ['ground', /\bground\b|\bpowder\b/i, /\b(?:fresh|raw|root|seed|whole|stick|leaf|leaves)\b/i],
  ['dry', /\bdr(?:ied|y)\b/i, /\b(?:fresh|raw)\b/i],
  ['powder', /\bpowder\b|\bground\b/i, /\b(?:fresh|raw|root)\b/i],
];
/** What a cook makes of what is listed. */
const MADE = /^(?:sauce|soup|salad|mash|dip|filling|curry|stew|salsa|mixture|topping|dressing|gravy)$/;
/** At the head of a clause, and before what it is done to, these are what the cook does. */
const DOES =
  /^(?:cream|butter|oil|flour|juice|mince|zest|salt|pepper|sugar|season|spice|stock|date|water|dress|sauce|pickle|pulse|ginger|mash|pulp|top|milk|fillet|rice|paste)$/i;

/** Steps that use a food of the kitchen which no line lists. */
export function stepUnlisted(ground: CheckGround): Finding[] {
  const { steps, spoken, recipe } = ground;
  // What the dish and its parts are called stands for what is in them.
  const names = [recipe.title, recipe.servingName ?? '', ...recipe.parts.map(({ name }) => name), ...takenNames(ground)];
  const own = new Set(names.flatMap(foodWords));
  const listedWords = new Set(spoken.listed.flatMap(({ words }) => [...words]));
  return steps.flatMap(({ at, text, mentions }) => {
    const found = new Map<string, Food>();
    for (const run of spoken.runsIn(text)) {
      if (mentions.some(({ from, to }) => from < run.to && run.from < to)) continue;
      if (isNoFood(text, run)) continue;
      const food = unlistedOf(run);
      if (food) found.set(food.id, food);
    }
    return [...found.values()].map((food): Finding => ({
      code: 'step-unlisted',
      at,
      severity: 'wrong',
      message: `This step uses ${food.name}, and the list has none: nobody buys it, and no figure counts it. Add a line, or take it out of the step.`,
    }));
  });

  function unlistedOf(run: FoodRun): Food | undefined {
    const saying = run.words.filter((word) => !IDLE.has(word));
    // A tomato sauce is made of the tomatoes that are listed, whatever is sold under that name.
    if (MADE.test(run.head) && saying.every((word) => word === run.head || listedWords.has(word))) return undefined;
    if (saying.length <= 1 && (NO_FOOD_ALONE.has(run.head) || spoken.listed.some(({ food }) => isOfGroup(run.head, food))))
      return undefined;
    const explaining = spoken.listed.filter((one) => explains(one, run));
    const others = spoken
      .unlistedBy(run.head)
      .filter((one) => !ON_EVERY_SHELF.test(one.food.name) && isCalledIn(one, run) && !differsInState(one.food, run));
    if (explaining.length > 0) {
      // Beef mince is another than the turkey mince that is listed, and ground ginger than the root.
      const told = others.find((one) => explaining.every((listed) => tellsApart(one, listed, run)));
      if (told) return told.food;
      if (explaining.some((one) => !differsInState(one.food, run))) return undefined;
      return others.find(({ food }) => hasStateSaid(food, run))?.food;
    }
    // "the sauce" is the part that is called so; soy sauce is another thing.
    if (run.words.every((word) => own.has(word) || listedWords.has(word) || IDLE.has(word))) return undefined;
    return others[0]?.food;
  }
}

/** Whether a word is said that this food is called by and the listed one is not. */
function tellsApart(food: CalledFood, listed: CalledFood, { words, head }: FoodRun): boolean {
  return words.some(
    (word) =>
      word !== head &&
      !IDLE.has(word) &&
      !UNSAID.has(word) &&
      !STATE_OF.some(([said]) => said === word) &&
      food.callings.some((calling) => calling.length > 1 && calling.includes(word) && calling.every((one) => words.includes(one))) &&
      !listed.words.has(word),
  );
}

/** Names of parts that are taken from other recipes. */
function takenNames({ figures }: CheckGround): string[] {
  return figures.lines.flatMap(({ of }) => (of.kind === 'part' ? [of.recipe.title, of.part.part.name] : []));
}

/** A listed food whose names hold what the run is; of zest and juice, what they are of. */
function explains({ words }: CalledFood, { head, of, words: said }: FoodRun): boolean {
  if (words.has(head)) return true;
  if (
    of !== undefined &&
    /^(?:zest|juice|peel|rind|stalk|stem|skin|flesh|core|yolk|white|top|frond|root|bone|liquid|brine|seed|leaf|mixture|mix)$/.test(head)
  )
    return said.slice(0, -1).some((word) => words.has(word));
  return false;
}

/** One of its names is said whole, and stands at the end of what is said. */
function isCalledIn({ callings, food }: CalledFood, { words, head }: FoodRun): boolean {
  const said = new Set(words);
  if (callings.some((calling) => calling.at(-1) === head && calling.every((word) => said.has(word)))) return true;
  // Meat by its animal alone: "the chicken" where no chicken is listed.
  return (
    food.aisle === 'meat-poultry' &&
    words.length === 1 &&
    callings.some((calling) => calling.length > 1 && calling[0] === head && ANIMALS.test(head))
  );
}

const ANIMALS = /^(?:chicken|turkey|beef|pork|lamb|duck|bacon|ham|chorizo)$/;

function differsInState(food: Food, { words }: FoodRun): boolean {
  return STATE_OF.some(([said, , not]) => words.includes(said) && not.test(food.name));
}

function hasStateSaid(food: Food, { words }: FoodRun): boolean {
  return STATE_OF.some(([said, is]) => words.includes(said) && is.test(food.name));
}

function isNoFood(text: string, run: FoodRun): boolean {
  const clause = clauseAt(text, run.from);
  const before = text.slice(clause.from, run.from);
  const sentence = text.slice(sentenceAt(text, run.from).from, run.from);
  if (NOT_PUT_IN.test(before.replace(/[()]/g, ' ')) || IDEA.test(sentence.trimEnd())) return true;
  const behind = text.slice(run.to);
  // "with chives or parsley": one of them is listed, or it is as the cook likes.
  if (OF_ANOTHER_THING.test(behind) || /^,? or\b/i.test(behind)) return true;
  const first = text.slice(run.from, run.to);
  // "Butter the dish", "season, then oil the tray": the word is what the cook does.
  const atHead = /(?:^|[.;:,!?]|\b(?:then|and|to))\s*$/i.test(text.slice(0, run.from));
  return (
    run.words.length === 1 && DOES.test(first) && atHead && /^ (?:the|a|an|your|it|them|with|over|both|each|lightly|well)\b/i.test(behind)
  );
}
