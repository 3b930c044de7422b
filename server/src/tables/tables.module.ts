import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { FoodsModule } from '../foods/foods.module.js';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { BroughtTablesService } from './broughtTables.service.js';
import { TableImportEntity } from './tableImport.entity.js';
import { TableMappingEntity } from './tableMapping.entity.js';
import { TablesController } from './tables.controller.js';
import { TableRuns } from './tableRun.js';
import { TableTakingService } from './tableTaking.service.js';
import { TableTrialService } from './tableTrial.service.js';

@Module({
  imports: [TypeOrmModule.forFeature([TableImportEntity, TableMappingEntity]), KitchensModule, FoodsModule],
  controllers: [TablesController],
  providers: [TableRuns, BroughtTablesService, TableTrialService, TableTakingService],
})
export class TablesModule {}
