import { Injectable } from '@nestjs/common';
import { kitchenFileText } from '@portiona/core';
import { FoodsService } from '../foods/foods.service.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { PacksService } from '../packs/packs.service.js';
import { RecipesService } from '../recipes/recipes.service.js';

@Injectable()
export class ExportsService {
  constructor(
    private readonly kitchens: KitchensService,
    private readonly foods: FoodsService,
    private readonly packs: PacksService,
    private readonly recipes: RecipesService,
  ) {}

  /** Everything the kitchen holds, as a kitchen file: what the import takes in again. */
  async kitchenFile(): Promise<string> {
    const byId = (a: { readonly id?: string }, b: { readonly id?: string }) => ((a.id ?? '') < (b.id ?? '') ? -1 : 1);
    return kitchenFileText({
      settings: await this.kitchens.stated(),
      foods: (await this.foods.known()).sort(byId),
      packs: (await this.packs.known()).sort(byId),
      recipes: (await this.recipes.known()).sort(byId),
    });
  }
}
