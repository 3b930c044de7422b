import { Body, Controller, Delete, Get, HttpCode, Param, ParseIntPipe, Put } from '@nestjs/common';
import { ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { KeepVersionDto, OpenVersionDto, VersionDto } from './version.dto.js';
import { VersionsService } from './versions.service.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';

@ApiTags('versions')
@Controller('recipes/:id/versions')
export class VersionsController {
  constructor(private readonly versions: VersionsService) {}

  @Get()
  @Needs('read')
  @ApiOperation({ operationId: 'listVersions', summary: 'What a recipe was, newest first: versions that are kept, and drafts' })
  @ApiOkResponse({ type: [VersionDto] })
  list(@InScope() scope: Scope, @Param('id') id: string): Promise<VersionDto[]> {
    return this.versions.list(scope, id);
  }

  @Get(':revision')
  @Needs('read')
  @ApiOperation({ operationId: 'openVersion', summary: 'A recipe as it was at one revision' })
  @ApiOkResponse({ type: OpenVersionDto })
  open(@InScope() scope: Scope, @Param('id') id: string, @Param('revision', ParseIntPipe) revision: number): Promise<OpenVersionDto> {
    return this.versions.open(scope, id, revision);
  }

  @Put(':revision')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'keepVersion', summary: 'Keeps a version, by a name or for another reason' })
  @ApiNoContentResponse()
  keep(
    @InScope() scope: Scope,
    @Param('id') id: string,
    @Param('revision', ParseIntPipe) revision: number,
    @Body() reason: KeepVersionDto,
  ): Promise<void> {
    return this.versions.keep(scope, id, revision, reason);
  }

  @Delete(':revision')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'letGoOfVersion', summary: 'Keeps a version no longer by name; what else rests on it keeps it' })
  @ApiNoContentResponse()
  letGo(@InScope() scope: Scope, @Param('id') id: string, @Param('revision', ParseIntPipe) revision: number): Promise<void> {
    return this.versions.letGo(scope, id, revision);
  }
}
