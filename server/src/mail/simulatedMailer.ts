import { Injectable } from '@nestjs/common';
import { Database } from '../database/database.js';
import { Mailer, type Letter } from './mailer.js';

/** Letters kept, and for how many days: what they hold opens accounts. */
const MOST_KEPT = 200;
const DAYS_KEPT = 2;

/** Keeps letters instead of sending them, for whoever looks after the installation to read. */
@Injectable()
export class SimulatedMailer extends Mailer {
  readonly leaves = false;

  constructor(private readonly database: Database) {
    super();
  }

  async send({ to, subject, text }: Letter): Promise<void> {
    await this.database.write(async () => {
      const { manager } = this.database;
      await manager.query('INSERT INTO letters (sent_to, subject, text) VALUES ($1, $2, $3)', [to, subject, text]);
      await manager.query(
        `DELETE FROM letters WHERE sent_at < now() - make_interval(days => ${DAYS_KEPT})
           OR id NOT IN (SELECT id FROM letters ORDER BY sent_at DESC LIMIT ${MOST_KEPT})`,
      );
    });
  }
}
