import { Module } from '@nestjs/common';
import { ReadingService } from './reading.service.js';

/** What readers may read; the threads make pages of it. */
@Module({ providers: [ReadingService], exports: [ReadingService] })
export class ReadingDataModule {}
