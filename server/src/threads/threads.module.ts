import { Global, Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { CardsModule } from '../cards/cards.module.js';
import { ExportsModule } from '../exports/exports.module.js';
import { FoodsModule } from '../foods/foods.module.js';
import { ImportsModule } from '../imports/imports.module.js';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { LabelsModule } from '../labels/labels.module.js';
import { MergesModule } from '../merges/merges.module.js';
import { PacksModule } from '../packs/packs.module.js';
import { PhotosModule } from '../photos/photos.module.js';
import { ReadingDataModule } from '../reading/readingData.module.js';
import { ReceiptsModule } from '../receipts/receipts.module.js';
import { RecipesModule } from '../recipes/recipes.module.js';
import { SessionsModule } from '../sessions/sessions.module.js';
import { ShoppingModule } from '../shopping/shopping.module.js';
import { WeeksModule } from '../weeks/weeks.module.js';
import { House } from './house.js';
import { SettledLists } from './settledLists.js';
import { Threads } from './threads.js';

@Global()
@Module({
  imports: [
    KitchensModule,
    FoodsModule,
    PacksModule,
    RecipesModule,
    ReceiptsModule,
    MergesModule,
    CardsModule,
    ImportsModule,
    ExportsModule,
    BatchesModule,
    LabelsModule,
    PhotosModule,
    ReadingDataModule,
    SessionsModule,
    ShoppingModule,
    WeeksModule,
  ],
  providers: [House, Threads, SettledLists],
  exports: [Threads, SettledLists],
})
export class ThreadsModule {}
