import { Module } from '@nestjs/common';
import { RecipesModule } from '../recipes/recipes.module.js';
import { CardsController } from './cards.controller.js';
import { CardsService } from './cards.service.js';

@Module({ imports: [RecipesModule], controllers: [CardsController], providers: [CardsService] })
export class CardsModule {}
