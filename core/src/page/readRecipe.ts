import type { StatedNutrition } from '../recipe/index.js';

/** Lines that belong together, as "For the dressing". */
export interface ReadSection {
  readonly name: string;
  readonly lines: readonly string[];
  /** "To serve", toppings: added by the person who eats it. */
  readonly atTable?: true;
}

/** A step, and the heading it stands under. */
export interface ReadStep {
  readonly text: string;
  readonly section?: string;
}

/** A recipe as it was read, for a person to look over: text, nothing matched yet. */
export interface ReadRecipe {
  readonly title: string;
  readonly servings: number | undefined;
  readonly servingName: string | undefined;
  readonly sections: readonly ReadSection[];
  readonly steps: readonly ReadStep[];
  readonly activeMinutes: number | undefined;
  readonly totalMinutes: number | undefined;
  /** Where it says it is from. */
  readonly source: string | undefined;
  readonly stated: StatedNutrition | undefined;
  /** What was passed over as no part of the recipe: notes, what is needed to cook it. */
  readonly left: readonly string[];
}
