import { Body, Controller, Post, Query } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiOperation, ApiQuery, ApiTags } from '@nestjs/swagger';
import { cutText, tidyText } from '@portiona/core';
import type { OnceKey } from '../database/once.js';
import type { SentBody } from '../http/unreadBody.js';
import { schemaOfEntry } from '../http/kitchenFileSchemas.js';
import { OnceKeyOf } from '../http/onceKeyOf.js';
import { ImportedDto } from './import.dto.js';
import { Threads } from '../threads/threads.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';

@ApiTags('imports')
@Controller('imports')
export class ImportsController {
  constructor(private readonly threads: Threads) {}

  @Post('starter-pantry')
  @ApiOperation({ operationId: 'importStarterPantry', summary: 'Takes in the generic foods that are not there yet' })
  @ApiCreatedResponse({ type: ImportedDto })
  starterPantry(@InScope() scope: Scope, @OnceKeyOf() once?: OnceKey) {
    return this.threads.json('importStarterPantry', scope, once);
  }

  @Post('kitchen-file')
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
