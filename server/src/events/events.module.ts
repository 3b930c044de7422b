import { Module } from '@nestjs/common';
import { AccountsModule } from '../accounts/accounts.module.js';
import { DatabaseListener } from '../database/databaseListener.js';
import { EventsController } from './events.controller.js';
import { EventsService } from './events.service.js';
import { PresenceService } from './presence.service.js';

@Module({
  imports: [AccountsModule],
  controllers: [EventsController],
  providers: [DatabaseListener, EventsService, PresenceService],
  exports: [EventsService],
})
export class EventsModule {}
