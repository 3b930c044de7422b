import { Body, Controller, Post, Query } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiOperation, ApiQuery, ApiTags } from '@nestjs/swagger';
import { ImportedDto } from './import.dto.js';
import { ImportsService } from './imports.service.js';

@ApiTags('imports')
@Controller('imports')
export class ImportsController {
  constructor(private readonly imports: ImportsService) {}

  @Post('starter-pantry')
  @ApiOperation({ operationId: 'importStarterPantry', summary: 'Takes in the generic foods that are not there yet' })
  @ApiCreatedResponse({ type: ImportedDto })
  starterPantry(): Promise<ImportedDto> {
    return this.imports.starterPantry();
  }

  @Post('kitchen-file')
  @ApiOperation({ operationId: 'importKitchenFile', summary: 'Takes a kitchen file in: everything, or nothing' })
  @ApiBody({ schema: { type: 'object', additionalProperties: true } })
  @ApiQuery({ name: 'name', required: false, description: "The kitchen's new name" })
  @ApiQuery({ name: 'there', required: false, enum: ['keep'], description: 'What is there already stays as it is' })
  @ApiCreatedResponse({ type: ImportedDto })
  kitchenFile(@Body() body: unknown, @Query('name') name?: string, @Query('there') there?: string): Promise<ImportedDto> {
    return this.imports.kitchenFile(body, name, there === 'keep');
  }
}
