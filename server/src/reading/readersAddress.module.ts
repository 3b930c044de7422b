import { Module } from '@nestjs/common';
import { ReadersAddressController } from './readersAddress.controller.js';
import { ReadersAddressService } from './readersAddress.service.js';

@Module({ controllers: [ReadersAddressController], providers: [ReadersAddressService] })
export class ReadersAddressModule {}
