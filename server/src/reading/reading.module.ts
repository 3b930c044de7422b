import { Module } from '@nestjs/common';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { ReadersAddressController } from './readersAddress.controller.js';
import { ReadersAddressService } from './readersAddress.service.js';
import { ReadingController } from './reading.controller.js';
import { ReadingDataModule } from './readingData.module.js';

@Module({
  imports: [KitchensModule, ReadingDataModule],
  controllers: [ReadersAddressController, ReadingController],
  providers: [ReadersAddressService],
})
export class ReadingModule {}
