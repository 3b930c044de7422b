import { Controller, Get, Header, ServiceUnavailableException } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiProperty, ApiTags } from '@nestjs/swagger';
import { Pulse } from '../database/pulse.js';
import { Anyone } from '../scope/needs.js';

class HealthDto {
  @ApiProperty({ enum: ['ok'] }) status: 'ok';
  @ApiProperty({ enum: ['up'] }) database: 'up';
}

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(private readonly pulse: Pulse) {}

  @Get()
  @Anyone()
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ operationId: 'getHealth', summary: 'Whether the server and its database answer' })
  @ApiOkResponse({ type: HealthDto })
  async get(): Promise<HealthDto> {
    if (!(await this.pulse.beats())) throw new ServiceUnavailableException('the database does not answer; start it and try again');
    return { status: 'ok', database: 'up' };
  }
}
