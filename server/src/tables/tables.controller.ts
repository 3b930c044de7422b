import { Body, Controller, Delete, Get, HttpCode, Param, Post, Query, Req } from '@nestjs/common';
import {
  ApiAcceptedResponse,
  ApiBody,
  ApiConsumes,
  ApiCreatedResponse,
  ApiNoContentResponse,
  ApiOkResponse,
  ApiOperation,
  ApiQuery,
  ApiTags,
} from '@nestjs/swagger';
import type { Request } from 'express';
import { RefusedFileError, ValidationError } from '../http/problems.js';
import { statedLength } from '../http/statedLength.js';
import { ENCODINGS, NamedReadingDto, TableImportDto, TableLookDto, TablePreviewDto, TakeTableDto, type Encoding } from './table.dto.js';
import { TableUploadsService } from './tableUploads.service.js';
import { TableImportsService } from './tableImports.service.js';
import { TablePreviewsService } from './tablePreviews.service.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';
import { ChangesNothing } from '../audit/deed.interceptor.js';

@ApiTags('food-tables')
@Controller('food-tables')
export class TablesController {
  constructor(
    private readonly tables: TableUploadsService,
    private readonly trial: TablePreviewsService,
    private readonly taking: TableImportsService,
  ) {}

  @Get()
  @Needs('read')
  @ApiOperation({ operationId: 'listTables', summary: 'Food tables brought, newest first' })
  @ApiOkResponse({ type: [TableImportDto] })
  list(@InScope() scope: Scope): Promise<TableImportDto[]> {
    return this.tables.list(scope);
  }

  @Post()
  @Needs('edit')
  @ApiOperation({ operationId: 'bringTable', summary: 'Brings a food table: CSV or TSV of any delimiter and encoding, as the body' })
  @ApiConsumes('text/csv')
  @ApiBody({ schema: { type: 'string', format: 'binary' } })
  @ApiQuery({ name: 'fileName', required: false })
  @ApiCreatedResponse({ type: TableImportDto })
  bring(@InScope() scope: Scope, @Req() request: Request, @Query('fileName') fileName = 'table.csv'): Promise<TableImportDto> {
    if (request.readableEnded) throw new RefusedFileError('send the table as text/csv, not as JSON');
    if (request.headers['content-encoding'] !== undefined) throw new RefusedFileError('send the table as it is, not packed');
    return this.tables.bring(scope, fileName, request, statedLength(request));
  }

  @Get('mappings')
  @Needs('read')
  @ApiOperation({ operationId: 'listMappings', summary: 'Mappings kept, by name' })
  @ApiOkResponse({ type: [NamedReadingDto] })
  kept(@InScope() scope: Scope): Promise<NamedReadingDto[]> {
    return this.tables.mappingsKept(scope);
  }

  @Delete('mappings/:name')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'forgetMapping', summary: 'Forgets a mapping' })
  @ApiNoContentResponse()
  forget(@InScope() scope: Scope, @Param('name') name: string): Promise<void> {
    return this.tables.forgetMapping(scope, name);
  }

  @Get(':id')
  @Needs('read')
  @ApiOperation({ operationId: 'getTable', summary: 'Where a table stands' })
  @ApiOkResponse({ type: TableImportDto })
  get(@InScope() scope: Scope, @Param('id') id: string): Promise<TableImportDto> {
    return this.tables.get(scope, id);
  }

  @Get(':id/look')
  @Needs('read')
  @ApiOperation({ operationId: 'lookAtTable', summary: 'A table’s columns, and how it is most likely meant' })
  @ApiQuery({ name: 'encoding', required: false, enum: ENCODINGS })
  @ApiQuery({ name: 'delimiter', required: false })
  @ApiQuery({ name: 'headingLines', required: false, type: Number })
  @ApiQuery({ name: 'kept', required: false, description: 'Name of a mapping that was kept' })
  @ApiQuery({ name: 'rowsFor', required: false, enum: ['food', 'figure'], description: 'Whether each food or each figure has a row' })
  @ApiQuery({ name: 'food', required: false, description: 'Heading of the column that tells foods apart, where figures have rows' })
  @ApiQuery({ name: 'figure', required: false, description: 'Heading of the column that names the figure' })
  @ApiQuery({ name: 'value', required: false, description: 'Heading of the column of amounts' })
  @ApiQuery({ name: 'unit', required: false, description: 'Heading of the column of units' })
  @ApiOkResponse({ type: TableLookDto })
  look(
    @InScope() scope: Scope,
    @Param('id') id: string,
    @Query('encoding') encoding?: string,
    @Query('delimiter') delimiter?: string,
    @Query('headingLines') headingLines?: string,
    @Query('kept') kept?: string,
    @Query('rowsFor') rowsFor?: string,
    @Query('food') food?: string,
    @Query('figure') figure?: string,
    @Query('value') value?: string,
    @Query('unit') unit?: string,
  ): Promise<TableLookDto> {
    return this.trial.look(scope, id, {
      ...(encoding === undefined ? {} : { encoding: readEncoding(encoding) }),
      ...(delimiter === undefined || delimiter === '' ? {} : { delimiter: delimiter.slice(0, 3) }),
      ...(headingLines === undefined ? {} : { headingLines: Math.min(50, Math.max(0, Math.round(Number(headingLines) || 0))) }),
      ...(kept === undefined ? {} : { kept }),
      ...(rowsFor === 'food' || rowsFor === 'figure' ? { rowsFor } : {}),
      figureRows: {
        ...(food === undefined ? {} : { food }),
        ...(figure === undefined ? {} : { figure }),
        ...(value === undefined ? {} : { value }),
        ...(unit === undefined ? {} : { unit }),
      },
    });
  }

  @Post(':id/preview')
  @ChangesNothing()
  @Needs('edit')
  @HttpCode(200)
  @ApiOperation({ operationId: 'previewTable', summary: 'What taking it in would do; nothing is written' })
  @ApiOkResponse({ type: TablePreviewDto })
  preview(@InScope() scope: Scope, @Param('id') id: string, @Body() body: TakeTableDto): Promise<TablePreviewDto> {
    return this.trial.preview(scope, id, body);
  }

  @Post(':id/start')
  @Needs('edit')
  @HttpCode(202)
  @ApiOperation({ operationId: 'takeTable', summary: 'Takes it in, all in one transaction, beside other work' })
  @ApiAcceptedResponse({ type: TableImportDto })
  start(@InScope() scope: Scope, @Param('id') id: string, @Body() body: TakeTableDto): Promise<TableImportDto> {
    return this.taking.start(scope, id, body);
  }

  @Delete(':id')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'cancelTable', summary: 'Stops taking it in, or forgets the file; nothing stays written' })
  @ApiNoContentResponse()
  cancel(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.taking.cancel(scope, id);
  }
}

function readEncoding(found: string): Encoding {
  const encoding = ENCODINGS.find((one) => one === found.toLowerCase());
  if (!encoding)
    throw new ValidationError([{ path: 'encoding', message: `unknown encoding "${found}"; one of ${ENCODINGS.join(', ')} is` }]);
  return encoding;
}
