import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiHeader, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { OnceKey } from '../database/once.js';
import type { SentBody } from '../http/unreadBody.js';
import { ONCE_HEADER, OnceKeyOf } from '../http/onceKeyOf.js';
import { NewPackDto, SavedPackDto, SavePackDto } from '../http/saved.dto.js';
import { Threads } from '../threads/threads.js';
import { PriceMoveDto, SeenPackDto } from './pack.dto.js';
import { PacksService } from './packs.service.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';

@ApiTags('packs')
@Controller()
export class PacksController {
  constructor(
    private readonly packs: PacksService,
    private readonly threads: Threads,
  ) {}

  // To whom costs are not shown there are none, and pages go on without.
  @Get('packs')
  @Needs('read')
  @ApiOperation({ operationId: 'listPacks', summary: 'Packs whose prices count today or will' })
  @ApiOkResponse({ type: [SavedPackDto] })
  list(@InScope() scope: Scope): Promise<SavedPackDto[]> {
    return this.packs.list(scope);
  }

  @Get('price-moves')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'priceMoves', summary: 'Packs whose price moved most since it was first seen' })
  @ApiOkResponse({ type: [PriceMoveDto] })
  moves(@InScope() scope: Scope) {
    return this.threads.json('priceMoves', scope);
  }

  @Get('foods/:id/packs')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'packsOfFood', summary: 'Every price a food ever had, those put away too' })
  @ApiOkResponse({ type: [SeenPackDto] })
  ofFood(@InScope() scope: Scope, @Param('id') id: string): Promise<SeenPackDto[]> {
    return this.packs.ofFood(scope, id);
  }

  @Post('packs')
  @Needs('edit')
  @ApiOperation({ operationId: 'createPack', summary: 'Adds a pack' })
  @ApiBody({ type: NewPackDto })
  @ApiHeader(ONCE_HEADER)
  @ApiCreatedResponse({ type: SavedPackDto })
  create(@InScope() scope: Scope, @Body() body: SentBody, @OnceKeyOf() once?: OnceKey) {
    return this.threads.take('createPack', body, scope, once);
  }

  @Put('packs/:id')
  @Needs('edit')
  @ApiOperation({ operationId: 'savePack', summary: 'Saves a pack made on a revision' })
  @ApiBody({ type: SavePackDto })
  @ApiOkResponse({ type: SavedPackDto })
  save(@InScope() scope: Scope, @Param('id') id: string, @Body() body: SentBody) {
    return this.threads.take('savePack', body, scope, id);
  }

  @Delete('packs/:id')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'archivePack', summary: 'Puts a pack away: it counts no more, and what it cost stays known' })
  @ApiNoContentResponse()
  archive(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.packs.putAway(scope, id, true);
  }

  @Post('packs/:id/restore')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'restorePack', summary: 'Takes a pack out again' })
  @ApiNoContentResponse()
  restore(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.packs.putAway(scope, id, false);
  }
}
