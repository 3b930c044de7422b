import { Controller, Delete, Get, HttpCode, Param, Post } from '@nestjs/common';
import { ApiCreatedResponse, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { LatestRefreshDto, RefreshDto } from './refresh.dto.js';
import { RefreshesService } from './refreshes.service.js';

@ApiTags('price-refreshes')
@Controller('price-refreshes')
export class RefreshesController {
  constructor(private readonly refreshes: RefreshesService) {}

  @Post()
  @ApiOperation({ operationId: 'refreshPrices', summary: 'Asks the shops what every pack costs today; under way already, that one' })
  @ApiCreatedResponse({ type: RefreshDto })
  start(): Promise<RefreshDto> {
    return this.refreshes.start();
  }

  @Get('latest')
  @ApiOperation({ operationId: 'latestRefresh', summary: 'The last asking, with every answer' })
  @ApiOkResponse({ type: LatestRefreshDto })
  async latest(): Promise<LatestRefreshDto> {
    return { refresh: (await this.refreshes.latest()) ?? null };
  }

  @Get(':id')
  @ApiOperation({ operationId: 'getRefresh', summary: 'An asking, with every answer' })
  @ApiOkResponse({ type: RefreshDto })
  get(@Param('id') id: string): Promise<RefreshDto> {
    return this.refreshes.get(id);
  }

  @Post(':id/retry')
  @ApiOperation({ operationId: 'retryRefresh', summary: 'Asks again for what failed' })
  @ApiCreatedResponse({ type: RefreshDto })
  retry(@Param('id') id: string): Promise<RefreshDto> {
    return this.refreshes.retry(id);
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ operationId: 'cancelRefresh', summary: 'Asks no more; prices that came stay' })
  @ApiNoContentResponse()
  cancel(@Param('id') id: string): Promise<void> {
    return this.refreshes.cancel(id);
  }
}
