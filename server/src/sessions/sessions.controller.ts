import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query, Res } from '@nestjs/common';
import type { Response } from 'express';
import {
  ApiBody,
  ApiCreatedResponse,
  ApiHeader,
  ApiNoContentResponse,
  ApiOkResponse,
  ApiOperation,
  ApiProduces,
  ApiQuery,
  ApiTags,
} from '@nestjs/swagger';
import type { OnceKey } from '../database/once.js';
import { ONCE_HEADER, OnceKeyOf } from '../http/onceKeyOf.js';
import type { SentBody } from '../http/unreadBody.js';
import { InScope } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { Threads } from '../threads/threads.js';
import { ListedSessionDto, NewSessionDto, OpenSessionDto, SavedSessionDto, SaveSessionDto } from './session.dto.js';
import { PlanningService } from './planning.service.js';
import { SessionsService } from './sessions.service.js';
import { Needs } from '../scope/needs.js';

@ApiTags('sessions')
@Controller()
export class SessionsController {
  constructor(
    private readonly sessions: SessionsService,
    private readonly planning: PlanningService,
    private readonly threads: Threads,
  ) {}

  @Get('sessions')
  @Needs('read')
  @ApiOperation({ operationId: 'listSessions', summary: 'Sessions by day, with the titles of what they cook' })
  @ApiOkResponse({ type: [ListedSessionDto] })
  list(@InScope() scope: Scope): Promise<ListedSessionDto[]> {
    return this.sessions.list(scope);
  }

  @Get('sessions/:id')
  @Needs('read')
  @ApiOperation({ operationId: 'openSession', summary: 'A session, with the recipes it cooks' })
  @ApiOkResponse({ type: OpenSessionDto })
  open(@InScope() scope: Scope, @Param('id') id: string): Promise<OpenSessionDto> {
    return this.sessions.open(scope, id);
  }

  @Get('sessions/:id/plan')
  @Needs('read')
  @ApiOperation({ operationId: 'planSession', summary: 'Its plan, looked for: a line of JSON for each better one, the last one finished' })
  @ApiQuery({ name: 'now', required: false, description: 'Minutes from its start, before which nothing new begins' })
  @ApiQuery({ name: 'seconds', required: false, description: 'How long a better one is looked for at most: 60; left out 5' })
  @ApiProduces('application/x-ndjson')
  @ApiOkResponse({ schema: { type: 'string' } })
  async plan(
    @InScope() scope: Scope,
    @Param('id') id: string,
    @Res() response: Response,
    @Query('now') now?: string,
    @Query('seconds') seconds?: string,
  ): Promise<void> {
    // Whoever goes away ends the search.
    const given = new AbortController();
    response.on('close', () => given.abort());
    const tell = (line: string) => {
      if (!response.headersSent) response.setHeader('Content-Type', 'application/x-ndjson; charset=utf-8');
      response.write(line);
    };
    try {
      await this.planning.plan(scope, id, { now, seconds }, tell, given.signal);
      response.end();
    } catch (error) {
      // What was told cannot be taken back: that it broke off is told by the connection.
      if (!response.headersSent) throw error;
      response.destroy();
    }
  }

  @Post('sessions')
  @Needs('cook')
  @ApiOperation({ operationId: 'createSession', summary: 'Adds a session' })
  @ApiBody({ type: NewSessionDto })
  @ApiHeader(ONCE_HEADER)
  @ApiCreatedResponse({ type: SavedSessionDto })
  create(@InScope() scope: Scope, @Body() body: SentBody, @OnceKeyOf() once?: OnceKey) {
    return this.threads.take('createSession', body, scope, once);
  }

  @Put('sessions/:id')
  @Needs('cook')
  @ApiOperation({ operationId: 'saveSession', summary: 'Saves a session made on a revision' })
  @ApiBody({ type: SaveSessionDto })
  @ApiOkResponse({ type: SavedSessionDto })
  save(@InScope() scope: Scope, @Param('id') id: string, @Body() body: SentBody) {
    return this.threads.take('saveSession', body, scope, id);
  }

  @Delete('sessions/:id')
  @Needs('cook')
  @HttpCode(204)
  @ApiOperation({ operationId: 'archiveSession', summary: 'Puts a session away' })
  @ApiNoContentResponse()
  archive(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.sessions.archive(scope, id, true);
  }

  @Post('sessions/:id/restore')
  @Needs('cook')
  @HttpCode(204)
  @ApiOperation({ operationId: 'restoreSession', summary: 'Takes a session out again' })
  @ApiNoContentResponse()
  restore(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.sessions.archive(scope, id, false);
  }
}
