import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { RecipesModule } from '../recipes/recipes.module.js';
import { CardsController } from './cards.controller.js';
import { CardsService } from './cards.service.js';
import { PublishedCardEntity } from './publishedCard.entity.js';

@Module({
  imports: [TypeOrmModule.forFeature([PublishedCardEntity]), KitchensModule, RecipesModule],
  controllers: [CardsController],
  providers: [CardsService],
})
export class CardsModule {}
