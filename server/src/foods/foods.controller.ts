import { Body, Controller, Get, Param, Post, Put } from '@nestjs/common';
import { ApiCreatedResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { NewDto, SavedDto, SaveDto } from '../http/saved.dto.js';
import { FoodsService } from './foods.service.js';

@ApiTags('foods')
@Controller('foods')
export class FoodsController {
  constructor(private readonly foods: FoodsService) {}

  @Get()
  @ApiOperation({ operationId: 'listFoods', summary: 'Every food of the pantry' })
  @ApiOkResponse({ type: [SavedDto] })
  list(): Promise<SavedDto[]> {
    return this.foods.list();
  }

  @Get(':id')
  @ApiOperation({ operationId: 'getFood', summary: 'One food' })
  @ApiOkResponse({ type: SavedDto })
  get(@Param('id') id: string): Promise<SavedDto> {
    return this.foods.get(id);
  }

  @Post()
  @ApiOperation({ operationId: 'createFood', summary: 'Adds a food' })
  @ApiCreatedResponse({ type: SavedDto })
  create(@Body() body: NewDto): Promise<SavedDto> {
    return this.foods.create(body.document);
  }

  @Put(':id')
  @ApiOperation({ operationId: 'saveFood', summary: 'Saves a food made on a revision' })
  @ApiOkResponse({ type: SavedDto })
  save(@Param('id') id: string, @Body() body: SaveDto): Promise<SavedDto> {
    return this.foods.save(id, body.revision, body.document);
  }
}
