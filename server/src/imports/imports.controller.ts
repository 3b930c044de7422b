import { Body, Controller, Get, Post, Query } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiOkResponse, ApiOperation, ApiQuery, ApiTags } from '@nestjs/swagger';
import { cutText, tidyText, type FoodEntry } from '@portiona/core';
import type { OnceKey } from '../database/once.js';
import type { SentBody } from '../http/unreadBody.js';
import { schemaOfEntry } from '../http/kitchenFileSchemas.js';
import { OnceKeyOf } from '../http/onceKeyOf.js';
import { BeginningDto } from './beginning.dto.js';
import { ImportedDto } from './import.dto.js';
import { starterFoods } from './starterFoods.js';
import { Threads } from '../threads/threads.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';

@ApiTags('imports')
@Controller('imports')
export class ImportsController {
  constructor(private readonly threads: Threads) {}

  @Post('starter-pantry')
  @Needs('edit')
  @ApiOperation({ operationId: 'importStarterPantry', summary: 'Takes in the generic foods that are not there yet' })
  @ApiCreatedResponse({ type: ImportedDto })
  starterPantry(@InScope() scope: Scope, @OnceKeyOf() once?: OnceKey) {
    return this.threads.json('importStarterPantry', scope, once);
  }

  @Get('starter-pantry')
  @Needs('read')
  @ApiOperation({ operationId: 'getStarterPantry', summary: 'The generic foods, to see what lines would be matched to' })
  @ApiOkResponse({ schema: { type: 'array', items: schemaOfEntry('Food') } })
  starters(): FoodEntry[] {
    return starterFoods();
  }

  @Post('beginning')
  @Needs('edit')
  @ApiOperation({ operationId: 'beginKitchen', summary: 'Begins a kitchen: name, settings, and what it begins with; all, or nothing' })
  @ApiCreatedResponse({ type: ImportedDto })
  begin(@InScope() scope: Scope, @Body() body: BeginningDto, @OnceKeyOf() once?: OnceKey) {
    return this.threads.json('beginKitchen', scope, body, once);
  }

  @Post('kitchen-file')
  @Needs('edit')
  @ApiOperation({ operationId: 'importKitchenFile', summary: 'Takes a kitchen file in: everything, or nothing' })
  @ApiBody({ schema: schemaOfEntry('KitchenFile') })
  @ApiQuery({ name: 'name', required: false, description: "The kitchen's new name" })
  @ApiQuery({ name: 'there', required: false, enum: ['keep'], description: 'What is there already stays as it is' })
  @ApiCreatedResponse({ type: ImportedDto })
  kitchenFile(
    @InScope() scope: Scope,
    @Body() body: SentBody,
    @Query('name') name?: string,
    @Query('there') there?: string,
    @OnceKeyOf() once?: OnceKey,
  ) {
    return this.threads.take(
      'importKitchenFile',
      body,
      scope,
      name === undefined ? undefined : cutText(tidyText(name), 200),
      there === 'keep',
      once,
    );
  }
}
