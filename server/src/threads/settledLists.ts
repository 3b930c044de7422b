import { Injectable } from '@nestjs/common';
import type { PublishedCardDto } from '../cards/card.dto.js';
import type { TakeablePartDto } from '../recipes/bases.dto.js';
import type { ListedRecipeDto, RecipePageDto } from '../recipes/recipe.dto.js';
import { RecipeListsService, type RecipePage } from '../recipes/recipeLists.service.js';
import { JsonText } from './jsonText.js';
import { Threads } from './threads.js';

/** Lists of recipes as they are now: what has to be computed first is computed in a thread, what need not be is read at once. */
@Injectable()
export class SettledLists {
  constructor(
    private readonly lists: RecipeListsService,
    private readonly threads: Threads,
  ) {}

  async recipes(): Promise<JsonText<ListedRecipeDto[]>> {
    await this.#settled();
    return new JsonText(await this.lists.listText());
  }

  async page(page: RecipePage): Promise<JsonText<RecipePageDto>> {
    await this.#settled();
    return new JsonText(await this.lists.pageText(page));
  }

  async cards(): Promise<JsonText<PublishedCardDto[]>> {
    await this.#settled();
    return new JsonText(await this.lists.cardsText());
  }

  async parts(of: string): Promise<JsonText<TakeablePartDto[]>> {
    await this.#settled();
    return new JsonText(await this.lists.partsText(of));
  }

  async #settled(): Promise<void> {
    if (!(await this.lists.areSettled())) await this.threads.text('settleRecipes');
  }
}
