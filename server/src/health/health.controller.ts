import { Controller, Get, ServiceUnavailableException } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiProperty, ApiTags } from '@nestjs/swagger';
import { InjectDataSource } from '@nestjs/typeorm';
import { DataSource } from 'typeorm';

class HealthDto {
  @ApiProperty({ enum: ['ok'] }) status: 'ok';
  @ApiProperty({ enum: ['up'] }) database: 'up';
}

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(@InjectDataSource() private readonly database: DataSource) {}

  @Get()
  @ApiOperation({ operationId: 'getHealth', summary: 'Whether the server and its database answer' })
  @ApiOkResponse({ type: HealthDto })
  async get(): Promise<HealthDto> {
    try {
      await this.database.query('SELECT 1');
    } catch {
      throw new ServiceUnavailableException('the database does not answer; start it and try again');
    }
    return { status: 'ok', database: 'up' };
  }
}
