import { Controller, Get } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { KitchenDto } from './kitchen.dto.js';
import { KitchensService } from './kitchens.service.js';

@ApiTags('kitchen')
@Controller('kitchen')
export class KitchensController {
  constructor(private readonly kitchens: KitchensService) {}

  @Get()
  @ApiOperation({ operationId: 'getKitchen', summary: 'The kitchen and its settings' })
  @ApiOkResponse({ type: KitchenDto })
  get(): Promise<KitchenDto> {
    return this.kitchens.describe();
  }
}
