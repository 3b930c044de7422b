import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { FoodsModule } from '../foods/foods.module.js';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { TableImportEntity } from './tableImport.entity.js';
import { TableMappingEntity } from './tableMapping.entity.js';
import { TablesController } from './tables.controller.js';
import { TablesService } from './tables.service.js';

@Module({
  imports: [TypeOrmModule.forFeature([TableImportEntity, TableMappingEntity]), KitchensModule, FoodsModule],
  controllers: [TablesController],
  providers: [TablesService],
})
export class TablesModule {}
