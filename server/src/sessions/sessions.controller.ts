import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiHeader, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { OnceKey } from '../database/once.js';
import { ONCE_HEADER, OnceKeyOf } from '../http/onceKeyOf.js';
import type { SentBody } from '../http/unreadBody.js';
import { InScope } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { Threads } from '../threads/threads.js';
import { ListedSessionDto, NewSessionDto, OpenSessionDto, SavedSessionDto, SaveSessionDto } from './session.dto.js';
import { SessionsService } from './sessions.service.js';

@ApiTags('sessions')
@Controller()
export class SessionsController {
  constructor(
    private readonly sessions: SessionsService,
    private readonly threads: Threads,
  ) {}

  @Get('sessions')
  @ApiOperation({ operationId: 'listSessions', summary: 'Sessions by day, with the titles of what they cook' })
  @ApiOkResponse({ type: [ListedSessionDto] })
  list(@InScope() scope: Scope): Promise<ListedSessionDto[]> {
    return this.sessions.list(scope);
  }

  @Get('sessions/:id')
  @ApiOperation({ operationId: 'openSession', summary: 'A session, with the recipes it cooks' })
  @ApiOkResponse({ type: OpenSessionDto })
  open(@InScope() scope: Scope, @Param('id') id: string): Promise<OpenSessionDto> {
    return this.sessions.open(scope, id);
  }

  @Post('sessions')
  @ApiOperation({ operationId: 'createSession', summary: 'Adds a session' })
  @ApiBody({ type: NewSessionDto })
  @ApiHeader(ONCE_HEADER)
  @ApiCreatedResponse({ type: SavedSessionDto })
  create(@InScope() scope: Scope, @Body() body: SentBody, @OnceKeyOf() once?: OnceKey) {
    return this.threads.take('createSession', body, scope, once);
  }

  @Put('sessions/:id')
  @ApiOperation({ operationId: 'saveSession', summary: 'Saves a session made on a revision' })
  @ApiBody({ type: SaveSessionDto })
  @ApiOkResponse({ type: SavedSessionDto })
  save(@InScope() scope: Scope, @Param('id') id: string, @Body() body: SentBody) {
    return this.threads.take('saveSession', body, scope, id);
  }

  @Delete('sessions/:id')
  @HttpCode(204)
  @ApiOperation({ operationId: 'archiveSession', summary: 'Puts a session away' })
  @ApiNoContentResponse()
  archive(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.sessions.archive(scope, id, true);
  }

  @Post('sessions/:id/restore')
  @HttpCode(204)
  @ApiOperation({ operationId: 'restoreSession', summary: 'Takes a session out again' })
  @ApiNoContentResponse()
  restore(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.sessions.archive(scope, id, false);
  }
}
