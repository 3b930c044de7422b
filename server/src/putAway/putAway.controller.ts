import { Controller, Get } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { PutAwayDto } from './putAway.dto.js';
import { PutAwayService } from './putAway.service.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';

@ApiTags('put-away')
@Controller('put-away')
export class PutAwayController {
  constructor(private readonly away: PutAwayService) {}

  @Get()
  @Needs('read')
  @ApiOperation({ operationId: 'listPutAway', summary: 'Recipes and foods that were put away' })
  @ApiOkResponse({ type: PutAwayDto })
  list(@InScope() scope: Scope): Promise<PutAwayDto> {
    return this.away.list(scope);
  }
}
