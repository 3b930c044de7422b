import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import {
  ApiBody,
  ApiCreatedResponse,
  ApiHeader,
  ApiNoContentResponse,
  ApiOkResponse,
  ApiOperation,
  ApiProperty,
  ApiQuery,
  ApiTags,
} from '@nestjs/swagger';
import type { OnceKey } from '../database/once.js';
import { ONCE_HEADER, OnceKeyOf } from '../http/onceKeyOf.js';
import { readSent } from '../http/readBody.js';
import type { SentBody } from '../http/unreadBody.js';
import { InScope } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { Threads } from '../threads/threads.js';
import {
  KeptTickDto,
  NewStockDto,
  SavedStockDto,
  SaveStockDto,
  ShoppingDto,
  ShoppingTicksDto,
  StockDto,
  StockTakenDto,
  UsesUpDto,
} from './shopping.dto.js';
import { sessionIds } from './sessionIds.js';
import { ShoppingService } from './shopping.service.js';
import { StockService } from './stock.service.js';
import { Needs } from '../scope/needs.js';

/** What came into stock. */
export class BasketPutAwayDto {
  @ApiProperty({ description: 'How many kinds of packs' }) added: number;
}

@ApiTags('shopping')
@Controller()
export class ShoppingController {
  constructor(
    private readonly shopping: ShoppingService,
    private readonly stock: StockService,
    private readonly threads: Threads,
  ) {}

  @Get('shopping')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'shoppingFor', summary: 'What sessions need, less stock, and the packs it can be bought in' })
  @ApiQuery({ name: 'sessions', description: 'Ids, separated by commas' })
  @ApiOkResponse({ type: ShoppingDto })
  get(@InScope() scope: Scope, @Query('sessions') sessions?: string) {
    return this.threads.json('shoppingFor', scope, sessionIds(sessions));
  }

  @Post('shopping/ticks')
  @Needs('edit')
  @HttpCode(200)
  @ApiOperation({ operationId: 'keepTicks', summary: 'What was put into the basket, or was not there' })
  @ApiBody({ type: ShoppingTicksDto })
  @ApiOkResponse({ type: [KeptTickDto] })
  keep(@InScope() scope: Scope, @Body() body: SentBody): Promise<KeptTickDto[]> {
    const { sessions, ticks } = readSent(ShoppingTicksDto, body);
    return this.shopping.keep(scope, sessions, ticks);
  }

  @Post('shopping/put-away')
  @Needs('edit')
  @HttpCode(200)
  @ApiOperation({ operationId: 'putBasketAway', summary: 'Puts what is in the basket into stock' })
  @ApiQuery({ name: 'sessions', description: 'Ids, separated by commas' })
  @ApiOkResponse({ type: BasketPutAwayDto })
  putAway(@InScope() scope: Scope, @Query('sessions') sessions?: string): Promise<BasketPutAwayDto> {
    return this.shopping.putAway(scope, sessionIds(sessions));
  }

  @Get('shopping/uses-up')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'usesUpLeft', summary: 'Dishes that would use up what shopping for sessions leaves over' })
  @ApiQuery({ name: 'sessions', description: 'Ids, separated by commas' })
  @ApiOkResponse({ type: [UsesUpDto] })
  usesUp(@InScope() scope: Scope, @Query('sessions') sessions?: string) {
    return this.threads.json('usesUpLeft', scope, sessionIds(sessions));
  }

  @Get('stock')
  @Needs('read')
  @ApiOperation({ operationId: 'listStock', summary: 'What is in the house, what is to be used first, first' })
  @ApiOkResponse({ type: StockDto })
  listStock(@InScope() scope: Scope): Promise<StockDto> {
    return this.stock.list(scope);
  }

  @Post('stock')
  @Needs('edit')
  @ApiOperation({ operationId: 'addStock', summary: 'Puts things into stock, all or none' })
  @ApiBody({ type: NewStockDto })
  @ApiHeader(ONCE_HEADER)
  @ApiCreatedResponse({ type: StockDto })
  addStock(@InScope() scope: Scope, @Body() body: SentBody, @OnceKeyOf() once?: OnceKey): Promise<StockDto> {
    return this.stock.add(scope, readSent(NewStockDto, body).items, once);
  }

  @Post('batches/:id/take-stock')
  @Needs('cook')
  @HttpCode(200)
  @ApiOperation({ operationId: 'takeStock', summary: 'Takes what a batch used out of stock, once' })
  @ApiOkResponse({ type: StockTakenDto })
  takeStock(@InScope() scope: Scope, @Param('id') id: string): Promise<StockTakenDto> {
    return this.stock.take(scope, id);
  }

  @Put('stock/:id')
  @Needs('edit')
  @ApiOperation({ operationId: 'saveStock', summary: 'Saves something in stock, made on a revision' })
  @ApiBody({ type: SaveStockDto })
  @ApiOkResponse({ type: SavedStockDto })
  saveStock(@InScope() scope: Scope, @Param('id') id: string, @Body() body: SentBody): Promise<SavedStockDto> {
    const { revision, document } = readSent(SaveStockDto, body);
    return this.stock.save(scope, id, revision, document);
  }

  @Delete('stock/:id')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'removeStock', summary: 'Takes something out of stock' })
  @ApiNoContentResponse()
  removeStock(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.stock.remove(scope, id);
  }
}
