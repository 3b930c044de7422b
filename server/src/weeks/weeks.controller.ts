import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiHeader, ApiOkResponse, ApiOperation, ApiProperty, ApiQuery, ApiTags } from '@nestjs/swagger';
import type { OnceKey } from '../database/once.js';
import { ONCE_HEADER, OnceKeyOf } from '../http/onceKeyOf.js';
import { readSent } from '../http/readBody.js';
import type { SentBody } from '../http/unreadBody.js';
import { InScope } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { Threads } from '../threads/threads.js';
import { PeopleService } from './people.service.js';
import { NewPersonDto, NewWeekDto, OpenWeekDto, SavedPersonDto, SavedWeekDto, SavePersonDto, SaveWeekDto } from './week.dto.js';
import { Needs } from '../scope/needs.js';

/** What went back onto the shelves. */
export class BoxesBackDto {
  @ApiProperty({ description: 'How many boxes' }) boxes: number;
}

@ApiTags('weeks')
@Controller()
export class WeeksController {
  constructor(
    private readonly people: PeopleService,
    private readonly threads: Threads,
  ) {}

  @Get('weeks')
  @Needs('read')
  @ApiOperation({ operationId: 'openWeek', summary: 'A week with who eats, the boxes there are, and what other weeks take of them' })
  @ApiQuery({ name: 'from', description: 'Its first day, ISO: a Monday' })
  @ApiOkResponse({ type: OpenWeekDto })
  open(@InScope() scope: Scope, @Query('from') from = '') {
    return this.threads.json('openWeek', scope, from);
  }

  @Post('weeks')
  @Needs('edit')
  @ApiOperation({ operationId: 'createWeek', summary: 'Gives the first boxes of a week' })
  @ApiBody({ type: NewWeekDto })
  @ApiHeader(ONCE_HEADER)
  @ApiCreatedResponse({ type: SavedWeekDto })
  create(@InScope() scope: Scope, @Body() body: SentBody, @OnceKeyOf() once?: OnceKey) {
    return this.threads.take('createWeek', body, scope, once);
  }

  @Put('weeks/:id')
  @Needs('edit')
  @ApiOperation({ operationId: 'saveWeek', summary: 'Saves a week made on a revision' })
  @ApiBody({ type: SaveWeekDto })
  @ApiOkResponse({ type: SavedWeekDto })
  save(@InScope() scope: Scope, @Param('id') id: string, @Body() body: SentBody) {
    return this.threads.take('saveWeek', body, scope, id);
  }

  @Post('people')
  @Needs('edit')
  @ApiOperation({ operationId: 'createPerson', summary: 'Adds somebody who eats from the boxes' })
  @ApiBody({ type: NewPersonDto })
  @ApiHeader(ONCE_HEADER)
  @ApiCreatedResponse({ type: SavedPersonDto })
  createPerson(@InScope() scope: Scope, @Body() body: SentBody, @OnceKeyOf() once?: OnceKey): Promise<SavedPersonDto> {
    return this.people.create(scope, readSent(NewPersonDto, body).document, once);
  }

  @Put('people/:id')
  @Needs('edit')
  @ApiOperation({ operationId: 'savePerson', summary: 'Saves somebody, made on a revision' })
  @ApiBody({ type: SavePersonDto })
  @ApiOkResponse({ type: SavedPersonDto })
  savePerson(@InScope() scope: Scope, @Param('id') id: string, @Body() body: SentBody): Promise<SavedPersonDto> {
    const { revision, document } = readSent(SavePersonDto, body);
    return this.people.save(scope, id, revision, document);
  }

  @Delete('people/:id')
  @Needs('edit')
  @HttpCode(200)
  @ApiOperation({
    operationId: 'removePerson',
    summary: 'Somebody eats from the boxes no more: what they were given from today on goes back',
  })
  @ApiOkResponse({ type: BoxesBackDto })
  removePerson(@InScope() scope: Scope, @Param('id') id: string): Promise<BoxesBackDto> {
    return this.people.remove(scope, id);
  }
}
