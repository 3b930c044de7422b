import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { ApiCreatedResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { MergeDto, MergePreviewDto } from './merge.dto.js';
import { Threads } from '../threads/threads.js';
import type { Scope } from '../scope/scope.js';
import { InScope } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';
import { ChangesNothing } from '../audit/deed.interceptor.js';

@ApiTags('merges')
@Controller('merges')
export class MergesController {
  constructor(private readonly threads: Threads) {}

  @Post('preview')
  @ChangesNothing()
  @Needs('edit')
  @HttpCode(200)
  @ApiOperation({ operationId: 'previewMerge', summary: 'What making one food of two would do; nothing is written' })
  @ApiOkResponse({ type: MergePreviewDto })
  preview(@InScope() scope: Scope, @Body() body: MergeDto) {
    return this.threads.json('previewMerge', scope, { ...body });
  }

  @Post()
  @Needs('edit')
  @ApiOperation({ operationId: 'mergeFoods', summary: 'Makes one food of two, in the pantry and in every recipe; all or nothing' })
  @ApiCreatedResponse({ type: MergePreviewDto })
  merge(@InScope() scope: Scope, @Body() body: MergeDto) {
    return this.threads.json('mergeFoods', scope, { ...body });
  }
}
