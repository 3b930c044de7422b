import { Module } from '@nestjs/common';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { PacksModule } from '../packs/packs.module.js';
import { ReceiptsController } from './receipts.controller.js';
import { ReceiptsService } from './receipts.service.js';

@Module({
  imports: [KitchensModule, PacksModule],
  controllers: [ReceiptsController],
  providers: [ReceiptsService],
  exports: [ReceiptsService],
})
export class ReceiptsModule {}
