import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A published card keeps all that it was computed from, and says which shape its content has. */
export class CardInputs1765400000014 implements MigrationInterface {
  name = 'CardInputs1765400000014';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE published_cards ADD COLUMN content_version integer NOT NULL DEFAULT 1, ADD COLUMN inputs json');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE published_cards DROP COLUMN inputs, DROP COLUMN content_version');
  }
}
