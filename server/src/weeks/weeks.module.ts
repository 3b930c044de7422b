import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { RecipesModule } from '../recipes/recipes.module.js';
import { SessionsModule } from '../sessions/sessions.module.js';
import { ShoppingModule } from '../shopping/shopping.module.js';
import { PeopleService } from './people.service.js';
import { WeeksController } from './weeks.controller.js';
import { WeeksService } from './weeks.service.js';

@Module({
  imports: [KitchensModule, RecipesModule, BatchesModule, SessionsModule, ShoppingModule],
  controllers: [WeeksController],
  providers: [PeopleService, WeeksService],
  exports: [PeopleService, WeeksService],
})
export class WeeksModule {}
