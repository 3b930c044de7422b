import { Body, Controller, HttpCode, Post, Req, Res } from '@nestjs/common';
import { ApiBody, ApiNoContentResponse, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { Anyone } from '../scope/needs.js';
import {
  AskingResetDto,
  EnteringDto,
  InvitationLookDto,
  JoiningDto,
  MeDto,
  PasskeyOptionsDto,
  ResettingDto,
  SigningInDto,
} from './account.dto.js';
import { JoiningService } from './joining.service.js';
import { PasskeysService } from './passkeys.service.js';
import { SignInService } from './signIn.service.js';

/** How one comes in: what is secret comes in bodies, never in addresses. */
@ApiTags('account')
@Controller()
export class SignInController {
  constructor(
    private readonly signIn: SignInService,
    private readonly passkeys: PasskeysService,
    private readonly joining: JoiningService,
  ) {}

  @Post('entries')
  @HttpCode(200)
  @Anyone()
  @ApiOperation({ operationId: 'enter', summary: 'Signs in by a link that the command line has printed: once' })
  @ApiBody({ type: EnteringDto })
  @ApiOkResponse({ type: MeDto })
  enter(@Body() { link }: EnteringDto, @Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<MeDto> {
    return this.signIn.byLink(link, request, response);
  }

  @Post('sign-ins')
  @HttpCode(200)
  @Anyone()
  @ApiOperation({ operationId: 'signIn', summary: 'Signs in with address and password' })
  @ApiBody({ type: SigningInDto })
  @ApiOkResponse({ type: MeDto })
  password(
    @Body() { email, password }: SigningInDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<MeDto> {
    return this.signIn.byPassword(email, password, request, response);
  }

  @Post('sign-ins/passkey/options')
  @HttpCode(200)
  @Anyone()
  @ApiOperation({ operationId: 'askPasskey', summary: 'What a browser is asked so that it shows a passkey' })
  @ApiOkResponse({ type: PasskeyOptionsDto })
  async passkeyOptions(@Req() request: Request): Promise<PasskeyOptionsDto> {
    await this.signIn.countTry(request);
    return { options: (await this.passkeys.askSignIn(request)) as Record<string, unknown> };
  }

  @Post('sign-ins/passkey')
  @HttpCode(200)
  @Anyone()
  @ApiOperation({ operationId: 'signInByPasskey', summary: 'Signs in with a passkey that the browser has shown' })
  @ApiBody({ schema: { type: 'object', additionalProperties: true } })
  @ApiOkResponse({ type: MeDto })
  async passkey(@Body() said: object | undefined, @Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<MeDto> {
    await this.signIn.countTry(request);
    return this.signIn.letIn(await this.passkeys.shown(said, request), 'passkey', request, response);
  }

  @Post('password-resets')
  @HttpCode(204)
  @Anyone()
  @ApiOperation({ operationId: 'askReset', summary: 'Has a link to a new password sent, where there is such an account' })
  @ApiBody({ type: AskingResetDto })
  @ApiNoContentResponse()
  askReset(@Body() { email }: AskingResetDto, @Req() request: Request): Promise<void> {
    return this.signIn.askReset(email, request);
  }

  @Post('password-resets/taken')
  @HttpCode(200)
  @Anyone()
  @ApiOperation({ operationId: 'takeReset', summary: 'Takes a new password by the link that was sent, and signs in' })
  @ApiBody({ type: ResettingDto })
  @ApiOkResponse({ type: MeDto })
  takeReset(
    @Body() { link, password }: ResettingDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<MeDto> {
    return this.signIn.byReset(link, password, request, response);
  }

  @Post('invitations/look')
  @HttpCode(200)
  @Anyone()
  @ApiOperation({ operationId: 'lookAtInvitation', summary: 'What an invitation says' })
  @ApiBody({ type: EnteringDto })
  @ApiOkResponse({ type: InvitationLookDto })
  look(@Body() { link }: EnteringDto, @Req() request: Request): Promise<InvitationLookDto> {
    return this.joining.look(link, request);
  }

  @Post('invitations/taken')
  @HttpCode(200)
  @Anyone()
  @ApiOperation({ operationId: 'takeInvitation', summary: 'Joins a kitchen, with the account that is signed in or a new one' })
  @ApiBody({ type: JoiningDto })
  @ApiOkResponse({ type: MeDto })
  join(@Body() said: JoiningDto, @Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<MeDto> {
    return this.joining.join(said, request, response);
  }
}
