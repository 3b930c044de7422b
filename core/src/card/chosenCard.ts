import type { RuleSet } from '../food/index.js';
import type { CardChoices, CardExtra, Recipe, Settings } from '../recipe/index.js';

/** How a card is printed, everything said. */
export type ChosenCard = Required<CardChoices>;

/** Figures that cards of a rule set print beside energy, protein, carbohydrate and fat, unless other ones are chosen. */
const USUAL_FIGURES: Readonly<Record<RuleSet, readonly CardExtra[]>> = {
  eu: ['energyKj', 'sugars', 'saturates', 'fibre', 'salt', 'index'],
  us: ['sugars', 'saturates', 'fibre', 'salt', 'index'],
  plain: ['saturates', 'fibre', 'salt', 'index'],
};

/** How a recipe's card is printed: as chosen for the dish, else as the kitchen's cards are, else as usual. */
export function chosenCard(recipe: Pick<Recipe, 'card'>, settings: Pick<Settings, 'rules' | 'card'>): ChosenCard {
  const choices = { ...settings.card?.choices, ...recipe.card };
  const rules = choices.rules ?? settings.rules;
  return {
    units: choices.units ?? 'written',
    rules,
    figures: choices.figures ?? USUAL_FIGURES[rules],
    // Both laws ask for their figures as a table wherever there is room for one.
    table: choices.table ?? rules !== 'plain',
    cost: choices.cost ?? 'all',
    perPart: choices.perPart ?? false,
    topping: choices.topping ?? true,
    about: choices.about ?? false,
    claims: choices.claims ?? false,
    numbers: choices.numbers ?? 'en',
    cautions: choices.cautions ?? 'full',
  };
}
