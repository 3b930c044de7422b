import { Module } from '@nestjs/common';
import { AccountsModule } from '../accounts/accounts.module.js';
import { ScaleGateway } from './scale.gateway.js';

@Module({ imports: [AccountsModule], providers: [ScaleGateway] })
export class DevicesModule {}
