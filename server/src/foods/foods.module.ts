import { Module } from '@nestjs/common';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { FoodsController } from './foods.controller.js';
import { FoodsService } from './foods.service.js';
import { FoodSearchService } from './foodSearch.service.js';

@Module({
  imports: [KitchensModule],
  controllers: [FoodsController],
  providers: [FoodsService, FoodSearchService],
  exports: [FoodsService],
})
export class FoodsModule {}
