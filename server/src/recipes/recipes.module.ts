import { Module } from '@nestjs/common';
import { FoodsModule } from '../foods/foods.module.js';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { PacksModule } from '../packs/packs.module.js';
import { PhotosModule } from '../photos/photos.module.js';
import { BriefsController } from './briefs.controller.js';
import { FindingsController } from './findings.controller.js';
import { SubRecipesService } from './subRecipes.service.js';
import { UpstreamChangesService } from './upstreamChanges.service.js';
import { RecipesController } from './recipes.controller.js';
import { RecipeFiguresService } from './recipeFigures.service.js';
import { RecipeListsService } from './recipeLists.service.js';
import { LearnedYieldsService } from './learnedYields.service.js';
import { RecipesService } from './recipes.service.js';
import { RecipeSummariesService } from './recipeSummaries.service.js';
import { VersionsController } from './versions.controller.js';
import { VersionsService } from './versions.service.js';

@Module({
  imports: [KitchensModule, FoodsModule, PacksModule, PhotosModule],
  controllers: [RecipesController, VersionsController, BriefsController, FindingsController],
  providers: [
    LearnedYieldsService,
    RecipesService,
    UpstreamChangesService,
    SubRecipesService,
    RecipeFiguresService,
    RecipeSummariesService,
    RecipeListsService,
    VersionsService,
  ],
  exports: [RecipesService, RecipeFiguresService, SubRecipesService, UpstreamChangesService, RecipeSummariesService, RecipeListsService],
})
export class RecipesModule {}
