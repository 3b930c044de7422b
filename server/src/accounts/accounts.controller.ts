import { Body, Controller, Delete, Get, HttpCode, Param, Patch, Post, Put, Req, Res } from '@nestjs/common';
import { ApiBody, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { AuditEntryDto } from '../audit/audit.dto.js';
import { AuditLogService } from '../audit/auditLog.service.js';
import { SignedOutError } from '../http/problems.js';
import { ByAccount, type SignedInAs } from '../scope/inScope.js';
import { SignedIn } from '../scope/needs.js';
import {
  ChangingMeDto,
  ChangingPasswordDto,
  EndingAccountDto,
  MeDto,
  OwnSessionDto,
  PasskeyDto,
  PasskeyOptionsDto,
} from './account.dto.js';
import { AccountSessionsService } from './accountSessions.service.js';
import { AccountsService } from './accounts.service.js';
import { OwnAccountService } from './ownAccount.service.js';
import { PasskeysService } from './passkeys.service.js';
import { sessionSecret } from './sessionCookie.js';

/** What somebody who is signed in sees and changes of themselves. */
@ApiTags('account')
@Controller('me')
export class AccountsController {
  constructor(
    private readonly accounts: AccountsService,
    private readonly own: OwnAccountService,
    private readonly sessions: AccountSessionsService,
    private readonly passkeys: PasskeysService,
    private readonly audit: AuditLogService,
  ) {}

  @Get()
  @SignedIn()
  @ApiOperation({ operationId: 'getMe', summary: 'Who is signed in, and what they may open' })
  @ApiOkResponse({ type: MeDto })
  me(@ByAccount() { accountId }: SignedInAs, @Req() request: Request): Promise<MeDto> {
    const secret = sessionSecret(request);
    if (secret === undefined) throw new SignedOutError();
    return this.accounts.me(accountId, secret);
  }

  @Patch()
  @SignedIn()
  @ApiOperation({ operationId: 'changeMe', summary: 'Changes one’s name, or the address one signs in with' })
  @ApiBody({ type: ChangingMeDto })
  @ApiOkResponse({ type: MeDto })
  async change(@ByAccount() by: SignedInAs, @Body() said: ChangingMeDto, @Req() request: Request): Promise<MeDto> {
    await this.own.change(by.accountId, said, request);
    return this.me(by, request);
  }

  @Delete()
  @HttpCode(204)
  @SignedIn()
  @ApiOperation({ operationId: 'deleteMe', summary: 'Ends one’s account for good: kitchens are left, and everywhere is signed out' })
  @ApiBody({ type: EndingAccountDto })
  @ApiNoContentResponse()
  async deleteMe(
    @ByAccount() { accountId }: SignedInAs,
    @Body() said: EndingAccountDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    await this.own.end(accountId, said, request);
    await this.sessions.end(request, response);
  }

  @Put('password')
  @SignedIn()
  @ApiOperation({ operationId: 'changePassword', summary: 'Takes another password, or a first one; everywhere else is signed out' })
  @ApiBody({ type: ChangingPasswordDto })
  @ApiOkResponse({ type: MeDto })
  async changePassword(@ByAccount() by: SignedInAs, @Body() said: ChangingPasswordDto, @Req() request: Request): Promise<MeDto> {
    await this.own.changePassword(by.accountId, said, by.sessionId, request);
    return this.me(by, request);
  }

  @Delete('session')
  @HttpCode(204)
  @SignedIn()
  @ApiOperation({ operationId: 'signOut', summary: 'Signs this browser out' })
  @ApiNoContentResponse()
  signOut(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<void> {
    return this.sessions.end(request, response);
  }

  @Get('sessions')
  @SignedIn()
  @ApiOperation({ operationId: 'listSignIns', summary: 'Where one is signed in, last used first' })
  @ApiOkResponse({ type: [OwnSessionDto] })
  list(@ByAccount() { accountId, sessionId }: SignedInAs): Promise<OwnSessionDto[]> {
    return this.sessions.list(accountId, sessionId);
  }

  @Delete('sessions')
  @HttpCode(204)
  @SignedIn()
  @ApiOperation({ operationId: 'endAllSignIns', summary: 'Signs out everywhere, here too' })
  @ApiNoContentResponse()
  async endAll(
    @ByAccount() { accountId }: SignedInAs,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    await this.audit.note(accountId, 'endAllSignIns', request);
    await this.sessions.endAll(accountId);
    await this.sessions.end(request, response);
  }

  @Delete('sessions/:id')
  @HttpCode(204)
  @SignedIn()
  @ApiOperation({ operationId: 'endSignIn', summary: 'Signs out at one place' })
  @ApiNoContentResponse()
  endOne(@ByAccount() { accountId }: SignedInAs, @Param('id') id: string): Promise<void> {
    return this.sessions.endOne(accountId, id);
  }

  @Get('deeds')
  @SignedIn()
  @ApiOperation({ operationId: 'ownDeeds', summary: 'What was done with one’s account: signing in, passwords, passkeys; newest first' })
  @ApiOkResponse({ type: [AuditEntryDto] })
  deeds(@ByAccount() { accountId }: SignedInAs): Promise<AuditEntryDto[]> {
    return this.audit.ofAccount(accountId);
  }

  @Get('passkeys')
  @SignedIn()
  @ApiOperation({ operationId: 'listPasskeys', summary: 'One’s passkeys' })
  @ApiOkResponse({ type: [PasskeyDto] })
  ownPasskeys(@ByAccount() { accountId }: SignedInAs): Promise<PasskeyDto[]> {
    return this.passkeys.list(accountId);
  }

  @Post('passkeys/options')
  @HttpCode(200)
  @SignedIn()
  @ApiOperation({ operationId: 'askNewPasskey', summary: 'What a browser is asked so that it makes a passkey' })
  @ApiOkResponse({ type: PasskeyOptionsDto })
  async askPasskey(@ByAccount() { accountId, name }: SignedInAs, @Req() request: Request): Promise<PasskeyOptionsDto> {
    return { options: (await this.passkeys.askNew(accountId, name, request)) as Record<string, unknown> };
  }

  @Post('passkeys')
  @HttpCode(200)
  @SignedIn()
  @ApiOperation({ operationId: 'addPasskey', summary: 'Keeps a passkey that the browser has made' })
  @ApiBody({ schema: { type: 'object', additionalProperties: true } })
  @ApiOkResponse({ type: [PasskeyDto] })
  addPasskey(@ByAccount() { accountId }: SignedInAs, @Body() said: object | undefined, @Req() request: Request): Promise<PasskeyDto[]> {
    return this.passkeys.add(accountId, said, request);
  }

  @Delete('passkeys/:id')
  @HttpCode(204)
  @SignedIn()
  @ApiOperation({ operationId: 'removePasskey', summary: 'Signs in by this passkey no more' })
  @ApiNoContentResponse()
  removePasskey(@ByAccount() { accountId }: SignedInAs, @Param('id') id: string, @Req() request: Request): Promise<void> {
    return this.passkeys.remove(accountId, id, request);
  }
}
