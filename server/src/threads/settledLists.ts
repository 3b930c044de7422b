import { Injectable } from '@nestjs/common';
import type { PublishedCardDto } from '../cards/card.dto.js';
import type { RecipeFindingsDto } from '../recipes/finding.dto.js';
import type { ReusablePartDto } from '../recipes/subRecipes.dto.js';
import type { ListedRecipeDto, RecipePageDto } from '../recipes/recipe.dto.js';
import { RecipeListsService, type RecipePage } from '../recipes/recipeLists.service.js';
import type { Scope } from '../scope/scope.js';
import { JsonText } from './jsonText.js';
import { Threads } from './threads.js';

/** Lists of recipes as they are now: what has to be computed first is computed in a thread, what need not be is read at once. */
@Injectable()
export class SettledLists {
  constructor(
    private readonly lists: RecipeListsService,
    private readonly threads: Threads,
  ) {}

  async recipes(scope: Scope): Promise<JsonText<ListedRecipeDto[]>> {
    await this.threads.settled(scope);
    return new JsonText(await this.lists.listText(scope));
  }

  /** Rows that are being computed anew say so, and are computed beside: nobody waits for it. */
  async page(scope: Scope, page: RecipePage): Promise<JsonText<RecipePageDto>> {
    const { computing, text } = await this.lists.page(scope, page);
    if (computing > 0) void this.threads.settling(scope);
    return new JsonText(text);
  }

  async cards(scope: Scope): Promise<JsonText<PublishedCardDto[]>> {
    await this.threads.settled(scope);
    return new JsonText(await this.lists.cardsText(scope));
  }

  async findings(scope: Scope): Promise<JsonText<RecipeFindingsDto[]>> {
    await this.threads.settled(scope);
    return new JsonText(await this.lists.findingsText(scope));
  }

  async parts(scope: Scope, of: string): Promise<JsonText<ReusablePartDto[]>> {
    await this.threads.settled(scope);
    return new JsonText(await this.lists.partsText(scope, of));
  }
}
