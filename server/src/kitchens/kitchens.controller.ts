import { Body, Controller, Get, Patch } from '@nestjs/common';
import { ApiBody, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { InScope } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { KitchenDto, SettingsDto } from './kitchen.dto.js';
import { KitchensService } from './kitchens.service.js';
import { Needs } from '../scope/needs.js';

@ApiTags('kitchen')
@Controller()
export class KitchensController {
  constructor(private readonly kitchens: KitchensService) {}

  @Get()
  @Needs('read')
  @ApiOperation({ operationId: 'getKitchen', summary: 'The kitchen and its settings' })
  @ApiOkResponse({ type: KitchenDto })
  get(@InScope() scope: Scope): Promise<KitchenDto> {
    return this.kitchens.describe(scope);
  }

  @Patch('settings')
  @Needs('edit')
  @ApiOperation({ operationId: 'changeSettings', summary: 'Changes the settings given, and leaves the others' })
  @ApiBody({ type: SettingsDto })
  @ApiOkResponse({ type: KitchenDto })
  change(@InScope() scope: Scope, @Body() body: object | undefined): Promise<KitchenDto> {
    return this.kitchens.change(scope, body);
  }
}
