import { Body, Controller, Post, Query } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiOperation, ApiQuery, ApiTags } from '@nestjs/swagger';
import { cutText, tidyText } from '@portiona/core';
import type { OnceKey } from '../database/once.js';
import type { SentBody } from '../http/unreadBody.js';
import { schemaOfEntry } from '../http/kitchenFileSchemas.js';
import { OnceKeyOf } from '../http/onceKeyOf.js';
import { ImportedDto } from './import.dto.js';
import { Threads } from '../threads/threads.js';

@ApiTags('imports')
@Controller('imports')
export class ImportsController {
  constructor(private readonly threads: Threads) {}

  @Post('starter-pantry')
  @ApiOperation({ operationId: 'importStarterPantry', summary: 'Takes in the generic foods that are not there yet' })
  @ApiCreatedResponse({ type: ImportedDto })
  starterPantry(@OnceKeyOf() once?: OnceKey) {
    return this.threads.json('importStarterPantry', once);
  }

  @Post('kitchen-file')
  @ApiOperation({ operationId: 'importKitchenFile', summary: 'Takes a kitchen file in: everything, or nothing' })
  @ApiBody({ schema: schemaOfEntry('KitchenFile') })
  @ApiQuery({ name: 'name', required: false, description: "The kitchen's new name" })
  @ApiQuery({ name: 'there', required: false, enum: ['keep'], description: 'What is there already stays as it is' })
  @ApiCreatedResponse({ type: ImportedDto })
  kitchenFile(@Body() body: SentBody, @Query('name') name?: string, @Query('there') there?: string, @OnceKeyOf() once?: OnceKey) {
    return this.threads.take(
      'importKitchenFile',
      body,
      name === undefined ? undefined : cutText(tidyText(name), 200),
      there === 'keep',
      once,
    );
  }
}
