import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { FoodsModule } from '../foods/foods.module.js';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { PacksModule } from '../packs/packs.module.js';
import { PhotosModule } from '../photos/photos.module.js';
import { RecipesModule } from '../recipes/recipes.module.js';
import { SessionsModule } from '../sessions/sessions.module.js';
import { WeeksModule } from '../weeks/weeks.module.js';
import { ShoppingModule } from '../shopping/shopping.module.js';
import { ExportsController } from './exports.controller.js';
import { ExportsService } from './exports.service.js';

@Module({
  imports: [
    KitchensModule,
    FoodsModule,
    PacksModule,
    PhotosModule,
    RecipesModule,
    BatchesModule,
    SessionsModule,
    ShoppingModule,
    WeeksModule,
  ],
  controllers: [ExportsController],
  providers: [ExportsService],
  exports: [ExportsService],
})
export class ExportsModule {}
