import { Module } from '@nestjs/common';
import { ScaleGateway } from './scale.gateway.js';

@Module({ providers: [ScaleGateway] })
export class DevicesModule {}
