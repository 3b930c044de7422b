import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { ApiCreatedResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { MergeDto, MergePreviewDto } from './merge.dto.js';
import { Threads } from '../threads/threads.js';

@ApiTags('merges')
@Controller('merges')
export class MergesController {
  constructor(private readonly threads: Threads) {}

  @Post('preview')
  @HttpCode(200)
  @ApiOperation({ operationId: 'previewMerge', summary: 'What making one food of two would do; nothing is written' })
  @ApiOkResponse({ type: MergePreviewDto })
  preview(@Body() body: MergeDto) {
    return this.threads.json('previewMerge', { ...body });
  }

  @Post()
  @ApiOperation({ operationId: 'mergeFoods', summary: 'Makes one food of two, in the pantry and in every recipe; all or nothing' })
  @ApiCreatedResponse({ type: MergePreviewDto })
  merge(@Body() body: MergeDto) {
    return this.threads.json('mergeFoods', { ...body });
  }
}
