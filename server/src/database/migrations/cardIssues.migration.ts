import type { MigrationInterface, QueryRunner } from 'typeorm';

/** An issue of a card may be taken back, with a reason. What was said to readers of what it puts right stands in its content. */
export class CardIssues1766000000020 implements MigrationInterface {
  name = 'CardIssues1766000000020';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE published_cards
        ADD COLUMN taken_back_at timestamptz,
        ADD COLUMN taken_back_because text,
        ADD CHECK ((taken_back_at IS NULL) = (taken_back_because IS NULL))`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE published_cards DROP COLUMN taken_back_because, DROP COLUMN taken_back_at');
  }
}
