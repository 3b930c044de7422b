import { Module } from '@nestjs/common';
import { FoodsModule } from '../foods/foods.module.js';
import { BroughtTablesService } from './broughtTables.service.js';
import { TablesController } from './tables.controller.js';
import { TableRuns } from './tableRun.js';
import { TableTakingService } from './tableTaking.service.js';
import { TableTrialService } from './tableTrial.service.js';

@Module({
  imports: [FoodsModule],
  controllers: [TablesController],
  providers: [TableRuns, BroughtTablesService, TableTrialService, TableTakingService],
})
export class TablesModule {}
