import { Body, Controller, Get, HttpCode, Post, Req, Sse, type MessageEvent } from '@nestjs/common';
import { ApiBody, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Observable } from 'rxjs';
import { ChangesNothing } from '../audit/deed.interceptor.js';
import { InScope, type ScopedRequest } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';
import type { Scope } from '../scope/scope.js';
import { PresentDto, SayingPresenceDto } from './event.dto.js';
import { EventsService } from './events.service.js';
import { PresenceService } from './presence.service.js';

@ApiTags('events')
@Controller()
export class EventsController {
  constructor(
    private readonly events: EventsService,
    private readonly presence: PresenceService,
  ) {}

  @Sse('events')
  @Needs('read')
  @ApiOperation({ operationId: 'listen', summary: 'What others do in the kitchen, and where they are, as it happens (server-sent events)' })
  listen(@InScope() scope: Scope, @Req() request: ScopedRequest): Observable<MessageEvent> {
    return this.events.listen(scope, request);
  }

  @Get('present')
  @Needs('read')
  @ApiOperation({ operationId: 'listPresent', summary: 'Who is at which recipe just now' })
  @ApiOkResponse({ type: [PresentDto] })
  present(@InScope() scope: Scope): Promise<PresentDto[]> {
    return this.presence.list(scope);
  }

  @Post('present')
  @HttpCode(204)
  @Needs('read')
  @ChangesNothing()
  @ApiOperation({ operationId: 'sayPresence', summary: 'Says that a page is at a recipe, or at none any more' })
  @ApiBody({ type: SayingPresenceDto })
  @ApiNoContentResponse()
  say(@InScope() scope: Scope, @Body() { tab, recipe }: SayingPresenceDto): Promise<void> {
    return this.presence.say(scope, tab, recipe ?? null);
  }
}
