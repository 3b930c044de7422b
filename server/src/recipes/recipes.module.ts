import { Module } from '@nestjs/common';
import { FoodsModule } from '../foods/foods.module.js';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { PacksModule } from '../packs/packs.module.js';
import { BriefsController } from './briefs.controller.js';
import { BasesService } from './bases.service.js';
import { BasisService } from './basis.service.js';
import { RecipesController } from './recipes.controller.js';
import { RecipeFiguresService } from './recipeFigures.service.js';
import { RecipeListsService } from './recipeLists.service.js';
import { RecipesService } from './recipes.service.js';
import { RecipeSummariesService } from './recipeSummaries.service.js';
import { VersionsController } from './versions.controller.js';
import { VersionsService } from './versions.service.js';

@Module({
  imports: [KitchensModule, FoodsModule, PacksModule],
  controllers: [RecipesController, VersionsController, BriefsController],
  providers: [
    RecipesService,
    BasisService,
    BasesService,
    RecipeFiguresService,
    RecipeSummariesService,
    RecipeListsService,
    VersionsService,
  ],
  exports: [RecipesService, RecipeFiguresService, BasesService, BasisService, RecipeSummariesService, RecipeListsService],
})
export class RecipesModule {}
