import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { LabelsController } from './labels.controller.js';
import { LabelsService } from './labels.service.js';
import { SimulatedLabelPrinter } from './simulatedLabelPrinter.js';

@Module({
  imports: [BatchesModule],
  controllers: [LabelsController],
  providers: [LabelsService, SimulatedLabelPrinter],
  exports: [LabelsService],
})
export class LabelsModule {}
