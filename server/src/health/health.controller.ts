import { Controller, Get, Header, ServiceUnavailableException } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiProperty, ApiTags } from '@nestjs/swagger';
import { Pulse } from '../database/pulse.js';
import { Readiness } from './readiness.service.js';
import { Anyone } from '../scope/needs.js';

class HealthDto {
  @ApiProperty({ enum: ['ok'] }) status: 'ok';
  @ApiProperty({ enum: ['up'] }) database: 'up';
}

class StandsDto {
  @ApiProperty({ enum: ['ok'] }) status: 'ok';
}

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(
    private readonly pulse: Pulse,
    private readonly readiness: Readiness,
  ) {}

  @Get()
  @Anyone()
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getHealth', summary: 'Whether the server and its database answer' })
  @ApiOkResponse({ type: HealthDto })
  async get(): Promise<HealthDto> {
    if (!(await this.pulse.beats())) throw new ServiceUnavailableException('the database does not answer; start it and try again');
    return { status: 'ok', database: 'up' };
  }

  @Get('live')
  @Anyone()
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getLive', summary: 'Whether this server answers; one that does not is to be started anew' })
  @ApiOkResponse({ type: StandsDto })
  live(): StandsDto {
    return { status: 'ok' };
  }

  @Get('ready')
  @Anyone()
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getReady', summary: 'Whether this server can be given work: its database answers, and it does not end' })
  @ApiOkResponse({ type: StandsDto })
  async ready(): Promise<StandsDto> {
    if (!(await this.readiness.ready())) throw new ServiceUnavailableException('this server takes no work just now');
    return { status: 'ok' };
  }
}
