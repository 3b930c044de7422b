import { Body, Controller, Get, HttpCode, Param, Post } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { NewKitchenDto, OwnKitchenDto } from '../accounts/account.dto.js';
import { ByAccount, type SignedInAs } from '../scope/inScope.js';
import { SignedIn } from '../scope/needs.js';
import { OwnKitchensService } from './ownKitchens.service.js';

@ApiTags('account')
@Controller('kitchens')
export class OwnKitchensController {
  constructor(private readonly kitchens: OwnKitchensService) {}

  @Get()
  @SignedIn()
  @ApiOperation({ operationId: 'listKitchens', summary: 'The kitchens that one is a member of, and those deleted that can be taken back' })
  @ApiOkResponse({ type: [OwnKitchenDto] })
  list(@ByAccount() { accountId }: SignedInAs): Promise<OwnKitchenDto[]> {
    return this.kitchens.of(accountId);
  }

  @Post()
  @SignedIn()
  @ApiOperation({ operationId: 'createKitchen', summary: 'A new kitchen, which one owns' })
  @ApiBody({ type: NewKitchenDto })
  @ApiCreatedResponse({ type: OwnKitchenDto })
  create(@ByAccount() { accountId }: SignedInAs, @Body() { name }: NewKitchenDto): Promise<OwnKitchenDto> {
    return this.kitchens.create(accountId, name.trim());
  }

  @Post(':kitchen/taken-back')
  @HttpCode(200)
  @SignedIn()
  @ApiOperation({ operationId: 'takeKitchenBack', summary: 'Takes a deleted kitchen back, while it is kept: its owners may' })
  @ApiOkResponse({ type: [OwnKitchenDto] })
  takeBack(@ByAccount() { accountId }: SignedInAs, @Param('kitchen') key: string): Promise<OwnKitchenDto[]> {
    return this.kitchens.takeBack(accountId, key);
  }
}
