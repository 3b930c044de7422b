import { Body, Controller, Get, Put, Req } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Request } from 'express';
import { InScope } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { ReadersAddressChangeDto, ReadersAddressDto } from './readersAddress.dto.js';
import { ReadersAddressService } from './readersAddress.service.js';
import { originFor } from './readersOrigin.js';
import { Needs } from '../scope/needs.js';

@ApiTags('readers')
@Controller('readers-address')
export class ReadersAddressController {
  constructor(private readonly address: ReadersAddressService) {}

  @Get()
  @Needs('read')
  @ApiOperation({ operationId: 'getReadersAddress', summary: 'Whether anybody may read the published cards, and where' })
  @ApiOkResponse({ type: ReadersAddressDto })
  get(@InScope() scope: Scope, @Req() request: Request): Promise<ReadersAddressDto> {
    return this.address.get(scope, originFor(request));
  }

  @Put()
  @Needs('publish')
  @ApiOperation({ operationId: 'changeReadersAddress', summary: 'Switches the readers’ address on or off, and names it' })
  @ApiOkResponse({ type: ReadersAddressDto })
  change(@InScope() scope: Scope, @Body() said: ReadersAddressChangeDto, @Req() request: Request): Promise<ReadersAddressDto> {
    return this.address.change(scope, said, originFor(request));
  }
}
