import { Module } from '@nestjs/common';
import { FoodsController } from './foods.controller.js';
import { FoodsService } from './foods.service.js';
import { FoodSearchService } from './foodSearch.service.js';

@Module({
  controllers: [FoodsController],
  providers: [FoodsService, FoodSearchService],
  exports: [FoodsService],
})
export class FoodsModule {}
