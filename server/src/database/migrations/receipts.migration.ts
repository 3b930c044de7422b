import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What shops call the foods of the pantry: chosen once on a receipt, known on the next. */
export class Receipts1764400000004 implements MigrationInterface {
  name = 'Receipts1764400000004';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE receipt_names (
        kitchen_id uuid NOT NULL,
        words text NOT NULL,
        food_id text NOT NULL,
        PRIMARY KEY (kitchen_id, words),
        FOREIGN KEY (kitchen_id, food_id) REFERENCES foods (kitchen_id, id) ON DELETE CASCADE
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE receipt_names');
  }
}
