import { Module } from '@nestjs/common';
import { Database } from '../database/database.js';
import { LettersController } from './letters.controller.js';
import { Mailer } from './mailer.js';
import { SimulatedMailer } from './simulatedMailer.js';
import { SmtpMailer } from './smtpMailer.js';

@Module({
  controllers: [LettersController],
  providers: [
    {
      provide: Mailer,
      inject: [Database],
      // PORTIONA_SMTP names a mail server; without one, letters are kept to be read here.
      useFactory: (database: Database) => {
        const { PORTIONA_SMTP: url, PORTIONA_MAIL_FROM: from } = process.env;
        return url?.trim() ? new SmtpMailer(url.trim(), from?.trim() || 'Portiona <portiona@localhost>') : new SimulatedMailer(database);
      },
    },
  ],
  exports: [Mailer],
})
export class MailModule {}
