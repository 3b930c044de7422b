import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A pack in the basket may stand in for another food. */
export class TicksInstead1766500000026 implements MigrationInterface {
  name = 'TicksInstead1766500000026';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE shopping_ticks ADD COLUMN instead text');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE shopping_ticks DROP COLUMN instead');
  }
}
