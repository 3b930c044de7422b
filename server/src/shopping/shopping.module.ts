import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { FoodsModule } from '../foods/foods.module.js';
import { PacksModule } from '../packs/packs.module.js';
import { RecipesModule } from '../recipes/recipes.module.js';
import { SessionsModule } from '../sessions/sessions.module.js';
import { ShoppingController } from './shopping.controller.js';
import { ShoppingService } from './shopping.service.js';
import { StockService } from './stock.service.js';

@Module({
  imports: [BatchesModule, FoodsModule, PacksModule, RecipesModule, SessionsModule],
  controllers: [ShoppingController],
  providers: [ShoppingService, StockService],
  exports: [ShoppingService, StockService],
})
export class ShoppingModule {}
