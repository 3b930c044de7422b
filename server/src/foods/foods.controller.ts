import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import {
  ApiBody,
  ApiCreatedResponse,
  ApiHeader,
  ApiNoContentResponse,
  ApiOkResponse,
  ApiOperation,
  ApiQuery,
  ApiTags,
} from '@nestjs/swagger';
import type { OnceKey } from '../database/once.js';
import type { SentBody } from '../http/unreadBody.js';
import { ONCE_HEADER, OnceKeyOf } from '../http/onceKeyOf.js';
import { NewFoodDto, SavedFoodDto, SaveFoodDto } from '../http/saved.dto.js';
import { Threads } from '../threads/threads.js';
import { FoodUseDto, FoundFoodDto, UsedFoodDto } from './food.dto.js';
import { FoodsService } from './foods.service.js';
import { FoodSearchService } from './foodSearch.service.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';

/** Foods one search gives at most, and when it does not say. */
const MOST_FOUND = 50;
const USUALLY_FOUND = 12;

/** What is found stands beside foods, not under them: a food may be called anything. */
@ApiTags('foods')
@Controller()
export class FoodsController {
  constructor(
    private readonly foods: FoodsService,
    private readonly search: FoodSearchService,
    private readonly threads: Threads,
  ) {}

  @Get('foods')
  @Needs('read')
  @ApiOperation({ operationId: 'listFoods', summary: 'Foods at hand: the kitchen’s own, and of imported tables those in use' })
  @ApiOkResponse({ type: [SavedFoodDto] })
  list(@InScope() scope: Scope): Promise<SavedFoodDto[]> {
    return this.foods.list(scope);
  }

  @Get('found-foods')
  @Needs('read')
  @ApiOperation({ operationId: 'findFoods', summary: 'Foods for words, of the whole pantry and every imported table, best first' })
  @ApiQuery({ name: 'q', description: 'Words, in any order, slips allowed' })
  @ApiQuery({ name: 'limit', required: false, description: `1 to ${MOST_FOUND}` })
  @ApiOkResponse({ type: [FoundFoodDto] })
  find(@InScope() scope: Scope, @Query('q') q = '', @Query('limit') limit?: string): Promise<FoundFoodDto[]> {
    const wanted = Math.round(Number(limit ?? USUALLY_FOUND));
    return this.search.find(scope, q.slice(0, 200), Math.min(MOST_FOUND, Math.max(1, wanted || USUALLY_FOUND)));
  }

  @Get('used-foods')
  @Needs('read')
  @ApiOperation({ operationId: 'usedFoods', summary: 'Foods that most recipes use, and how many do' })
  @ApiOkResponse({ type: [UsedFoodDto] })
  used(@InScope() scope: Scope): Promise<UsedFoodDto[]> {
    return this.foods.used(scope);
  }

  @Get('foods/:id')
  @Needs('read')
  @ApiOperation({ operationId: 'getFood', summary: 'One food' })
  @ApiOkResponse({ type: SavedFoodDto })
  get(@InScope() scope: Scope, @Param('id') id: string): Promise<SavedFoodDto> {
    return this.foods.get(scope, id);
  }

  @Get('foods/:id/history')
  @Needs('read')
  @ApiOperation({ operationId: 'foodHistory', summary: 'Every composition the food has had, newest first' })
  @ApiOkResponse({ type: [SavedFoodDto] })
  history(@InScope() scope: Scope, @Param('id') id: string): Promise<SavedFoodDto[]> {
    return this.foods.history(scope, id);
  }

  @Get('foods/:id/used-in')
  @Needs('read')
  @ApiOperation({ operationId: 'foodUses', summary: 'Recipes that use the food' })
  @ApiOkResponse({ type: [FoodUseDto] })
  usedIn(@InScope() scope: Scope, @Param('id') id: string): Promise<FoodUseDto[]> {
    return this.foods.usedIn(scope, id);
  }

  @Post('foods')
  @Needs('edit')
  @ApiOperation({ operationId: 'createFood', summary: 'Adds a food' })
  @ApiBody({ type: NewFoodDto })
  @ApiHeader(ONCE_HEADER)
  @ApiCreatedResponse({ type: SavedFoodDto })
  create(@InScope() scope: Scope, @Body() body: SentBody, @OnceKeyOf() once?: OnceKey) {
    return this.threads.take('createFood', body, scope, once);
  }

  @Put('foods/:id')
  @Needs('edit')
  @ApiOperation({ operationId: 'saveFood', summary: 'Saves a food made on a revision' })
  @ApiBody({ type: SaveFoodDto })
  @ApiOkResponse({ type: SavedFoodDto })
  save(@InScope() scope: Scope, @Param('id') id: string, @Body() body: SentBody) {
    return this.threads.take('saveFood', body, scope, id);
  }

  @Post('foods/:id/archive')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'archiveFood', summary: 'Puts a food away; recipes that use it keep it' })
  @ApiNoContentResponse()
  archive(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.foods.archive(scope, id, true);
  }

  @Post('foods/:id/restore')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'restoreFood', summary: 'Takes a food out again' })
  @ApiNoContentResponse()
  restore(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.foods.archive(scope, id, false);
  }

  @Delete('foods/:id')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'removeFood', summary: 'Removes a food that no recipe has used; 409 otherwise' })
  @ApiNoContentResponse()
  remove(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.foods.remove(scope, id);
  }
}
