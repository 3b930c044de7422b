import { Body, Controller, Get, HttpCode, Post, Query, Req } from '@nestjs/common';
import { ApiBody, ApiConsumes, ApiCreatedResponse, ApiHeader, ApiOkResponse, ApiOperation, ApiQuery, ApiTags } from '@nestjs/swagger';
import type { Request } from 'express';
import type { OnceKey } from '../database/once.js';
import type { SentBody } from '../http/unreadBody.js';
import { ONCE_HEADER, OnceKeyOf } from '../http/onceKeyOf.js';
import { RefusedFileError } from '../http/problems.js';
import { statedLength } from '../http/statedLength.js';
import { Threads } from '../threads/threads.js';
import { AddedPricesDto, ReceiptNameDto, ReceiptRowsDto, SeenPricesDto } from './receipt.dto.js';
import { ReceiptsService } from './receipts.service.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';
import { ChangesNothing } from '../audit/deed.interceptor.js';

@ApiTags('receipts')
@Controller('receipts')
export class ReceiptsController {
  constructor(
    private readonly receipts: ReceiptsService,
    private readonly threads: Threads,
  ) {}

  @Post('read')
  @ChangesNothing()
  @Needs('edit', 'costs')
  @HttpCode(200)
  @ApiOperation({
    operationId: 'readReceipt',
    summary: 'Reads a till receipt or price list, CSV of any delimiter and encoding; keeps nothing',
  })
  @ApiConsumes('text/csv')
  @ApiBody({ schema: { type: 'string', format: 'binary' } })
  @ApiQuery({ name: 'fileName', required: false })
  @ApiOkResponse({ type: ReceiptRowsDto })
  read(@InScope() scope: Scope, @Req() request: Request, @Query('fileName') fileName = 'receipt.csv'): Promise<ReceiptRowsDto> {
    if (request.readableEnded) throw new RefusedFileError('send the receipt as text/csv, not as JSON');
    if (request.headers['content-encoding'] !== undefined) throw new RefusedFileError('send the receipt as it is, not packed');
    return this.receipts.read(scope, fileName, request, statedLength(request));
  }

  @Get('names')
  @Needs('read')
  @ApiOperation({ operationId: 'receiptNames', summary: 'Foods by what shops call them, as chosen before' })
  @ApiOkResponse({ type: [ReceiptNameDto] })
  names(@InScope() scope: Scope): Promise<ReceiptNameDto[]> {
    return this.receipts.remembered(scope);
  }

  @Post('prices')
  @Needs('edit')
  @ApiOperation({ operationId: 'addPrices', summary: 'Adds prices seen, all or none; what is there just so is not added again' })
  @ApiBody({ type: SeenPricesDto })
  @ApiHeader(ONCE_HEADER)
  @ApiCreatedResponse({ type: AddedPricesDto })
  add(@InScope() scope: Scope, @Body() body: SentBody, @OnceKeyOf() once?: OnceKey) {
    return this.threads.take('addPrices', body, scope, once);
  }
}
