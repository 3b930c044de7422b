import { Body, Controller, Delete, HttpCode, Post } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiNoContentResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { NewKitchenDto, OwnKitchenDto } from '../accounts/account.dto.js';
import { ForbiddenError } from '../http/problems.js';
import { ByAccount, InScope, type SignedInAs } from '../scope/inScope.js';
import { Needs } from '../scope/needs.js';
import type { Scope } from '../scope/scope.js';
import { Threads } from '../threads/threads.js';
import { OwnKitchensService } from './ownKitchens.service.js';

/** What is done to a kitchen as a whole. */
@ApiTags('kitchen')
@Controller()
export class WholeKitchenController {
  constructor(
    private readonly kitchens: OwnKitchensService,
    private readonly threads: Threads,
  ) {}

  @Post('copies')
  @Needs('manage')
  @ApiOperation({
    operationId: 'copyKitchen',
    summary: 'Copies the kitchen: all that a kitchen file holds, with its photos; not members, versions, published cards, notes or the log',
  })
  @ApiBody({ type: NewKitchenDto })
  @ApiCreatedResponse({ type: OwnKitchenDto })
  async copy(@InScope() scope: Scope, @ByAccount() by: SignedInAs, @Body() { name }: NewKitchenDto): Promise<OwnKitchenDto> {
    if (by.sessionId === undefined) throw new ForbiddenError('this has to be asked by a person who is signed in, not by a token');
    return this.kitchens.copy(by.accountId, name.trim(), async (to) => {
      await this.threads.text('copyKitchen', scope, to, name.trim());
    });
  }

  @Delete()
  @HttpCode(204)
  @Needs('manage')
  @ApiOperation({ operationId: 'deleteKitchen', summary: 'Deletes the kitchen: its owners can take it back for thirty days' })
  @ApiNoContentResponse()
  remove(@InScope() scope: Scope): Promise<void> {
    return this.kitchens.remove(scope);
  }
}
