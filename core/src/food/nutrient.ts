import { NUTRIENT_TABLE } from './nutrientTable.js';

export type { NutrientUnit } from './nutrientTable.js';

/** What a label or a card can name: every nutrient, and salt where a rule set asks for it. */
export type LabelNutrient = keyof typeof NUTRIENT_TABLE;

/** What is kept of a food: salt is kept as its sodium. */
export type Nutrient = Exclude<LabelNutrient, 'salt'>;

/** Every nutrient and salt, in the order of their table. */
export const LABEL_NUTRIENTS = Object.keys(NUTRIENT_TABLE) as readonly LabelNutrient[];

/** Every nutrient of the kitchen file, in the order figures are kept and printed. */
export const NUTRIENTS = LABEL_NUTRIENTS.filter((nutrient): nutrient is Nutrient => nutrient !== 'salt');

/** Grams of salt for one milligram of sodium: salt = sodium x 2.5 (Regulation (EU) 1169/2011, annex I). */
export const SALT_GRAMS_PER_SODIUM_MG = 2.5 / 1000;

/** Kilojoules of one kilocalorie, exact (thermochemical calorie). */
export const KJ_PER_KCAL = 4.184;
