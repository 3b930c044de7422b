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
}
