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
  type CardSettings,
  type CardUnits,
  type DishPhoto,
  type NumberStyle,
  type PhotoCrop,
} from '../recipe/index.js';
import { Flag, Id, ListOf, One, OneOf, Optional, Quantity, Text } from './constraints.js';

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

/** What a kitchen's cards are signed with, and how they are printed. */
export class CardSettingsEntry implements CardSettings {
  @Optional() @Text(80) publication?: string;
  @Optional() @Text(120) address?: string;
  @Optional() @Text(3) mark?: string;
  @Optional() @One(() => CardChoicesEntry) choices?: CardChoicesEntry;
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
export const CARD_CLASSES = [CardChoicesEntry, CardSettingsEntry, PhotoCropEntry, PhotoCropsEntry, DishPhotoEntry] as const;
