import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { ApiCreatedResponse, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { NewDto, SavedDto, SaveDto } from '../http/saved.dto.js';
import { PacksService } from './packs.service.js';

@ApiTags('packs')
@Controller('packs')
export class PacksController {
  constructor(private readonly packs: PacksService) {}

  @Get()
  @ApiOperation({ operationId: 'listPacks', summary: 'Every pack with its price' })
  @ApiOkResponse({ type: [SavedDto] })
  list(): Promise<SavedDto[]> {
    return this.packs.list();
  }

  @Post()
  @ApiOperation({ operationId: 'createPack', summary: 'Adds a pack' })
  @ApiCreatedResponse({ type: SavedDto })
  create(@Body() body: NewDto): Promise<SavedDto> {
    return this.packs.create(body.document);
  }

  @Put(':id')
  @ApiOperation({ operationId: 'savePack', summary: 'Saves a pack made on a revision' })
  @ApiOkResponse({ type: SavedDto })
  save(@Param('id') id: string, @Body() body: SaveDto): Promise<SavedDto> {
    return this.packs.save(id, body.revision, body.document);
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ operationId: 'removePack', summary: 'Takes a pack out' })
  @ApiNoContentResponse()
  remove(@Param('id') id: string): Promise<void> {
    return this.packs.remove(id);
  }
}
