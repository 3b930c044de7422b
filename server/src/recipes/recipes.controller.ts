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
import type { SentBody } from '../http/unreadBody.js';
import { ONCE_HEADER, OnceKeyOf } from '../http/onceKeyOf.js';
import type { OnceKey } from '../database/once.js';
import { NewRecipeDto, SavedFoodDto, SavedRecipeDto, SaveRecipeDto } from '../http/saved.dto.js';
import { SettledLists } from '../threads/settledLists.js';
import { Threads } from '../threads/threads.js';
import { DishDto, ReusablePartDto } from './subRecipes.dto.js';
import { UpstreamChangesDto } from './upstreamChanges.dto.js';
import { UpstreamChangesService } from './upstreamChanges.service.js';
import { FoundAgainDto, ListedRecipeDto, OpenRecipeDto, RecipePageDto, RecipePageQuery, SwapsDto } from './recipe.dto.js';
import { RecipeFiguresService } from './recipeFigures.service.js';
import { RecipesService } from './recipes.service.js';
import { may, type Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';

/** Lists stand beside recipes, not under them: a recipe may be called anything. */
@ApiTags('recipes')
@Controller()
export class RecipesController {
  constructor(
    private readonly recipes: RecipesService,
    private readonly upstream: UpstreamChangesService,
    private readonly figures: RecipeFiguresService,
    private readonly threads: Threads,
    private readonly lists: SettledLists,
  ) {}

  @Get('recipes')
  @Needs('read')
  @ApiOperation({ operationId: 'listRecipes', summary: 'Every recipe, with what a box delivers and costs' })
  @ApiOkResponse({ type: [ListedRecipeDto] })
  list(@InScope() scope: Scope) {
    return this.lists.recipes(scope);
  }

  @Get('recipe-pages')
  @Needs('read')
  @ApiOperation({ operationId: 'pageRecipes', summary: 'Some of the recipes, in an order, and how many there are' })
  @ApiOkResponse({ type: RecipePageDto })
  page(@InScope() scope: Scope, @Query() page: RecipePageQuery) {
    return this.lists.page(scope, {
      order: 'series',
      words: '',
      from: 0,
      count: 100,
      ...page,
      ...(page.order === 'usedCost' && !may(scope, 'costs') ? { order: 'series' } : {}),
    });
  }

  @Get('food-swaps')
  @Needs('read')
  @ApiOperation({ operationId: 'swapFood', summary: 'What each recipe that uses a food gains with another in its place' })
  @ApiQuery({ name: 'from', description: 'The food that is in the recipes' })
  @ApiQuery({ name: 'to', description: 'The food to stand in its place' })
  @ApiOkResponse({ type: SwapsDto })
  swaps(@InScope() scope: Scope, @Query('from') from = '', @Query('to') to = '') {
    return this.threads.json('swapFood', scope, from, to);
  }

  @Get('found-again')
  @Needs('read')
  @ApiOperation({ operationId: 'listFoundAgain', summary: 'Dishes with lines that find a food now, since foods have come' })
  @ApiOkResponse({ type: [FoundAgainDto] })
  foundAgain(@InScope() scope: Scope) {
    return this.threads.json('foundAgain', scope);
  }

  @Get('reusable-parts')
  @Needs('read')
  @ApiOperation({ operationId: 'reusableParts', summary: 'Parts that a recipe can take lines of' })
  @ApiQuery({ name: 'for', description: 'The recipe that is to take them: none that is built on it is among them' })
  @ApiOkResponse({ type: [ReusablePartDto] })
  reusable(@InScope() scope: Scope, @Query('for') of = '') {
    return this.lists.parts(scope, of);
  }

  @Get('recipes/:id')
  @Needs('read')
  @ApiOperation({ operationId: 'openRecipe', summary: 'One recipe at its newest revision' })
  @ApiOkResponse({ type: OpenRecipeDto })
  open(@InScope() scope: Scope, @Param('id') id: string): Promise<OpenRecipeDto> {
    return this.recipes.open(scope, id);
  }

  @Get('recipes/:id/dishes')
  @Needs('read')
  @ApiOperation({ operationId: 'dishesOf', summary: 'Dishes that take parts of the recipe, and what moved in them' })
  @ApiOkResponse({ type: [DishDto] })
  dishes(@InScope() scope: Scope, @Param('id') id: string) {
    return this.threads.json('dishesOf', scope, id);
  }

  @Get('recipes/:id/table-foods')
  @Needs('read')
  @ApiOperation({ operationId: 'tableFoods', summary: 'Rows of imported tables that lines without an agreed food may mean' })
  @ApiOkResponse({ type: [SavedFoodDto] })
  tableFoods(@InScope() scope: Scope, @Param('id') id: string): Promise<SavedFoodDto[]> {
    return this.figures.tableFoods(scope, id);
  }

  @Get('recipes/:id/upstream-changes')
  @Needs('read')
  @ApiOperation({ operationId: 'upstreamChanges', summary: 'Foods and bases edited under the recipe since, and how its serving moved' })
  @ApiOkResponse({ type: UpstreamChangesDto })
  resolvedFood(@InScope() scope: Scope, @Param('id') id: string) {
    return this.threads.json('upstreamChanges', scope, id);
  }

  @Post('recipes/:id/upstream-changes')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'acceptUpstreamChanges', summary: 'Takes foods and bases as they stand for what the recipe rests on' })
  @ApiNoContentResponse()
  acceptUpstreamChanges(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.upstream.accept(scope, id);
  }

  @Post('recipes')
  @Needs('edit')
  @ApiOperation({ operationId: 'createRecipe', summary: 'Adds a recipe' })
  @ApiBody({ type: NewRecipeDto })
  @ApiHeader(ONCE_HEADER)
  @ApiCreatedResponse({ type: SavedRecipeDto })
  create(@InScope() scope: Scope, @Body() body: SentBody, @OnceKeyOf() once?: OnceKey) {
    return this.threads.take('createRecipe', body, scope, once);
  }

  @Put('recipes/:id')
  @Needs('edit')
  @ApiOperation({
    operationId: 'saveRecipe',
    summary: 'Saves a recipe made on a revision; 409 with what is there now when that is not the newest',
  })
  @ApiBody({ type: SaveRecipeDto })
  @ApiOkResponse({ type: SavedRecipeDto })
  save(@InScope() scope: Scope, @Param('id') id: string, @Body() body: SentBody) {
    return this.threads.take('saveRecipe', body, scope, id);
  }

  @Delete('recipes/:id')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'archiveRecipe', summary: 'Puts a recipe away' })
  @ApiNoContentResponse()
  archive(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.recipes.archive(scope, id, true);
  }

  @Post('recipes/:id/restore')
  @Needs('edit')
  @HttpCode(204)
  @ApiOperation({ operationId: 'restoreRecipe', summary: 'Takes a recipe out again' })
  @ApiNoContentResponse()
  restore(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.recipes.archive(scope, id, false);
  }
}
