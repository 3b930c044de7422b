import { Module } from '@nestjs/common';
import { AccountsModule } from '../accounts/accounts.module.js';
import { MailModule } from '../mail/mail.module.js';
import { ApiTokensService } from './apiTokens.service.js';
import { InvitationsService } from './invitations.service.js';
import { MembersController } from './members.controller.js';
import { MembersService } from './members.service.js';
import { WholeKitchenController } from './wholeKitchen.controller.js';

@Module({
  imports: [AccountsModule, MailModule],
  controllers: [MembersController, WholeKitchenController],
  providers: [MembersService, InvitationsService, ApiTokensService],
})
export class MembersModule {}
