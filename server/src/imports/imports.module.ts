import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { FoodsModule } from '../foods/foods.module.js';
import { PacksModule } from '../packs/packs.module.js';
import { PhotosModule } from '../photos/photos.module.js';
import { RecipesModule } from '../recipes/recipes.module.js';
import { SessionsModule } from '../sessions/sessions.module.js';
import { WeeksModule } from '../weeks/weeks.module.js';
import { ShoppingModule } from '../shopping/shopping.module.js';
import { ImportsController } from './imports.controller.js';
import { ImportsService } from './imports.service.js';

@Module({
  imports: [BatchesModule, FoodsModule, PacksModule, PhotosModule, RecipesModule, SessionsModule, ShoppingModule, WeeksModule],
  controllers: [ImportsController],
  providers: [ImportsService],
  exports: [ImportsService],
})
export class ImportsModule {}
