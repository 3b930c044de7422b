import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { BriefDto, BriefVerdictDto } from './recipe.dto.js';
import { Threads } from '../threads/threads.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';
import { ChangesNothing } from '../audit/deed.interceptor.js';

@ApiTags('briefs')
@Controller('briefs')
export class BriefsController {
  constructor(private readonly threads: Threads) {}

  @Post('judged')
  @ChangesNothing()
  @Needs('read', 'costs')
  @HttpCode(200)
  @ApiOperation({ operationId: 'judgeRecipes', summary: 'How every recipe stands to a brief' })
  @ApiOkResponse({ type: [BriefVerdictDto] })
  async judged(@InScope() scope: Scope, @Body() { brief }: BriefDto) {
    await this.threads.settled(scope);
    return this.threads.json('judgeRecipes', scope, brief);
  }
}
