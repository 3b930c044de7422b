import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import {
  ApiBody,
  ApiCreatedResponse,
  ApiHeader,
  ApiNoContentResponse,
  ApiOkResponse,
  ApiOperation,
  ApiQuery,
  ApiTags,
} from '@nestjs/swagger';
import type { OnceKey } from '../database/once.js';
import { ONCE_HEADER, OnceKeyOf } from '../http/onceKeyOf.js';
import type { SentBody } from '../http/unreadBody.js';
import { InScope } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { Threads } from '../threads/threads.js';
import { BatchEditsDto, EditedBatchDto, LoggedBatchDto, NewBatchDto, OpenBatchDto, SaveBatchDto, SavedBatchDto } from './batch.dto.js';
import { BatchesService } from './batches.service.js';
import { Needs } from '../scope/needs.js';

@ApiTags('batches')
@Controller()
export class BatchesController {
  constructor(
    private readonly batches: BatchesService,
    private readonly threads: Threads,
  ) {}

  @Get('batches')
  @Needs('read')
  @ApiOperation({ operationId: 'logBatches', summary: 'Batches at a glance, the newest first' })
  @ApiQuery({ name: 'recipe', required: false, description: 'Of this recipe alone' })
  @ApiOkResponse({ type: [LoggedBatchDto] })
  log(@InScope() scope: Scope, @Query('recipe') recipe?: string) {
    return this.threads.json('logBatches', scope, recipe);
  }

  @Get('batches/:id')
  @Needs('read')
  @ApiOperation({ operationId: 'openBatch', summary: 'A batch, with what it is computed with' })
  @ApiOkResponse({ type: OpenBatchDto })
  open(@InScope() scope: Scope, @Param('id') id: string): Promise<OpenBatchDto> {
    return this.batches.open(scope, id);
  }

  @Get('batches/:id/history')
  @Needs('read')
  @ApiOperation({ operationId: 'batchHistory', summary: 'Every revision of a batch, newest first' })
  @ApiOkResponse({ type: [SavedBatchDto] })
  history(@InScope() scope: Scope, @Param('id') id: string): Promise<SavedBatchDto[]> {
    return this.batches.history(scope, id);
  }

  @Post('batches')
  @Needs('cook')
  @ApiOperation({ operationId: 'createBatch', summary: 'Begins a batch, or logs one that was cooked' })
  @ApiBody({ type: NewBatchDto })
  @ApiHeader(ONCE_HEADER)
  @ApiCreatedResponse({ type: SavedBatchDto })
  create(@InScope() scope: Scope, @Body() body: SentBody, @OnceKeyOf() once?: OnceKey) {
    return this.threads.take('createBatch', body, scope, once);
  }

  @Put('batches/:id')
  @Needs('cook')
  @ApiOperation({ operationId: 'saveBatch', summary: 'Saves a batch made on a revision' })
  @ApiBody({ type: SaveBatchDto })
  @ApiOkResponse({ type: SavedBatchDto })
  save(@InScope() scope: Scope, @Param('id') id: string, @Body() body: SentBody) {
    return this.threads.take('saveBatch', body, scope, id);
  }

  @Post('batches/:id/edits')
  @Needs('cook')
  @HttpCode(200)
  @ApiOperation({ operationId: 'editBatch', summary: 'Things measured at a batch, each kept once however often it is sent' })
  @ApiBody({ type: BatchEditsDto })
  @ApiOkResponse({ type: EditedBatchDto })
  edit(@InScope() scope: Scope, @Param('id') id: string, @Body() body: SentBody) {
    return this.threads.take('editBatch', body, scope, id);
  }

  @Delete('batches/:id')
  @Needs('cook')
  @HttpCode(204)
  @ApiOperation({ operationId: 'archiveBatch', summary: 'Puts a batch away: nothing is learned from it, and no log shows it' })
  @ApiNoContentResponse()
  archive(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.batches.archive(scope, id, true);
  }

  @Post('batches/:id/restore')
  @Needs('cook')
  @HttpCode(204)
  @ApiOperation({ operationId: 'restoreBatch', summary: 'Takes a batch out again' })
  @ApiNoContentResponse()
  restore(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.batches.archive(scope, id, false);
  }
}
