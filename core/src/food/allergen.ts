/** Allergens a food may name, general ones and the cereal or nut by name. */
export const ALLERGENS = [
  'gluten',
  'crustaceans',
  'eggs',
  'fish',
  'peanuts',
  'soy',
  'milk',
  'nuts',
  'celery',
  'mustard',
  'sesame',
  'sulphites',
  'lupin',
  'molluscs',
  'wheat',
  'rye',
  'barley',
  'oats',
  'spelt',
  'almonds',
  'hazelnuts',
  'walnuts',
  'cashews',
  'pecans',
  'brazil-nuts',
  'pistachios',
  'macadamias',
] as const;
export type Allergen = (typeof ALLERGENS)[number];

/** The group a precise allergen belongs to (Regulation (EU) 1169/2011, annex II). */
const GROUP_OF: { readonly [precise in Allergen]?: Allergen } = {
  wheat: 'gluten',
  rye: 'gluten',
  barley: 'gluten',
  oats: 'gluten',
  spelt: 'gluten',
  almonds: 'nuts',
  hazelnuts: 'nuts',
  walnuts: 'nuts',
  cashews: 'nuts',
  pecans: 'nuts',
  'brazil-nuts': 'nuts',
  pistachios: 'nuts',
  macadamias: 'nuts',
};

/**
 * Allergens by their precise names, each once, in annex II order; the bare group only when no precise name stands for it.
 *
 * @example preciseAllergens(['wheat', 'gluten', 'milk']) // ['milk', 'wheat']
 */
export function preciseAllergens(allergens: Iterable<Allergen>): Allergen[] {
  const present = new Set(allergens);
  const named = new Set([...present].map((allergen) => GROUP_OF[allergen]));
  return ALLERGENS.filter((allergen) => present.has(allergen) && !named.has(allergen));
}

/** Allergens with the groups they belong to: almonds are nuts. What avoids a group avoids all of it. */
export function allergensWithGroups(allergens: Iterable<Allergen>): ReadonlySet<Allergen> {
  const present = [...allergens];
  return new Set([...present, ...present.flatMap((allergen) => GROUP_OF[allergen] ?? [])]);
}

/** An allergen as a word in a sentence. */
export function allergenWord(allergen: Allergen): string {
  return allergen === 'brazil-nuts' ? 'Brazil nuts' : allergen;
}

/**
 * Allergens in the words a "contains" line prints: precise names with the group they belong to.
 *
 * @example namedAllergens(['wheat', 'gluten', 'milk']) // ['milk', 'wheat (gluten)']
 */
export function namedAllergens(allergens: Iterable<Allergen>): string[] {
  return preciseAllergens(allergens).map((allergen) => {
    const group = GROUP_OF[allergen];
    return group === undefined ? allergenWord(allergen) : `${allergenWord(allergen)} (${group})`;
  });
}
