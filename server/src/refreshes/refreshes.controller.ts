import { Controller, Delete, Get, HttpCode, Param, Post } from '@nestjs/common';
import { ApiCreatedResponse, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { LatestRefreshDto, RefreshDto } from './refresh.dto.js';
import { RefreshesService } from './refreshes.service.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';

@ApiTags('price-refreshes')
@Controller('price-refreshes')
export class RefreshesController {
  constructor(private readonly refreshes: RefreshesService) {}

  @Post()
  @Needs('edit')
  @ApiOperation({ operationId: 'refreshPrices', summary: 'Asks the shops what every pack costs today; under way already, that one' })
  @ApiCreatedResponse({ type: RefreshDto })
  start(@InScope() scope: Scope): Promise<RefreshDto> {
    return this.refreshes.start(scope);
  }

  @Get('latest')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'latestRefresh', summary: 'The last asking, with every answer' })
  @ApiOkResponse({ type: LatestRefreshDto })
  async latest(@InScope() scope: Scope): Promise<LatestRefreshDto> {
    return { refresh: (await this.refreshes.latest(scope)) ?? null };
  }

  @Get(':id')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'getRefresh', summary: 'An asking, with every answer' })
  @ApiOkResponse({ type: RefreshDto })
  get(@InScope() scope: Scope, @Param('id') id: string): Promise<RefreshDto> {
    return this.refreshes.get(scope, id);
  }

  @Post(':id/retry')
  @Needs('edit')
  @ApiOperation({ operationId: 'retryRefresh', summary: 'Asks again for what failed' })
  @ApiCreatedResponse({ type: RefreshDto })
  retry(@InScope() scope: Scope, @Param('id') id: string): Promise<RefreshDto> {
    return this.refreshes.retry(scope, id);
  }

  @Delete(':id')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'cancelRefresh', summary: 'Asks no more; prices that came stay' })
  @ApiNoContentResponse()
  cancel(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.refreshes.cancel(scope, id);
  }
}
