import type { Choice } from './ingredientMention';

/** Most ingredients offered at once. */
const MOST_CHOICES = 8;

/** The ingredients that a step can mention, as the recipe stands when the editor asks. */
export class IngredientOffer {
  #choices: readonly Choice[] = [];

  renew(choices: readonly Choice[]): void {
    this.#choices = choices;
  }

  /** Ingredients that begin like what is typed, in any of their words. */
  for(typed: string): Choice[] {
    const sought = typed.toLowerCase();
    return this.#choices
      .filter(({ words }) => [words, ...words.split(/\s+/)].some((word) => word.toLowerCase().startsWith(sought)))
      .slice(0, MOST_CHOICES);
  }
}
