import { Module } from '@nestjs/common';
import { BatchesModule } from './batches/batches.module.js';
import { BundlesModule } from './bundles/bundles.module.js';
import { CardsModule } from './cards/cards.module.js';
import { DatabaseModule } from './database/database.module.js';
import { DevicesModule } from './devices/devices.module.js';
import { DistributionsModule } from './distributions/distributions.module.js';
import { ExportsModule } from './exports/exports.module.js';
import { FoodsModule } from './foods/foods.module.js';
import { HealthController } from './health/health.controller.js';
import { ImportsModule } from './imports/imports.module.js';
import { KitchensModule } from './kitchens/kitchens.module.js';
import { LabelsModule } from './labels/labels.module.js';
import { MergesModule } from './merges/merges.module.js';
import { PacksModule } from './packs/packs.module.js';
import { PhotosModule } from './photos/photos.module.js';
import { PutAwayModule } from './putAway/putAway.module.js';
import { ReadingModule } from './reading/reading.module.js';
import { ReceiptsModule } from './receipts/receipts.module.js';
import { RecipesModule } from './recipes/recipes.module.js';
import { RefreshesModule } from './refreshes/refreshes.module.js';
import { SeriesModule } from './series/series.module.js';
import { SessionsModule } from './sessions/sessions.module.js';
import { ShoppingModule } from './shopping/shopping.module.js';
import { ThreadsModule } from './threads/threads.module.js';
import { WeeksModule } from './weeks/weeks.module.js';
import { TablesModule } from './tables/tables.module.js';

@Module({
  imports: [
    DatabaseModule,
    KitchensModule,
    FoodsModule,
    PacksModule,
    RecipesModule,
    BatchesModule,
    CardsModule,
    LabelsModule,
    ImportsModule,
    ExportsModule,
    DevicesModule,
    DistributionsModule,
    TablesModule,
    ThreadsModule,
    ReceiptsModule,
    RefreshesModule,
    MergesModule,
    PhotosModule,
    PutAwayModule,
    ReadingModule,
    SeriesModule,
    BundlesModule,
    SessionsModule,
    ShoppingModule,
    WeeksModule,
  ],
  controllers: [HealthController],
})
export class AppModule {}
