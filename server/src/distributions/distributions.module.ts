import { Module } from '@nestjs/common';
import { RecipesModule } from '../recipes/recipes.module.js';
import { DistributionsController } from './distributions.controller.js';
import { DistributionsService } from './distributions.service.js';

@Module({ imports: [RecipesModule], controllers: [DistributionsController], providers: [DistributionsService] })
export class DistributionsModule {}
