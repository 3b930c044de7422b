import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { PacksModule } from '../packs/packs.module.js';
import { ReceiptNameEntity } from './receiptName.entity.js';
import { ReceiptsController } from './receipts.controller.js';
import { ReceiptsService } from './receipts.service.js';

@Module({
  imports: [TypeOrmModule.forFeature([ReceiptNameEntity]), KitchensModule, PacksModule],
  controllers: [ReceiptsController],
  providers: [ReceiptsService],
})
export class ReceiptsModule {}
