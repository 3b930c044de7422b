import { Module } from '@nestjs/common';
import { JobsModule } from '../jobs/jobs.module.js';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { BundlesController } from './bundles.controller.js';
import { BundlesService } from './bundles.service.js';

@Module({ imports: [JobsModule, KitchensModule], controllers: [BundlesController], providers: [BundlesService] })
export class BundlesModule {}
