import { Module } from '@nestjs/common';
import { ReadingController } from './reading.controller.js';
import { ReadingDataModule } from './readingData.module.js';

@Module({ imports: [ReadingDataModule], controllers: [ReadingController] })
export class ReadingModule {}
