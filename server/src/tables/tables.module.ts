import { Module } from '@nestjs/common';
import { FoodsModule } from '../foods/foods.module.js';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { TableUploadsService } from './tableUploads.service.js';
import { TablesController } from './tables.controller.js';
import { TableRuns } from './tableRun.js';
import { TableImportsService } from './tableImports.service.js';
import { TablePreviewsService } from './tablePreviews.service.js';

@Module({
  imports: [FoodsModule, KitchensModule],
  controllers: [TablesController],
  providers: [TableRuns, TableUploadsService, TablePreviewsService, TableImportsService],
})
export class TablesModule {}
