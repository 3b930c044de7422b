import { Module } from '@nestjs/common';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { RecipesModule } from '../recipes/recipes.module.js';
import { SeriesController } from './series.controller.js';
import { SeriesService } from './series.service.js';

@Module({ imports: [KitchensModule, RecipesModule], controllers: [SeriesController], providers: [SeriesService], exports: [SeriesService] })
export class SeriesModule {}
