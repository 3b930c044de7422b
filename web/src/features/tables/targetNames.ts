import { TABLE_TARGETS, type TableTarget } from '@portiona/core';

/** What a column may hold, in words; the order they are offered in. */
const NAMES: Readonly<Record<TableTarget, string>> = {
  code: 'Code of the food',
  name: 'Name of the food',
  otherNames: 'Other names',
  group: 'Group, as aisle',
  basis: 'What its figures are for',
  refuse: 'Not eaten, share',
  edible: 'Eaten, share',
  density: 'Density',
  energy: 'Energy',
  protein: 'Protein',
  fat: 'Fat',
  saturates: 'Saturates',
  trans: 'Trans fat',
  cholesterol: 'Cholesterol',
  carbohydrateAvailable: 'Carbohydrate, fibre not in it',
  carbohydrateTotal: 'Carbohydrate, fibre in it',
  sugars: 'Sugars',
  addedSugars: 'Added sugars',
  fibre: 'Fibre',
  sodium: 'Sodium',
  salt: 'Salt',
  alcohol: 'Alcohol',
  polyols: 'Polyols',
  potassium: 'Potassium',
  calcium: 'Calcium',
  iron: 'Iron',
  vitaminD: 'Vitamin D',
};

export const TARGET_CHOICES: readonly (readonly [TableTarget, string])[] = TABLE_TARGETS.map((target) => [target, NAMES[target]]);

/** A target in words. */
export function targetName(target: TableTarget): string {
  return NAMES[target];
}

/** A unit as it is written. */
export function unitName(unit: string): string {
  return unit === 'ug' ? 'µg' : unit === '1' ? 'share of 1' : unit;
}
