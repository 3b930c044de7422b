import { Module } from '@nestjs/common';
import { FoodsModule } from '../foods/foods.module.js';
import { PacksModule } from '../packs/packs.module.js';
import { RecipesModule } from '../recipes/recipes.module.js';
import { ShoppingModule } from '../shopping/shopping.module.js';
import { MergesController } from './merges.controller.js';
import { MergesService } from './merges.service.js';

@Module({
  imports: [FoodsModule, PacksModule, RecipesModule, ShoppingModule],
  controllers: [MergesController],
  providers: [MergesService],
  exports: [MergesService],
})
export class MergesModule {}
