import { RULE_SETS, type RuleSet } from '../food/index.js';
import {
  CARD_CAUTIONS,
  CARD_COSTS,
  CARD_FIGURES,
  CARD_UNITS,
  NUMBER_STYLES,
  type CardCautions,
  type CardChoices,
  type CardCost,
  type CardExtra,
  type CardSeries,
  type CardSettings,
  type CardTolerances,
  type CardUnits,
  type DishPhoto,
  type NumberStyle,
  type PhotoCrop,
} from '../recipe/index.js';
import { Flag, Id, ListOf, Many, One, OneOf, Optional, Quantity, Text } from './constraints.js';

/** How cards are printed. */
export class CardChoicesEntry implements CardChoices {
  @Optional() @OneOf(CARD_UNITS) units?: CardUnits;
  @Optional() @OneOf(RULE_SETS) rules?: RuleSet;
  @Optional() @ListOf(CARD_FIGURES) figures?: CardExtra[];
  @Optional() @Flag() table?: boolean;
  @Optional() @OneOf(CARD_COSTS) cost?: CardCost;
  @Optional() @Flag() perPart?: boolean;
  @Optional() @Flag() topping?: boolean;
  @Optional() @Flag() about?: boolean;
  @Optional() @Flag() claims?: boolean;
  @Optional() @OneOf(NUMBER_STYLES) numbers?: NumberStyle;
  @Optional() @OneOf(CARD_CAUTIONS) cautions?: CardCautions;
}

/** How far figures of a published card may move, in percent. */
export class CardTolerancesEntry implements CardTolerances {
  @Optional() @Quantity({ most: 100 }) energyKcal?: number;
  @Optional() @Quantity({ most: 100 }) protein?: number;
  @Optional() @Quantity({ most: 100 }) carbohydrate?: number;
  @Optional() @Quantity({ most: 100 }) sugars?: number;
  @Optional() @Quantity({ most: 100 }) fat?: number;
  @Optional() @Quantity({ most: 100 }) saturates?: number;
  @Optional() @Quantity({ most: 100 }) fibre?: number;
  @Optional() @Quantity({ most: 100 }) salt?: number;
  @Optional() @Quantity({ most: 100 }) weight?: number;
  @Optional() @Quantity({ most: 100 }) usedCost?: number;
  @Optional() @Quantity({ most: 100 }) tillCost?: number;
}

/** What a series says of itself. */
export class CardSeriesEntry implements CardSeries {
  @Text(120, true) name: string;
  @Optional() @Text(200) subtitle?: string;
  @Optional() @Text(2000) about?: string;
}

/** What a kitchen's cards are signed with, and how they are printed. */
export class CardSettingsEntry implements CardSettings {
  @Optional() @Text(80) publication?: string;
  @Optional() @Text(120) address?: string;
  @Optional() @Text(3) mark?: string;
  @Optional() @One(() => CardChoicesEntry) choices?: CardChoicesEntry;
  @Optional() @One(() => CardTolerancesEntry) tolerances?: CardTolerancesEntry;
  @Optional() @Many(() => CardSeriesEntry, 200, 'series') series?: CardSeriesEntry[];
}

/** A part of a picture, in shares of its sides. */
export class PhotoCropEntry implements PhotoCrop {
  @Quantity({ below: 1 }) x: number;
  @Quantity({ below: 1 }) y: number;
  @Quantity({ above: 0, most: 1 }) width: number;
  @Quantity({ above: 0, most: 1 }) height: number;
}

/** What of a photo is shown, by shape. */
export class PhotoCropsEntry {
  @Optional() @One(() => PhotoCropEntry) band?: PhotoCropEntry;
  @Optional() @One(() => PhotoCropEntry) upright?: PhotoCropEntry;
  @Optional() @One(() => PhotoCropEntry) square?: PhotoCropEntry;
}

/** The photo of a dish: one of the file's list. */
export class DishPhotoEntry implements DishPhoto {
  @Id() id: string;
  @Optional() @Text(300) alt?: string;
  @Optional() @One(() => PhotoCropsEntry) crops?: PhotoCropsEntry;
}

/** Every class of cards, for the schema. */
export const CARD_CLASSES = [
  CardChoicesEntry,
  CardTolerancesEntry,
  CardSeriesEntry,
  CardSettingsEntry,
  PhotoCropEntry,
  PhotoCropsEntry,
  DishPhotoEntry,
] as const;
