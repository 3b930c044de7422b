import { Controller, Get, Header } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiProduces, ApiTags } from '@nestjs/swagger';
import { ExportsService } from './exports.service.js';

@ApiTags('exports')
@Controller('exports')
export class ExportsController {
  constructor(private readonly exports: ExportsService) {}

  @Get('kitchen-file')
  @ApiOperation({ operationId: 'exportKitchenFile', summary: 'The whole kitchen as a kitchen file, without loss' })
  @ApiProduces('application/json')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'application/json; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="kitchen.json"')
  @Header('Cache-Control', 'no-store')
  kitchenFile(): Promise<string> {
    return this.exports.kitchenFile();
  }

  @Get('foods.csv')
  @ApiOperation({ operationId: 'exportFoods', summary: 'Foods at hand as a sheet, per 100 g' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="foods.csv"')
  @Header('Cache-Control', 'no-store')
  foods(): Promise<string> {
    return this.exports.foodsSheet();
  }

  @Get('prices.csv')
  @ApiOperation({ operationId: 'exportPrices', summary: 'Every price seen as a sheet' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="prices.csv"')
  @Header('Cache-Control', 'no-store')
  prices(): Promise<string> {
    return this.exports.pricesSheet();
  }

  @Get('recipes.csv')
  @ApiOperation({ operationId: 'exportRecipes', summary: 'What a serving of every recipe delivers and costs, as a sheet' })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="recipes.csv"')
  @Header('Cache-Control', 'no-store')
  recipes(): Promise<string> {
    return this.exports.recipesSheet();
  }
}
