import { Module } from '@nestjs/common';
import { FoodsModule } from '../foods/foods.module.js';
import { JobsModule } from '../jobs/jobs.module.js';
import { TableUploadsService } from './tableUploads.service.js';
import { TablesController } from './tables.controller.js';
import { TableImportsService } from './tableImports.service.js';
import { TablePreviewsService } from './tablePreviews.service.js';

@Module({
  imports: [FoodsModule, JobsModule],
  controllers: [TablesController],
  providers: [TableUploadsService, TablePreviewsService, TableImportsService],
})
export class TablesModule {}
