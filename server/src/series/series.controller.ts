import { Body, Controller, Get, Put } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { InScope } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { NumberingDto, SeriesDto } from './series.dto.js';
import { SeriesService } from './series.service.js';
import { Needs } from '../scope/needs.js';

@ApiTags('series')
@Controller('series')
export class SeriesController {
  constructor(private readonly series: SeriesService) {}

  @Get()
  @Needs('read')
  @ApiOperation({ operationId: 'listSeries', summary: 'Every series, with its dishes by their numbers' })
  @ApiOkResponse({ type: [SeriesDto] })
  list(@InScope() scope: Scope): Promise<SeriesDto[]> {
    return this.series.list(scope);
  }

  @Put('numbers')
  @Needs('publish')
  @ApiOperation({ operationId: 'numberSeries', summary: 'Gives dishes their numbers, all of them or none' })
  @ApiOkResponse({ type: [SeriesDto] })
  number(@InScope() scope: Scope, @Body() numbering: NumberingDto): Promise<SeriesDto[]> {
    return this.series.number(scope, numbering);
  }
}
