import { Module } from '@nestjs/common';
import { FoodsModule } from '../foods/foods.module.js';
import { JobsModule } from '../jobs/jobs.module.js';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { PacksModule } from '../packs/packs.module.js';
import { ShopsModule } from '../shops/shops.module.js';
import { RefreshesController } from './refreshes.controller.js';
import { RefreshesService } from './refreshes.service.js';

@Module({
  imports: [KitchensModule, FoodsModule, PacksModule, ShopsModule, JobsModule],
  controllers: [RefreshesController],
  providers: [RefreshesService],
})
export class RefreshesModule {}
