import { Module } from '@nestjs/common';
import { KitchensModule } from '../kitchens/kitchens.module.js';
import { PutAwayController } from './putAway.controller.js';
import { PutAwayService } from './putAway.service.js';

@Module({ imports: [KitchensModule], controllers: [PutAwayController], providers: [PutAwayService] })
export class PutAwayModule {}
