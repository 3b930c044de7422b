import { Module } from '@nestjs/common';
import { FoodsModule } from '../foods/foods.module.js';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { PhotosModule } from '../photos/photos.module.js';
import { RecipesModule } from '../recipes/recipes.module.js';
import { BatchesController } from './batches.controller.js';
import { BatchesService } from './batches.service.js';

@Module({
  imports: [KitchensModule, FoodsModule, PhotosModule, RecipesModule],
  controllers: [BatchesController],
  providers: [BatchesService],
  exports: [BatchesService],
})
export class BatchesModule {}
