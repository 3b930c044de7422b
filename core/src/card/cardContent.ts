import { allergensWithGroups, namedAllergens, ruleSet, type Allergen, type LabelNutrient, type RuleSet } from '../food/index.js';
import { claimsOf, type Claim } from '../claims/index.js';
import { plainText } from '../quantity/index.js';
import {
  energyShares,
  Kitchen,
  servedOf,
  shareOfFigures,
  stepOf,
  type CardExtra,
  type DishPhoto,
  type EnergyShare,
  type PartFigures,
  type Recipe,
  type RecipeFigures,
} from '../recipe/index.js';
import { fitVessel, partVolume, snappedRecipe, type SnappedRecipe } from '../scale/index.js';
import { boxBand } from '../uncertainty/index.js';
import { atLeast, cardFigure, costFigure, indexFigure, sodiumText, usedFigure, type CardFigure } from './cardFigure.js';
import { cardSections, foodsInPart, type CardSection } from './cardLine.js';
import { pricesOf, type CardPrices } from './cardPrices.js';
import { cardSteps, type CardStep } from './cardSteps.js';
import { cardTable, type CardTableRow } from './cardTable.js';
import { cautionsFor, keptShort, type Cautions, type KeptShort } from './cautions.js';
import { chosenCard, type ChosenCard } from './chosenCard.js';
import type { Correction } from './correction.js';
import { inCardUnits } from './printedRecipe.js';
import pluralize from 'pluralize';

/** Which shape the content of a card has: another one is another number. */
export const CARD_CONTENT_VERSION = 3;

/** Everything a card says, as text: every output prints this and nothing else. Cards of before version 3 lack what is optional here. */
export interface CardContent {
  readonly title: string;
  readonly series: string;
  readonly lead: string;
  readonly servings: number;
  /** "5 boxes". */
  readonly servingsText: string;
  readonly servingName: string;
  readonly weight: CardFigure;
  readonly energy: CardFigure | undefined;
  /** The same energy in kilojoules, where that is printed. */
  readonly energyKj?: CardFigure;
  readonly macros: readonly CardFigure[];
  /** The kitchen's own figure; null where it has none. Cards of version 1 do not say. */
  readonly index?: CardFigure | null;
  /** As printed, whole milligrams, for machine-readable outputs. */
  readonly sodiumMilligrams: string | undefined;
  /** Share of the box's energy from each, 0 to 1, adding up to 1. */
  readonly energyShares: readonly EnergyShare[];
  readonly table?: readonly CardTableRow[];
  /** Grams of each part as they are printed, and as a number for who draws them; cards of before have no number. */
  readonly intoEachBox: readonly {
    readonly grams: string;
    readonly part: string;
    readonly weight?: number;
    readonly figures?: readonly CardFigure[];
  }[];
  readonly used: CardFigure | undefined;
  /** Of all servings together, with what comes at the table. */
  readonly usedForAll?: CardFigure;
  /** Whether something comes at the table. */
  readonly hasTopping?: boolean;
  readonly till: CardFigure | undefined;
  readonly currency: string;
  readonly prices: CardPrices | undefined;
  readonly topping: { readonly name: string; readonly figures: readonly CardFigure[] } | undefined;
  /** What the dish may be said to be: "high fibre". */
  readonly claims?: readonly string[];
  readonly sections: readonly CardSection[];
  readonly steps: readonly CardStep[];
  readonly activeMinutes: number | undefined;
  readonly totalMinutes: number | undefined;
  /** What it is cooked in: "5 l pot". */
  readonly equipment?: readonly string[];
  /** What it is put up in: "5 boxes of 900 ml"; empty where nothing is said of it. */
  readonly boxes?: string;
  readonly cautions: Cautions;
  /** How long it keeps, in a word or two. */
  readonly keeps?: KeptShort;
  readonly allergensInBox: readonly string[];
  readonly allergensAtTable: readonly string[];
  /** What may have come into its foods where they were made, and is in none of them; cards of before have none. */
  readonly allergensMaybe?: readonly string[];
  readonly rules: RuleSet;
  /** How it was chosen to be printed. */
  readonly chosen?: ChosenCard;
  /** What it is signed with. */
  readonly publication?: string;
  readonly address?: string;
  readonly mark?: string;
  readonly photo?: DishPhoto;
  /** What it puts right of the issue before, for readers who hold that. */
  readonly correction?: Correction;
}

/** How far a figure's band reaches to either side, as a share of it, from where on it is only about so much. */
const ABOUT = 0.1;

/** What a recipe's card prints, and what making it measurable changes: its amounts in the measures and the figures of the rule set that were chosen for it. */
export function printedRecipe(
  recipe: Recipe,
  kitchen: Kitchen,
): SnappedRecipe & { readonly kitchen: Kitchen; readonly chosen: ChosenCard } {
  const chosen = chosenCard(recipe, kitchen.settings);
  const { content } = kitchen;
  const printing =
    chosen.rules === content.settings.rules ? kitchen : new Kitchen({ ...content, settings: { ...content.settings, rules: chosen.rules } });
  return { ...snappedRecipe(inCardUnits(recipe, chosen.units, printing), printing), kitchen: printing, chosen };
}

/**
 * What a recipe's card says (docs/reckoning.md, "What the card prints by which rules", "Scaling", "Cautions"): its amounts as
 * people can measure them, and the figures of just these amounts, each rounded once, here, by the rule set that is chosen.
 *
 * @param recipe at its own size
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function cardContent(recipe: Recipe, kitchen: Kitchen): CardContent {
  const { figures, kitchen: printing, chosen } = printedRecipe(recipe, kitchen);
  return contentOf(figures, printing, chosen);
}

function contentOf(figures: RecipeFigures, kitchen: Kitchen, chosen: ChosenCard): CardContent {
  const { recipe, parts, perServing } = figures;
  const { settings } = kitchen;
  const used = parts.filter(({ part }) => servedOf(part) !== 'optional');
  const inBox = parts.filter(({ part }) => servedOf(part) === 'box');
  const servingName = recipe.servingName ?? 'serving';
  const has = (figure: CardExtra) => chosen.figures.includes(figure);
  const energyKj = has('energyKj') ? boxFigure('energyKj', figures, kitchen, chosen) : undefined;
  const { publication, address, mark } = settings.card ?? {};
  return {
    title: recipe.title,
    series: recipe.series === undefined ? '' : `${recipe.series}${recipe.number === undefined ? '' : `, no. ${recipe.number}`}`,
    lead: recipe.lead ?? '',
    servings: recipe.servings,
    servingsText: `${plainText(recipe.servings, 1)} ${pluralize(servingName, recipe.servings)}`,
    servingName,
    weight: {
      figure: 'weight',
      name: 'Weight',
      text: `${atLeast(parts.some(({ lines, estimated }) => estimated && lines.some(({ counted, weights }) => counted && !weights)))}${plainText(perServing.weight, 0)}`,
      unit: 'g',
    },
    energy: boxFigure('energyKcal', figures, kitchen, chosen),
    ...(energyKj ? { energyKj } : {}),
    macros: macrosOf(chosen).flatMap((nutrient) => boxFigure(nutrient, figures, kitchen, chosen) ?? []),
    index: has('index') ? indexFigure(perServing, kitchen) : null,
    sodiumMilligrams: sodiumText(perServing),
    energyShares: energyShares(perServing),
    ...(chosen.table ? { table: cardTable(chosen.rules, perServing) } : {}),
    intoEachBox: inBox
      .filter(({ part }) => part.lines.length > 0)
      .map((part) => ({
        grams: plainText(part.share.portion, 0),
        part: part.part.name,
        weight: part.share.portion,
        ...(chosen.perPart ? { figures: partFigures(part, chosen) } : {}),
      })),
    ...costsOf(figures, chosen, settings.currency),
    currency: settings.currency,
    hasTopping: figures.hasTopping,
    topping: chosen.topping ? toppingOf(figures, chosen) : undefined,
    ...(chosen.claims ? { claims: claimsSaid(figures, chosen) } : {}),
    sections: cardSections(figures, kitchen),
    steps: [...parts.flatMap(splitText).map((text): CardStep => ({ part: '', runs: [{ text }] })), ...cardSteps(figures, kitchen)],
    activeMinutes: recipe.activeMinutes,
    totalMinutes: recipe.totalMinutes,
    equipment: equipmentOf(recipe),
    boxes: boxesText(recipe, servingName),
    cautions: cautionsFor(
      used.flatMap(foodsInPart),
      (recipe.steps ?? []).map(stepOf).flatMap(({ text, or = [] }) => [text, ...or.map((way) => way.text)]),
      recipe.storage,
      inBox.flatMap(foodsInPart),
      settings.guideline,
    ),
    keeps: keptShort(recipe.storage, inBox.flatMap(foodsInPart), settings.guideline),
    allergensInBox: allergensOf(inBox),
    allergensAtTable: allergensOf(parts.filter(({ part }) => servedOf(part) !== 'box')),
    ...maybeOf(parts),
    rules: chosen.rules,
    chosen,
    ...(publication ? { publication } : {}),
    ...(address ? { address } : {}),
    ...(mark ? { mark } : {}),
    ...(recipe.photo ? { photo: recipe.photo } : {}),
  };
}

/** Nutrients beside energy, in the order a card prints them. */
function macrosOf({ figures }: ChosenCard): readonly LabelNutrient[] {
  const within = (nutrient: CardExtra & LabelNutrient): LabelNutrient[] => (figures.includes(nutrient) ? [nutrient] : []);
  return ['protein', 'carbohydrate', ...within('sugars'), 'fat', ...within('saturates'), ...within('fibre'), ...within('salt')];
}

/** A figure of the box, with "about" where that is asked for and its band is wide. */
function boxFigure(nutrient: LabelNutrient, figures: RecipeFigures, kitchen: Kitchen, chosen: ChosenCard): CardFigure | undefined {
  return cardFigure(nutrient, chosen.rules, figures.perServing, chosen.about && isWide(boxBand(nutrient, figures, kitchen.convention)));
}

function isWide(band: readonly [number, number] | undefined): boolean {
  if (!band) return false;
  const [low, high] = band;
  return high - low > ABOUT * (low + high);
}

function partFigures({ nutrients, share }: PartFigures, { rules }: ChosenCard): readonly CardFigure[] {
  const serving = { nutrients: shareOfFigures(nutrients, share.share) };
  return (['energyKcal', 'protein'] as const).flatMap((nutrient) => cardFigure(nutrient, rules, serving) ?? []);
}

function costsOf(
  figures: RecipeFigures,
  { cost }: ChosenCard,
  currency: string,
): Pick<CardContent, 'used' | 'usedForAll' | 'till' | 'prices'> {
  if (cost === 'none') return { used: undefined, till: undefined, prices: undefined };
  const { perServing, batch } = figures;
  const all = cost === 'all' ? usedFigure(batch.usedCost, currency) : undefined;
  return {
    used: usedFigure(perServing.usedCost, currency),
    ...(all ? { usedForAll: all } : {}),
    till: cost === 'all' ? costFigure('tillCost', batch.till.cost?.toNumber(), batch.till.unpriced.length > 0, currency) : undefined,
    prices: pricesOf(figures),
  };
}

function toppingOf({ parts, hasTopping, withTopping }: RecipeFigures, { rules }: ChosenCard): CardContent['topping'] {
  if (!hasTopping) return undefined;
  return {
    name: parts.flatMap(({ part }) => (servedOf(part) === 'table' ? part.name : [])).join(', '),
    figures: (['energyKcal', 'protein'] as const).flatMap((nutrient) => cardFigure(nutrient, rules, withTopping) ?? []),
  };
}

/** Claims that hold under the rules the card is printed by; of "source of" and "high" the one that says more. */
function claimsSaid({ perServing, parts }: RecipeFigures, { rules }: ChosenCard): readonly string[] {
  const unnamed = parts.some(({ lines }) => lines.some(({ of }) => of.kind !== 'food' && of.kind !== 'part'));
  const allergens = unnamed ? undefined : parts.flatMap(foodsInPart).flatMap(({ allergens: own }) => own ?? []);
  const under = ruleSet(rules).claims;
  const holding = claimsOf(perServing, allergens).filter(
    (claim: Claim) => claim.holds === 'yes' && (claim.rules === under || claim.rules === 'any'),
  );
  const names = new Set(holding.map(({ name }) => name));
  return [...names].filter((name) => !names.has(name.replace('source of', 'high') as typeof name) || !name.startsWith('source of'));
}

/** What it is cooked in, by the vessels of its parts and what its brief says. */
function equipmentOf({ parts, brief }: Recipe): readonly string[] {
  const vessels = parts.flatMap(({ vessel }) => (vessel ? `${(vessel.count ?? 1) > 1 ? `${vessel.count} × ` : ''}${vessel.name}` : []));
  return [...new Set([...vessels, ...(brief?.equipment ?? [])])];
}

function boxesText({ servings, brief }: Recipe, servingName: string): string {
  if (brief?.boxVolume === undefined) return '';
  return `${plainText(servings, 1)} ${pluralize(servingName, servings)} of ${plainText(brief.boxVolume, 0)} ml`;
}

/** What must be said where a part does not fit its vessel at once. */
function splitText(figures: PartFigures): string[] {
  const { part } = figures;
  if (!part.vessel) return [];
  const { says } = fitVessel(partVolume(figures), part.vessel);
  return says === '' ? [] : [`${part.name}: ${says.charAt(0).toLowerCase()}${says.slice(1)} Check each by temperature, not by the clock.`];
}

function allergensOf(parts: readonly PartFigures[]): string[] {
  return namedAllergens(parts.flatMap(foodsInPart).flatMap(({ allergens }): readonly Allergen[] => allergens ?? []));
}

function maybeOf(parts: readonly PartFigures[]): Pick<CardContent, 'allergensMaybe'> {
  const foods = parts.flatMap(foodsInPart);
  const there = allergensWithGroups(foods.flatMap(({ allergens }) => allergens ?? []));
  const maybe = foods.flatMap(({ mayContain }) => mayContain ?? []).filter((allergen) => !there.has(allergen));
  return maybe.length === 0 ? {} : { allergensMaybe: namedAllergens(maybe) };
}
