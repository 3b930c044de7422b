import { Module } from '@nestjs/common';
import { FoodsController } from './foods.controller.js';
import { FoodsService } from './foods.service.js';
import { FoodSearchService } from './foodSearch.service.js';
import { TableFoodsService } from './tableFoods.service.js';

@Module({
  controllers: [FoodsController],
  providers: [FoodsService, FoodSearchService, TableFoodsService],
  exports: [FoodsService, TableFoodsService],
})
export class FoodsModule {}
