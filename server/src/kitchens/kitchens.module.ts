import { Module } from '@nestjs/common';
import { APP_GUARD } from '@nestjs/core';
import { ScopeGuard } from '../scope/scope.guard.js';
import { KitchensController } from './kitchens.controller.js';
import { KitchensService } from './kitchens.service.js';

@Module({
  controllers: [KitchensController],
  providers: [KitchensService, { provide: APP_GUARD, useClass: ScopeGuard }],
  exports: [KitchensService],
})
export class KitchensModule {}
