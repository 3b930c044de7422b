import { Controller, Get, Header, Param, Post, Req, StreamableFile } from '@nestjs/common';
import { ApiBody, ApiConsumes, ApiCreatedResponse, ApiOkResponse, ApiOperation, ApiProduces, ApiTags } from '@nestjs/swagger';
import type { Request } from 'express';
import { rawBody } from '../http/rawBody.js';
import { InScope } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { Threads } from '../threads/threads.js';
import { PhotoDto } from './photo.dto.js';
import { PhotosService } from './photos.service.js';
import { Needs } from '../scope/needs.js';

/** Of a picture as it is brought. */
const MOST_BYTES = 16 * 1024 * 1024;

@ApiTags('photos')
@Controller('photos')
export class PhotosController {
  constructor(
    private readonly photos: PhotosService,
    private readonly threads: Threads,
  ) {}

  @Post()
  @Needs('cook')
  @ApiOperation({ operationId: 'bringPhoto', summary: 'Keeps a picture: upright, smaller, and nothing but the picture' })
  @ApiConsumes('application/octet-stream')
  @ApiBody({ schema: { type: 'string', format: 'binary' } })
  @ApiCreatedResponse({ type: PhotoDto })
  async take(@InScope() scope: Scope, @Req() request: Request) {
    return this.threads.take('takePhoto', await rawBody(request, MOST_BYTES), scope);
  }

  @Get(':id')
  @Needs('read')
  @Header('Cache-Control', 'private, max-age=31536000, immutable')
  @ApiOperation({ operationId: 'getPhoto', summary: 'A picture that is kept' })
  @ApiProduces('image/jpeg')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async get(@InScope() scope: Scope, @Param('id') id: string): Promise<StreamableFile> {
    return new StreamableFile(await this.photos.get(scope, id), { type: 'image/jpeg', disposition: 'inline; filename="photo.jpg"' });
  }
}
