import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A kitchen's published cards may be read by anybody, under a name that the kitchen chooses; off until it is switched on. */
export class ReadersAddress1766100000021 implements MigrationInterface {
  name = 'ReadersAddress1766100000021';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE kitchens
        ADD COLUMN readers_name text UNIQUE CHECK (readers_name ~ '^[a-z0-9](-?[a-z0-9])*$'),
        ADD COLUMN readers_on boolean NOT NULL DEFAULT false,
        ADD CHECK (NOT readers_on OR readers_name IS NOT NULL)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE kitchens DROP COLUMN readers_on, DROP COLUMN readers_name');
  }
}
