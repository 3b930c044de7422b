import { cardContent, cardDrift, type CardContent, type CardDrift } from '../card/index.js';
import type { Food } from '../food/index.js';
import { currencySign, moneyText, type CandidatePack } from '../price/index.js';
import { plainText } from '../quantity/index.js';
import {
  computed,
  foodsOf,
  Kitchen,
  recipesUnder,
  sameDocument,
  type KitchenContent,
  type Recipe,
  type Settings,
} from '../recipe/index.js';
import { changedFood } from './changedFood.js';

/** A recipe in the kitchen it is reckoned in. */
export interface Dish {
  readonly recipe: Recipe;
  readonly kitchen: Kitchen;
}

/** What moved a card: the recipe, one it takes parts of, a label, a price, what batches taught, the kitchen's settings, the day, or the reckoning itself. */
export const CAUSE_KINDS = ['recipe', 'base', 'label', 'price', 'learned', 'settings', 'day', 'reckoning'] as const;
export type CauseKind = (typeof CAUSE_KINDS)[number];

/** One thing that changed under a published card, and what reads otherwise because of it. */
export interface DriftCause {
  readonly kind: CauseKind;
  /** The food, or the recipe taken, by its id; empty where it is neither. */
  readonly of: string;
  /** As a sentence has it: "the label of Vegetable stock changed". */
  readonly text: string;
  /** What changed in it: "energy 21 → 29 kcal per 100 g"; empty where what moved says it. */
  readonly change: string;
  readonly moved: readonly CardDrift[];
}

/** A change that is made next, and the dish as it is with it. */
interface Stage extends Omit<DriftCause, 'moved'> {
  readonly dish: Dish;
}

/**
 * Why a published card reads otherwise today: everything that changed under it, one thing after the other, each with what it moved
 * of what is printed. The recipe's own change comes first, so that a label or a price moves the dish as it stands; what each moved
 * adds up to the whole drift.
 *
 * @param published the card as it was published
 * @param then what it was computed from
 * @returns those that moved something, in the order they were made
 */
export function driftCauses(published: CardContent, then: Dish, now: Dish): readonly DriftCause[] {
  let before = asKept(published);
  let waiting: Stage[] = [];
  return stagesOf(then, now).flatMap((stage) => {
    const { recipe, kitchen } = stage.dish;
    const made = computed(() => asKept(cardContent(recipe, kitchen)));
    waiting.push(stage);
    // A recipe that another one has to change for goes along with that.
    if (!made.ok) return [];
    const moved = cardDrift(before, made.made);
    before = made.made;
    const [first, ...others] = waiting;
    waiting = [];
    if (!first || moved.length === 0) return [];
    const { dish: _dish, ...cause } = first;
    return [{ ...cause, text: [cause, ...others].map(({ text }) => text).join(', and '), moved }];
  });
}

/** From what was published to what stands: each change on top of those before it. */
function stagesOf(then: Dish, now: Dish): readonly Stage[] {
  const stages: Stage[] = [
    {
      kind: 'reckoning',
      of: '',
      text: 'Portiona reckons or prints it otherwise since',
      change: '',
      dish: { ...then, kitchen: then.kitchen },
    },
  ];
  const { content: was } = then.kitchen;
  const { content: is } = now.kitchen;
  const bases = recipesUnder(now.recipe, now.kitchen).slice(1);
  const foods = [...new Set([now.recipe, ...bases].flatMap(foodsOf))];
  // Not the whole pantry: a kitchen is put together for every change.
  const come = foods.filter((id) => then.kitchen.food(id) === undefined);
  let content: KitchenContent = {
    ...was,
    foods: [...was.foods, ...come.flatMap((id) => now.kitchen.food(id) ?? [])],
    packs: [...was.packs, ...come.flatMap((id) => now.kitchen.packsOf(id))],
    recipes: [...was.recipes, ...bases.filter(({ id }) => then.kitchen.recipe(id) === undefined)],
  };
  let { recipe } = then;
  const step = (cause: Omit<Stage, 'dish'>, change: Partial<KitchenContent>) => {
    content = { ...content, ...change };
    stages.push({ ...cause, dish: { recipe, kitchen: new Kitchen(content) } });
  };
  if (!sameDocument(reckoned(recipe), reckoned(now.recipe))) {
    recipe = now.recipe;
    step({ kind: 'recipe', of: '', text: 'the recipe was changed', change: '' }, { recipes: replaced(content.recipes, now.recipe) });
  }
  for (const base of bases) {
    const before = then.kitchen.recipe(base.id);
    if (before && !sameDocument(reckoned(before), reckoned(base)))
      step(
        { kind: 'base', of: base.id, text: `${base.title}, which it takes, was changed`, change: '' },
        { recipes: replaced(content.recipes, base) },
      );
  }
  for (const id of foods) {
    const [before, after] = [then.kitchen.food(id), now.kitchen.food(id)];
    if (!before || !after || sameDocument(before, after)) continue;
    const change = changedFood(before, after);
    const text = change === '' ? `${after.name} was changed` : `the label of ${after.name} changed`;
    step({ kind: 'label', of: id, text, change }, { foods: content.foods.map((food) => (food.id === id ? after : food)) });
  }
  for (const id of foods) {
    const food = now.kitchen.food(id);
    if (!food || sameDocument(then.kitchen.packsOf(id), now.kitchen.packsOf(id))) continue;
    const packs = [...content.packs.filter((pack) => pack.food !== id), ...now.kitchen.packsOf(id)];
    step(
      { kind: 'price', of: id, text: `the price of ${food.name} changed`, change: changedPrice(then.kitchen, now.kitchen, food) },
      { packs },
    );
  }
  step(
    { kind: 'learned', of: '', text: 'batches have taught another yield', change: '' },
    is.learned ? { learned: is.learned } : { learned: new Map() },
  );
  step(
    { kind: 'settings', of: '', text: 'settings of the kitchen changed', change: changedSettings(was.settings, is.settings) },
    { settings: { ...is.settings, date: was.settings.date } },
  );
  // Whatever is left is of the day: prices of then that are too old by now, or dearer since an offer ended.
  return [
    ...stages,
    { kind: 'day', of: '', text: 'prices that counted then no longer do', change: `${was.settings.date} → ${is.settings.date}`, dish: now },
  ];
}

/** What of a recipe a card is made of. */
function reckoned({ photo: _photo, accepted: _accepted, ...recipe }: Recipe): unknown {
  return recipe;
}

function replaced(recipes: readonly Recipe[], by: Recipe): Recipe[] {
  return recipes.map((recipe) => (recipe.id === by.id ? by : recipe));
}

/** Packs told of a price, at most. */
const MOST_PACKS = 3;

/** What changed of the packs that count, each by its shop and size. @example "€ 1.20 → € 1.45 for 500 g at Northgate" */
function changedPrice(then: Kitchen, now: Kitchen, { id }: Food): string {
  const priced = (kitchen: Kitchen) =>
    new Map((kitchen.food(id) ? kitchen.resolvedFood(id).candidates : []).map((one) => [packText(one), priceText(one, kitchen)]));
  const [before, after] = [priced(then), priced(now)];
  const changed = [...new Set([...before.keys(), ...after.keys()])].flatMap((pack) => {
    const [was, is] = [before.get(pack), after.get(pack)];
    return was === is ? [] : [`${was ?? 'no price'} → ${is ?? 'no price'} ${pack}`];
  });
  const more = changed.length - MOST_PACKS;
  return [...changed.slice(0, MOST_PACKS), ...(more > 0 ? [`${more} more`] : [])].join('; ');
}

function packText({ pack: { net, unit, shop } }: CandidatePack): string {
  return `for ${plainText(net, 2)} ${unit} at ${shop}`;
}

function priceText({ price }: CandidatePack, { settings: { currency } }: Kitchen): string {
  return `${currencySign(currency)} ${moneyText(price.toNumber(), currency)}`;
}

/** Settings that a card is made by, as people call them. */
const SETTINGS: { readonly [key in keyof Settings]?: string } = {
  currency: 'currency',
  measures: 'measures',
  rules: 'label rules',
  staples: 'whether staples cost',
  maxPriceAge: 'how old a price may be',
  index: 'its own figure',
  guideline: 'whose advice on keeping it follows',
  card: 'how its cards are printed',
};

function changedSettings(was: Settings, is: Settings): string {
  return (Object.keys(SETTINGS) as (keyof typeof SETTINGS)[])
    .flatMap((key) => (sameDocument(was[key] ?? null, is[key] ?? null) ? [] : [SETTINGS[key] ?? '']))
    .join(', ');
}

/** As it comes back from where it is kept: what is undefined is not there. */
function asKept(content: CardContent): CardContent {
  return JSON.parse(JSON.stringify(content)) as CardContent;
}
