/** Every nutrient of the kitchen file, in the order figures are kept and printed. */
export const NUTRIENTS = [
  'energyKcal',
  'energyKj',
  'protein',
  'fat',
  'saturates',
  'trans',
  'cholesterol',
  'carbohydrate',
  'sugars',
  'addedSugars',
  'fibre',
  'sodium',
  'alcohol',
  'polyols',
  'potassium',
  'calcium',
  'iron',
  'vitaminD',
] as const;

export type Nutrient = (typeof NUTRIENTS)[number];

export type NutrientUnit = 'kcal' | 'kJ' | 'g' | 'mg' | 'ug';

/** What a nutrient is called and what its figures are in. */
export interface NutrientDescription {
  readonly name: string;
  readonly unit: NutrientUnit;
  /** Cooking can destroy or leach it: the only ones a retention factor applies to. */
  readonly survivesInPart: boolean;
}

export const NUTRIENT_DESCRIPTIONS: Readonly<Record<Nutrient, NutrientDescription>> = {
  energyKcal: { name: 'Energy', unit: 'kcal', survivesInPart: false },
  energyKj: { name: 'Energy', unit: 'kJ', survivesInPart: false },
  protein: { name: 'Protein', unit: 'g', survivesInPart: false },
  fat: { name: 'Fat', unit: 'g', survivesInPart: false },
  saturates: { name: 'Saturates', unit: 'g', survivesInPart: false },
  trans: { name: 'Trans fat', unit: 'g', survivesInPart: false },
  cholesterol: { name: 'Cholesterol', unit: 'mg', survivesInPart: false },
  carbohydrate: { name: 'Carbohydrate', unit: 'g', survivesInPart: false },
  sugars: { name: 'Sugars', unit: 'g', survivesInPart: false },
  addedSugars: { name: 'Added sugars', unit: 'g', survivesInPart: false },
  fibre: { name: 'Fibre', unit: 'g', survivesInPart: false },
  sodium: { name: 'Sodium', unit: 'mg', survivesInPart: false },
  alcohol: { name: 'Alcohol', unit: 'g', survivesInPart: false },
  polyols: { name: 'Polyols', unit: 'g', survivesInPart: false },
  potassium: { name: 'Potassium', unit: 'mg', survivesInPart: true },
  calcium: { name: 'Calcium', unit: 'mg', survivesInPart: true },
  iron: { name: 'Iron', unit: 'mg', survivesInPart: true },
  vitaminD: { name: 'Vitamin D', unit: 'ug', survivesInPart: true },
};

/** Grams of salt for one milligram of sodium: salt = sodium x 2.5 (Regulation (EU) 1169/2011, annex I). */
export const SALT_GRAMS_PER_SODIUM_MG = 2.5 / 1000;

/** Kilojoules of one kilocalorie, exact (thermochemical calorie). */
export const KJ_PER_KCAL = 4.184;
