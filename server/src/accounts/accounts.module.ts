import { Module } from '@nestjs/common';
import { APP_GUARD } from '@nestjs/core';
import { RateLimits } from '../database/rateLimits.js';
import { OwnKitchensController } from '../kitchens/ownKitchens.controller.js';
import { OwnKitchensService } from '../kitchens/ownKitchens.service.js';
import { MailModule } from '../mail/mail.module.js';
import { ScopeGuard } from '../scope/scope.guard.js';
import { AccountsController } from './accounts.controller.js';
import { AccountSessionsService } from './accountSessions.service.js';
import { AccountsService } from './accounts.service.js';
import { AdmissionService } from './admission.service.js';
import { ChangeLetters } from './changeLetters.service.js';
import { JoiningService } from './joining.service.js';
import { OwnAccountService } from './ownAccount.service.js';
import { PasskeysService } from './passkeys.service.js';
import { SignInController } from './signIn.controller.js';
import { SignInService } from './signIn.service.js';

@Module({
  imports: [MailModule],
  controllers: [AccountsController, SignInController, OwnKitchensController],
  providers: [
    RateLimits,
    OwnKitchensService,
    AccountSessionsService,
    AccountsService,
    AdmissionService,
    ChangeLetters,
    JoiningService,
    OwnAccountService,
    PasskeysService,
    SignInService,
    { provide: APP_GUARD, useClass: ScopeGuard },
  ],
  exports: [AdmissionService, OwnKitchensService],
})
export class AccountsModule {}
