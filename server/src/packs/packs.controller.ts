import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiHeader, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { OnceKey } from '../database/once.js';
import type { SentBody } from '../http/unreadBody.js';
import { ONCE_HEADER, OnceKeyOf } from '../http/onceKeyOf.js';
import { NewDto, SavedDto, SaveDto } from '../http/saved.dto.js';
import { Threads } from '../threads/threads.js';
import { PacksService } from './packs.service.js';

@ApiTags('packs')
@Controller('packs')
export class PacksController {
  constructor(
    private readonly packs: PacksService,
    private readonly threads: Threads,
  ) {}

  @Get()
  @ApiOperation({ operationId: 'listPacks', summary: 'Every pack with its price' })
  @ApiOkResponse({ type: [SavedDto] })
  list(): Promise<SavedDto[]> {
    return this.packs.list();
  }

  @Post()
  @ApiOperation({ operationId: 'createPack', summary: 'Adds a pack' })
  @ApiBody({ type: NewDto })
  @ApiHeader(ONCE_HEADER)
  @ApiCreatedResponse({ type: SavedDto })
  create(@Body() body: SentBody, @OnceKeyOf() once?: OnceKey) {
    return this.threads.take('createPack', body, once);
  }

  @Put(':id')
  @ApiOperation({ operationId: 'savePack', summary: 'Saves a pack made on a revision' })
  @ApiBody({ type: SaveDto })
  @ApiOkResponse({ type: SavedDto })
  save(@Param('id') id: string, @Body() body: SentBody) {
    return this.threads.take('savePack', body, id);
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ operationId: 'removePack', summary: 'Takes a pack out' })
  @ApiNoContentResponse()
  remove(@Param('id') id: string): Promise<void> {
    return this.packs.remove(id);
  }
}
