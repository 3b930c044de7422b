import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { FoodEntity } from './food.entity.js';
import { FoodsController } from './foods.controller.js';
import { FoodsService } from './foods.service.js';
import { FoodSearchService } from './foodSearch.service.js';

@Module({
  imports: [TypeOrmModule.forFeature([FoodEntity]), KitchensModule],
  controllers: [FoodsController],
  providers: [FoodsService, FoodSearchService],
  exports: [FoodsService],
})
export class FoodsModule {}
