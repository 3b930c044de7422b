import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Whether a kitchen was begun: its name, measures and rules were chosen. One that was cooked in before this is. */
export class Begun1765600000016 implements MigrationInterface {
  name = 'Begun1765600000016';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE kitchens ADD COLUMN begun boolean NOT NULL DEFAULT false');
    await runner.query(`
      UPDATE kitchens SET begun = true
      WHERE settings <> '{}' OR EXISTS (SELECT 1 FROM foods WHERE kitchen_id = kitchens.id)
        OR EXISTS (SELECT 1 FROM recipes WHERE kitchen_id = kitchens.id)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE kitchens DROP COLUMN begun');
  }
}
