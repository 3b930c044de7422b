import { Controller, Get, Header, Param, Res } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiProduces, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { Threads } from '../threads/threads.js';

@ApiTags('exports')
@Controller('exports')
export class ExportsController {
  constructor(private readonly threads: Threads) {}

  @Get('kitchen-file')
  @ApiOperation({ operationId: 'exportKitchenFile', summary: 'The whole kitchen as a kitchen file, without loss' })
  @ApiProduces('application/json')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'application/json; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="kitchen.json"')
  @Header('Cache-Control', 'no-store')
  kitchenFile(): Promise<string> {
    return this.threads.text('exportKitchen');
  }

  @Get('foods.csv')
  @ApiOperation({ operationId: 'exportFoods', summary: 'Foods at hand as a sheet, per 100 g' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="foods.csv"')
  @Header('Cache-Control', 'no-store')
  foods(): Promise<string> {
    return this.threads.text('exportFoods');
  }

  @Get('prices.csv')
  @ApiOperation({ operationId: 'exportPrices', summary: 'Every price seen as a sheet' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="prices.csv"')
  @Header('Cache-Control', 'no-store')
  prices(): Promise<string> {
    return this.threads.text('exportPrices');
  }

  @Get('recipes.csv')
  @ApiOperation({ operationId: 'exportRecipes', summary: 'What a serving of every recipe delivers and costs, as a sheet' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="recipes.csv"')
  @Header('Cache-Control', 'no-store')
  recipes(): Promise<string> {
    return this.threads.text('exportRecipes');
  }

  @Get('recipes/:id/lines.csv')
  @ApiOperation({ operationId: 'exportLines', summary: 'One recipe’s ingredients with what each comes to, as a sheet' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Cache-Control', 'no-store')
  async lines(@Param('id') id: string, @Res({ passthrough: true }) response: Response): Promise<string> {
    const text = await this.threads.text('exportLines', id);
    response.attachment(`${id}.csv`);
    return text;
  }

  @Get('recipes/:id/kitchen-file')
  @ApiOperation({ operationId: 'exportRecipe', summary: 'One recipe with all it is made of, as a kitchen file' })
  @ApiProduces('application/json')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'application/json; charset=utf-8')
  @Header('Cache-Control', 'no-store')
  async recipe(@Param('id') id: string, @Res({ passthrough: true }) response: Response): Promise<string> {
    const text = await this.threads.text('exportRecipe', id);
    response.attachment(`${id}.json`);
    return text;
  }
}
