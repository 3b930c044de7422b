import { AuditModule } from './audit/audit.module.js';
import { AuditLogModule } from './audit/auditLog.module.js';
import { MembersModule } from './kitchens/members.module.js';
import { EventsModule } from './events/events.module.js';
import { NotesModule } from './notes/notes.module.js';
import { Module } from '@nestjs/common';
import { RouterModule } from '@nestjs/core';
import { AccountsModule } from './accounts/accounts.module.js';
import { BatchesModule } from './batches/batches.module.js';
import { BundlesModule } from './bundles/bundles.module.js';
import { CardsModule } from './cards/cards.module.js';
import { DatabaseModule } from './database/database.module.js';
import { DevicesModule } from './devices/devices.module.js';
import { DistributionsModule } from './distributions/distributions.module.js';
import { ExportsModule } from './exports/exports.module.js';
import { FilesModule } from './files/files.module.js';
import { FoodsModule } from './foods/foods.module.js';
import { HealthController } from './health/health.controller.js';
import { ImportsModule } from './imports/imports.module.js';
import { KitchensModule } from './kitchens/kitchens.module.js';
import { LabelsModule } from './labels/labels.module.js';
import { MergesModule } from './merges/merges.module.js';
import { PacksModule } from './packs/packs.module.js';
import { PhotosModule } from './photos/photos.module.js';
import { PutAwayModule } from './putAway/putAway.module.js';
import { ReadersAddressModule } from './reading/readersAddress.module.js';
import { ReadingModule } from './reading/reading.module.js';
import { ReceiptsModule } from './receipts/receipts.module.js';
import { RecipesModule } from './recipes/recipes.module.js';
import { RefreshesModule } from './refreshes/refreshes.module.js';
import { SeriesModule } from './series/series.module.js';
import { SessionsModule } from './sessions/sessions.module.js';
import { ShoppingModule } from './shopping/shopping.module.js';
import { ThreadsModule } from './threads/threads.module.js';
import { Readiness } from './health/readiness.service.js';
import { WatchModule } from './watch/watch.module.js';
import { WeeksModule } from './weeks/weeks.module.js';
import { TablesModule } from './tables/tables.module.js';

/** What belongs to a kitchen: each of its addresses carries the kitchen's. */
const OF_A_KITCHEN = [
  KitchensModule,
  MembersModule,
  AuditModule,
  EventsModule,
  NotesModule,
  FoodsModule,
  PacksModule,
  RecipesModule,
  BatchesModule,
  CardsModule,
  LabelsModule,
  ImportsModule,
  ExportsModule,
  DistributionsModule,
  TablesModule,
  ReceiptsModule,
  RefreshesModule,
  MergesModule,
  PhotosModule,
  PutAwayModule,
  SeriesModule,
  BundlesModule,
  SessionsModule,
  ShoppingModule,
  WeeksModule,
  ReadersAddressModule,
];

export const KITCHEN_ROUTES = [{ path: 'kitchens/:kitchen', children: OF_A_KITCHEN }];

@Module({
  imports: [
    DatabaseModule,
    FilesModule,
    AuditLogModule,
    AccountsModule,
    DevicesModule,
    ThreadsModule,
    ReadingModule,
    WatchModule,
    ...OF_A_KITCHEN,
    RouterModule.register(KITCHEN_ROUTES),
  ],
  controllers: [HealthController],
  providers: [Readiness],
})
export class AppModule {}
