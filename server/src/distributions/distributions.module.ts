import { Module } from '@nestjs/common';
import { JobsModule } from '../jobs/jobs.module.js';
import { DistributionsController } from './distributions.controller.js';
import { DistributionsService } from './distributions.service.js';

@Module({ imports: [JobsModule], controllers: [DistributionsController], providers: [DistributionsService] })
export class DistributionsModule {}
