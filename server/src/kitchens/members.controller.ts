import { Body, Controller, Delete, Get, HttpCode, Param, Patch, Post, Req } from '@nestjs/common';
import { ApiBody, ApiCreatedResponse, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Request } from 'express';
import { pageOrigin } from '../http/pageOrigin.js';
import { ByAccount, InScope, type SignedInAs } from '../scope/inScope.js';
import { ForbiddenError } from '../http/problems.js';
import { Needs } from '../scope/needs.js';
import type { Scope } from '../scope/scope.js';
import { ApiTokensService } from './apiTokens.service.js';
import { InvitationsService } from './invitations.service.js';
import {
  ChangingMemberDto,
  InvitationDto,
  InvitingDto,
  MadeTokenDto,
  MemberDto,
  NewInvitationDto,
  NewTokenDto,
  TokenDto,
} from './member.dto.js';
import { MembersService } from './members.service.js';

@ApiTags('members')
@Controller()
export class MembersController {
  constructor(
    private readonly members: MembersService,
    private readonly invitations: InvitationsService,
    private readonly tokens: ApiTokensService,
  ) {}

  @Get('members')
  @Needs('read')
  @ApiOperation({ operationId: 'listMembers', summary: 'Who is a member of the kitchen, owners first' })
  @ApiOkResponse({ type: [MemberDto] })
  list(@InScope() scope: Scope): Promise<MemberDto[]> {
    return this.members.list(scope);
  }

  @Patch('members/:id')
  @Needs('manage')
  @ApiOperation({ operationId: 'changeMember', summary: 'Makes a member something else' })
  @ApiBody({ type: ChangingMemberDto })
  @ApiOkResponse({ type: [MemberDto] })
  change(@InScope() scope: Scope, @Param('id') id: string, @Body() said: ChangingMemberDto): Promise<MemberDto[]> {
    return this.members.change(scope, id, said);
  }

  @Delete('members/:id')
  @HttpCode(204)
  @Needs('manage')
  @ApiOperation({ operationId: 'removeMember', summary: 'Takes a member out; their tokens for the kitchen end' })
  @ApiNoContentResponse()
  remove(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.members.remove(scope, id);
  }

  @Delete('membership')
  @HttpCode(204)
  @Needs('read')
  @ApiOperation({ operationId: 'leaveKitchen', summary: 'Leaves the kitchen' })
  @ApiNoContentResponse()
  leave(@InScope() scope: Scope, @ByAccount() by: SignedInAs): Promise<void> {
    expectPerson(by);
    return this.members.remove(scope, scope.person);
  }

  @Get('invitations')
  @Needs('manage')
  @ApiOperation({ operationId: 'listInvitations', summary: 'Invitations that wait' })
  @ApiOkResponse({ type: [InvitationDto] })
  waiting(@InScope() scope: Scope): Promise<InvitationDto[]> {
    return this.invitations.list(scope);
  }

  @Post('invitations')
  @Needs('manage')
  @ApiOperation({
    operationId: 'invite',
    summary: 'Invites somebody by a link, which is said this once, and sent where an address is given',
  })
  @ApiBody({ type: InvitingDto })
  @ApiCreatedResponse({ type: NewInvitationDto })
  invite(@InScope() scope: Scope, @Body() said: InvitingDto, @Req() request: Request): Promise<NewInvitationDto> {
    return this.invitations.make(scope, said, pageOrigin(request));
  }

  @Delete('invitations/:id')
  @HttpCode(204)
  @Needs('manage')
  @ApiOperation({ operationId: 'withdrawInvitation', summary: 'Takes an invitation back' })
  @ApiNoContentResponse()
  withdraw(@InScope() scope: Scope, @Param('id') id: string): Promise<void> {
    return this.invitations.withdraw(scope, id);
  }

  @Get('tokens')
  @Needs('read')
  @ApiOperation({ operationId: 'listTokens', summary: 'One’s own tokens; for an owner, everybody’s' })
  @ApiOkResponse({ type: [TokenDto] })
  ownTokens(@InScope() scope: Scope): Promise<TokenDto[]> {
    return this.tokens.list(scope);
  }

  @Post('tokens')
  @Needs('read')
  @ApiOperation({ operationId: 'makeToken', summary: 'Makes a token for a program; what it is, is said this once' })
  @ApiBody({ type: NewTokenDto })
  @ApiCreatedResponse({ type: MadeTokenDto })
  makeToken(@InScope() scope: Scope, @Body() said: NewTokenDto, @ByAccount() by: SignedInAs): Promise<MadeTokenDto> {
    expectPerson(by);
    return this.tokens.make(scope, said);
  }

  @Delete('tokens/:id')
  @HttpCode(204)
  @Needs('read')
  @ApiOperation({ operationId: 'endToken', summary: 'Ends a token' })
  @ApiNoContentResponse()
  endToken(@InScope() scope: Scope, @Param('id') id: string, @ByAccount() by: SignedInAs): Promise<void> {
    expectPerson(by);
    return this.tokens.end(scope, id);
  }
}

/** A token makes no tokens, and leaves for nobody. */
function expectPerson({ sessionId }: SignedInAs): void {
  if (sessionId === undefined) throw new ForbiddenError('this has to be asked by a person who is signed in, not by a token');
}
