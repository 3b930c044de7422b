import type { Food } from '../food/index.js';
import type { FoodIndex } from '../match/index.js';
import { bestPack, candidatePacks, packGrams, type CandidatePack, type Pack, type PriceSettings } from '../price/index.js';
import { parseLineText, searchWords } from '../text/index.js';
import { packSizeText } from './packSize.js';
import type { ReceiptLine } from './receiptLines.js';

/** How a shop's words came to a food. */
export type MatchedBy = 'remembered' | 'words' | 'unsure' | undefined;

/** A receipt's line with the food it is most likely of, and how its price stands to what is paid now. */
export interface MatchedLine {
  readonly line: ReceiptLine;
  readonly food: Food | undefined;
  readonly by: MatchedBy;
  /** Why it may be another food; only of unsure ones. */
  readonly why: string | undefined;
  /** Of one pack; undefined where the size or the food's weight is not known. */
  readonly grams: number | undefined;
  /** The food's best current pack, which the price is held against. */
  readonly now: CandidatePack | undefined;
  /** Major units a kilogram; undefined where the size or the food's weight is not known. */
  readonly perKg: number | undefined;
  /** The price a kilogram over that of the food's best current pack, less 1: 0.2 is a fifth dearer. */
  readonly change: number | undefined;
  /** Too far from before to be believed: most often the size is another. */
  readonly doubtful: boolean;
}

/** Words of shops that say nothing about the food: how it is sold, and how good it is meant to be. */
const SALES =
  /\b(?:loose|lose|organic|bio|eco|fresh|frisch|class\s*(?:i{1,2}|1|2)|cat\s*(?:1|2)|tin|tins|can|cans|dose|jar|bunch|bund|pack|packet|pkt|bag|btl|bottle|punnet|net|tray|value|own brand|large|medium|small|kl|ea|each)\b/gi;

/** The words of an item that name a food. */
export function itemWords(item: string): string {
  const bare = packSizeText(item).rest;
  const named = bare.replace(SALES, ' ').replace(/\s+/g, ' ').trim();
  return named === '' ? bare : named;
}

/** What a shop calls something, bare of size, case and accents: what a choice of food is remembered by. */
export function itemKey(item: string): string {
  return searchWords(packSizeText(item).rest).join(' ');
}

const DOUBTFUL_TIMES = 3;

/**
 * Finds each line's food: the one remembered for the shop's words, else the one that its words mean, with how sure that is.
 *
 * @param remembered food by `itemKey`
 * @param packsOf packs of a food, to hold the price against
 */
export function matchedLine(
  line: ReceiptLine,
  foods: ReadonlyMap<string, Food>,
  index: FoodIndex,
  remembered: ReadonlyMap<string, string>,
  packsOf: (food: string) => readonly Pack[],
  settings: PriceSettings,
): MatchedLine {
  const known = foods.get(remembered.get(itemKey(line.item)) ?? '');
  const reading = known ? undefined : index.read(parseLineText(itemWords(line.item).toLowerCase()));
  const food = known ?? reading?.food;
  const unsure = reading?.sureness === 'unsure';
  const by = known ? 'remembered' : !food ? undefined : unsure ? 'unsure' : 'words';
  return { line, food, by, why: unsure ? reading.reason : undefined, ...standing(line, food, packsOf, settings) };
}

/** How a line's price stands to the food's best current pack. */
export function standing(
  { net, unit, price, currency }: Pick<ReceiptLine, 'net' | 'unit' | 'price' | 'currency'>,
  food: Food | undefined,
  packsOf: (food: string) => readonly Pack[],
  settings: PriceSettings,
): Pick<MatchedLine, 'grams' | 'now' | 'perKg' | 'change' | 'doubtful'> {
  const grams = food && net !== undefined && unit !== undefined ? packGrams({ net, unit }, food) : undefined;
  if (!food || !grams || grams <= 0) return { grams: undefined, now: undefined, perKg: undefined, change: undefined, doubtful: false };
  const perKg = (Number(price) / grams) * 1000;
  // Another currency's price is held against none.
  if (currency !== settings.currency) return { grams, now: undefined, perKg, change: undefined, doubtful: false };
  const now = bestPack(candidatePacks(food, packsOf(food.id), settings));
  if (!now || now.perKg === 0) return { grams, now, perKg, change: undefined, doubtful: false };
  const times = perKg / now.perKg;
  return { grams, now, perKg, change: times - 1, doubtful: times > DOUBTFUL_TIMES || times < 1 / DOUBTFUL_TIMES };
}
