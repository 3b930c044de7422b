import { Body, Controller, Delete, Get, HttpCode, Param, Post } from '@nestjs/common';
import { ApiAcceptedResponse, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { DrawDto, DrawingDto } from './distribution.dto.js';
import { DistributionsService } from './distributions.service.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';
import { ChangesNothing } from '../audit/deed.interceptor.js';

@ApiTags('distributions')
@Controller()
export class DistributionsController {
  constructor(private readonly distributions: DistributionsService) {}

  @Post('recipes/:id/distributions')
  @ChangesNothing()
  @Needs('read')
  @HttpCode(202)
  @ApiOperation({ operationId: 'drawDistribution', summary: 'Begins to draw how a figure of a serving spreads' })
  @ApiAcceptedResponse({ type: DrawingDto })
  start(@InScope() scope: Scope, @Param('id') id: string, @Body() body: DrawDto): Promise<DrawingDto> {
    return this.distributions.start(scope, id, body);
  }

  @Get('distributions/:id')
  @Needs('read')
  @ApiOperation({ operationId: 'getDistribution', summary: 'How far a run is, and what came of it' })
  @ApiOkResponse({ type: DrawingDto })
  get(@InScope() scope: Scope, @Param('id') id: string): Promise<DrawingDto> {
    return this.distributions.get(scope, id);
  }

  @Delete('distributions/:id')
  @ChangesNothing()
  @Needs('read')
  @HttpCode(204)
  @ApiOperation({ operationId: 'cancelDistribution', summary: 'Ends a run' })
  @ApiNoContentResponse()
  cancel(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.distributions.cancel(scope, id);
  }
}
