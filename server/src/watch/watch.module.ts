import { Module } from '@nestjs/common';
import { EventsModule } from '../events/events.module.js';
import { JobsModule } from '../jobs/jobs.module.js';
import { MailModule } from '../mail/mail.module.js';
import { ThreadsModule } from '../threads/threads.module.js';
import { MetricsService } from './metrics.service.js';
import { ServerSigns } from './serverSigns.service.js';
import { StatusController } from './status.controller.js';
import { StatusService } from './status.service.js';

@Module({
  imports: [EventsModule, JobsModule, MailModule, ThreadsModule],
  controllers: [StatusController],
  providers: [MetricsService, ServerSigns, StatusService],
})
export class WatchModule {}
