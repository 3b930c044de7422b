import type { Food } from '../food/index.js';
import type { Kitchen, Recipe, RecipeFigures } from '../recipe/index.js';
import { SpokenFoods } from './reading/spokenFoods.js';
import { stepReadings, type StepReading } from './reading/stepReading.js';

/** What the rules of Check look at: a dish, its figures, and its words as they are read. Each is read when it is first asked for. */
export class CheckGround {
  readonly recipe: Recipe;
  #steps: readonly StepReading[] | undefined;
  #spoken: SpokenFoods | undefined;

  /** @param figures of the recipe, at its own size */
  constructor(
    readonly figures: RecipeFigures,
    readonly kitchen: Kitchen,
  ) {
    this.recipe = figures.recipe;
  }

  /** Steps in order, other ways to do one behind it. */
  get steps(): readonly StepReading[] {
    return (this.#steps ??= stepReadings(this.recipe, this.kitchen));
  }

  /** Steps as they are done unless one chooses otherwise. */
  get mainSteps(): readonly StepReading[] {
    return this.steps.filter(({ isWay }) => !isWay);
  }

  get spoken(): SpokenFoods {
    return (this.#spoken ??= new SpokenFoods(this.figures, this.kitchen));
  }

  /** Title and lead, where they are written. */
  get headTexts(): readonly { readonly at: 'title' | 'lead'; readonly text: string }[] {
    const { title, lead } = this.recipe;
    return [{ at: 'title' as const, text: title }, ...(lead === undefined ? [] : [{ at: 'lead' as const, text: lead }])];
  }

  /** Foods of the lines, those of parts of other recipes with them, each once. */
  get foods(): readonly Food[] {
    const foods = new Map<string, Food>();
    const add = (lines: RecipeFigures['lines']): void => {
      for (const { of } of lines) {
        if (of.kind === 'food') foods.set(of.resolved.food.id, of.resolved.food);
        if (of.kind === 'part') add(of.part.lines);
      }
    };
    add(this.figures.lines);
    return [...foods.values()];
  }
}
