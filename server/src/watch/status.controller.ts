import { Controller, Get, Header } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { Keeper } from '../scope/needs.js';
import { StatusDto } from './status.dto.js';
import { StatusService } from './status.service.js';

@ApiTags('installation')
@Controller('status')
export class StatusController {
  constructor(private readonly status: StatusService) {}

  @Get()
  @Keeper()
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getStatus', summary: 'How the installation stands: servers, jobs, storage, backups, versions' })
  @ApiOkResponse({ type: StatusDto })
  get(): Promise<StatusDto> {
    return this.status.get();
  }
}
