import { Body, Controller, Delete, Get, HttpCode, Param, Post, StreamableFile } from '@nestjs/common';
import { ApiCreatedResponse, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiProduces, ApiTags } from '@nestjs/swagger';
import { InScope } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { BundleDto, BundleOrderDto } from './bundle.dto.js';
import { BundlesService } from './bundles.service.js';
import { Needs } from '../scope/needs.js';

@ApiTags('bundles')
@Controller('bundles')
export class BundlesController {
  constructor(private readonly bundles: BundlesService) {}

  @Post()
  @Needs('edit', 'costs')
  @ApiOperation({ operationId: 'bindCards', summary: 'Begins to bind cards: a booklet, or an archive of every format' })
  @ApiCreatedResponse({ type: BundleDto })
  start(@InScope() scope: Scope, @Body() order: BundleOrderDto): Promise<BundleDto> {
    return this.bundles.start(scope, order);
  }

  @Get()
  @Needs('read')
  @ApiOperation({ operationId: 'listBundles', summary: 'Booklets and archives that are kept, the newest first' })
  @ApiOkResponse({ type: [BundleDto] })
  list(@InScope() scope: Scope): Promise<BundleDto[]> {
    return this.bundles.list(scope);
  }

  @Get(':id')
  @Needs('read')
  @ApiOperation({ operationId: 'getBundle', summary: 'A booklet or an archive, and how far it is' })
  @ApiOkResponse({ type: BundleDto })
  get(@InScope() scope: Scope, @Param('id') id: string): Promise<BundleDto> {
    return this.bundles.get(scope, id);
  }

  @Get(':id/file')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'getBundleFile', summary: 'The file of one that is made' })
  @ApiProduces('application/pdf', 'application/zip')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async file(@InScope() scope: Scope, @Param('id') id: string): Promise<StreamableFile> {
    const { stream, name, type, bytes } = await this.bundles.file(scope, id);
    const disposition = `attachment; filename="${name.replace(/[^\x20-\x7e]/g, '_')}"; filename*=UTF-8''${encodeURIComponent(name)}`;
    return new StreamableFile(stream, { type, length: bytes, disposition });
  }

  @Delete(':id')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'cancelBundle', summary: 'Binds no further; one that is made is taken away' })
  @ApiNoContentResponse()
  cancel(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.bundles.cancel(scope, id);
  }
}
