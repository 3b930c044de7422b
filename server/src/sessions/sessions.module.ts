import { Module } from '@nestjs/common';
import { RecipesModule } from '../recipes/recipes.module.js';
import { SessionsController } from './sessions.controller.js';
import { PlanningService } from './planning.service.js';
import { SessionsService } from './sessions.service.js';

@Module({
  imports: [RecipesModule],
  controllers: [SessionsController],
  providers: [SessionsService, PlanningService],
  exports: [SessionsService],
})
export class SessionsModule {}
