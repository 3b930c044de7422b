import { Controller, Get } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { InScope } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { SettledLists } from '../threads/settledLists.js';
import { RecipeFindingsDto } from './finding.dto.js';
import { Needs } from '../scope/needs.js';

@ApiTags('recipes')
@Controller('findings')
export class FindingsController {
  constructor(private readonly lists: SettledLists) {}

  @Get()
  @Needs('read')
  @ApiOperation({ operationId: 'listFindings', summary: 'What Check finds in every recipe that has something open' })
  @ApiOkResponse({ type: [RecipeFindingsDto] })
  all(@InScope() scope: Scope) {
    return this.lists.findings(scope);
  }
}
