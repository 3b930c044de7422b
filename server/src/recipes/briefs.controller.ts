import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { BriefDto, BriefVerdictDto } from './recipe.dto.js';
import { RecipesService } from './recipes.service.js';

@ApiTags('briefs')
@Controller('briefs')
export class BriefsController {
  constructor(private readonly recipes: RecipesService) {}

  @Post('judged')
  @HttpCode(200)
  @ApiOperation({ operationId: 'judgeRecipes', summary: 'How every recipe stands to a brief' })
  @ApiOkResponse({ type: [BriefVerdictDto] })
  judged(@Body() { brief }: BriefDto): Promise<BriefVerdictDto[]> {
    return this.recipes.judged(brief);
  }
}
