import { Body, Controller, Delete, Get, HttpCode, Param, Patch, Post } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { ChangesNothing } from '../audit/deed.interceptor.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';
import type { Scope } from '../scope/scope.js';
import { CallingNoteDto, ChangingNoteDto, NewNoteDto, NoteDto } from './note.dto.js';
import { NotesService } from './notes.service.js';

@ApiTags('notes')
@Controller()
export class NotesController {
  constructor(private readonly notes: NotesService) {}

  @Get('notes-calling')
  @Needs('read')
  @ApiOperation({ operationId: 'notesCalling', summary: 'Notes that call who asks and were not seen yet, newest first' })
  @ApiOkResponse({ type: [CallingNoteDto] })
  calling(@InScope() scope: Scope): Promise<CallingNoteDto[]> {
    return this.notes.calling(scope);
  }

  @Get('recipes/:id/notes')
  @Needs('read')
  @ApiOperation({ operationId: 'listNotes', summary: 'Notes on a recipe, its lines, steps and findings, oldest first' })
  @ApiOkResponse({ type: [NoteDto] })
  list(@InScope() scope: Scope, @Param('id') id: string): Promise<NoteDto[]> {
    return this.notes.list(scope, id);
  }

  @Post('recipes/:id/notes')
  @Needs('comment')
  @ApiOperation({ operationId: 'writeNote', summary: 'Writes a note' })
  @ApiBody({ type: NewNoteDto })
  @ApiCreatedResponse({ type: [NoteDto] })
  write(@InScope() scope: Scope, @Param('id') id: string, @Body() said: NewNoteDto): Promise<NoteDto[]> {
    return this.notes.write(scope, id, said);
  }

  @Post('recipes/:id/notes/seen')
  @HttpCode(204)
  @Needs('read')
  @ChangesNothing()
  @ApiOperation({ operationId: 'seeNotes', summary: 'Notes on a recipe call who asks no more' })
  @ApiNoContentResponse()
  see(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.notes.see(scope, id);
  }

  @Patch('notes/:id')
  @Needs('comment')
  @ApiOperation({ operationId: 'changeNote', summary: 'Changes one’s own note, or says that one is done with' })
  @ApiBody({ type: ChangingNoteDto })
  @ApiOkResponse({ type: [NoteDto] })
  change(@InScope() scope: Scope, @Param('id') id: string, @Body() said: ChangingNoteDto): Promise<NoteDto[]> {
    return this.notes.change(scope, id, said);
  }

  @Delete('notes/:id')
  @HttpCode(204)
  @Needs('comment')
  @ApiOperation({ operationId: 'removeNote', summary: 'Takes a note away' })
  @ApiNoContentResponse()
  remove(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.notes.remove(scope, id);
  }
}
