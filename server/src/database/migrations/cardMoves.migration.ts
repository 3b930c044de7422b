import type { MigrationInterface, QueryRunner } from 'typeorm';

/** When the newest issue of a card was seen to say something else than would be printed. */
export class CardMoves1766200000022 implements MigrationInterface {
  name = 'CardMoves1766200000022';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE published_cards ADD COLUMN moved_since timestamptz');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE published_cards DROP COLUMN moved_since');
  }
}
