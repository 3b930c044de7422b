import { Module } from '@nestjs/common';
import { PutAwayController } from './putAway.controller.js';
import { PutAwayService } from './putAway.service.js';

@Module({ controllers: [PutAwayController], providers: [PutAwayService] })
export class PutAwayModule {}
