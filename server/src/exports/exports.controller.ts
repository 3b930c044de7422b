import { Controller, Get, Header, Param, Query, Res, StreamableFile } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiProduces, ApiQuery, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { sessionIds } from '../shopping/sessionIds.js';
import { Threads } from '../threads/threads.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';

@ApiTags('exports')
@Controller('exports')
export class ExportsController {
  constructor(private readonly threads: Threads) {}

  @Get('kitchen-file')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'exportKitchenFile', summary: 'The whole kitchen as a kitchen file, without loss' })
  @ApiProduces('application/json')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'application/json; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="kitchen.json"')
  @Header('Cache-Control', 'no-store')
  @ApiQuery({ name: 'photos', required: false, enum: ['none'], description: 'Without the photos, and what names them' })
  kitchenFile(@InScope() scope: Scope, @Query('photos') photos?: string): Promise<string> {
    return this.threads.text('exportKitchen', scope, photos !== 'none');
  }

  @Get('foods.csv')
  @Needs('read')
  @ApiOperation({ operationId: 'exportFoods', summary: 'Foods at hand as a sheet, per 100 g' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="foods.csv"')
  @Header('Cache-Control', 'no-store')
  foods(@InScope() scope: Scope): Promise<string> {
    return this.threads.text('exportFoods', scope);
  }

  @Get('prices.csv')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'exportPrices', summary: 'Every price seen as a sheet' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="prices.csv"')
  @Header('Cache-Control', 'no-store')
  prices(@InScope() scope: Scope): Promise<string> {
    return this.threads.text('exportPrices', scope);
  }

  @Get('shopping.csv')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'exportShopping', summary: 'What to buy for sessions as a sheet' })
  @ApiQuery({ name: 'sessions', description: 'Ids, separated by commas' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="shopping.csv"')
  @Header('Cache-Control', 'no-store')
  shopping(@InScope() scope: Scope, @Query('sessions') sessions?: string): Promise<string> {
    return this.threads.text('exportShopping', scope, sessionIds(sessions));
  }

  @Get('shopping.txt')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'exportShoppingText', summary: 'What to buy for sessions as text' })
  @ApiQuery({ name: 'sessions', description: 'Ids, separated by commas' })
  @ApiProduces('text/plain')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/plain; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="shopping.txt"')
  @Header('Cache-Control', 'no-store')
  shoppingText(@InScope() scope: Scope, @Query('sessions') sessions?: string): Promise<string> {
    return this.threads.text('exportShoppingText', scope, sessionIds(sessions));
  }

  @Get('shopping.pdf')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'exportShoppingPdf', summary: 'What to buy for sessions as a PDF' })
  @ApiQuery({ name: 'sessions', description: 'Ids, separated by commas' })
  @ApiProduces('application/pdf')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  @Header('Content-Type', 'application/pdf')
  @Header('Content-Disposition', 'attachment; filename="shopping.pdf"')
  @Header('Cache-Control', 'no-store')
  async shoppingPdf(@InScope() scope: Scope, @Query('sessions') sessions?: string): Promise<StreamableFile> {
    return new StreamableFile(await this.threads.bytes('exportShoppingPdf', scope, sessionIds(sessions)));
  }

  @Get('sessions.ics')
  @Needs('read')
  @ApiOperation({ operationId: 'exportSessions', summary: 'Sessions as a calendar, each as long as its plan takes' })
  @ApiProduces('text/calendar')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/calendar; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="sessions.ics"')
  @Header('Cache-Control', 'no-store')
  sessions(@InScope() scope: Scope): Promise<string> {
    return this.threads.text('exportSessions', scope);
  }

  @Get('batches.csv')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'exportBatches', summary: 'Batches as a sheet: of all dishes, or of one' })
  @ApiQuery({ name: 'recipe', required: false, description: 'Of this recipe alone' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="batches.csv"')
  @Header('Cache-Control', 'no-store')
  batches(@InScope() scope: Scope, @Query('recipe') recipe?: string): Promise<string> {
    return this.threads.text('exportBatches', scope, recipe);
  }

  @Get('recipes.csv')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'exportRecipes', summary: 'What a serving of every recipe delivers and costs, as a sheet' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="recipes.csv"')
  @Header('Cache-Control', 'no-store')
  recipes(@InScope() scope: Scope): Promise<string> {
    return this.threads.text('exportRecipes', scope);
  }

  @Get('recipes/:id/lines.csv')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'exportLines', summary: 'One recipe’s ingredients with what each comes to, as a sheet' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Cache-Control', 'no-store')
  async lines(@InScope() scope: Scope, @Param('id') id: string, @Res({ passthrough: true }) response: Response): Promise<string> {
    const text = await this.threads.text('exportLines', scope, id);
    response.attachment(`${id}.csv`);
    return text;
  }

  @Get('recipes/:id/kitchen-file')
  @Needs('read', 'costs')
  @ApiOperation({ operationId: 'exportRecipe', summary: 'One recipe with all it is made of, as a kitchen file' })
  @ApiProduces('application/json')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'application/json; charset=utf-8')
  @Header('Cache-Control', 'no-store')
  async recipe(@InScope() scope: Scope, @Param('id') id: string, @Res({ passthrough: true }) response: Response): Promise<string> {
    const text = await this.threads.text('exportRecipe', scope, id);
    response.attachment(`${id}.json`);
    return text;
  }
}
