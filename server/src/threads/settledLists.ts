import { Injectable } from '@nestjs/common';
import type { PublishedCardDto } from '../cards/card.dto.js';
import type { RecipeFindingsDto } from '../recipes/finding.dto.js';
import type { ReusablePartDto } from '../recipes/subRecipes.dto.js';
import type { ListedRecipeDto, RecipePageDto } from '../recipes/recipe.dto.js';
import { RecipeListsService, type RecipePage } from '../recipes/recipeLists.service.js';
import type { Scope } from '../scope/scope.js';
import { JsonText } from './jsonText.js';
import { Threads } from './threads.js';

/** Milliseconds that a page waits for what is computed anew; after that it is told as it stands, and says so. */
const PATIENCE = 60;

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

  /** Rows that are being computed anew say so: nobody waits for more than a moment. */
  async page(scope: Scope, page: RecipePage): Promise<JsonText<RecipePageDto>> {
    const told = await this.lists.page(scope, page);
    if (told.computing === 0) return new JsonText(told.text);
    const settled = this.threads.settling(scope);
    await Promise.race([settled, new Promise((resolve) => setTimeout(resolve, PATIENCE).unref())]);
    return new JsonText((await this.lists.page(scope, page)).text);
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
