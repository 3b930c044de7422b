import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Answers of requests that may be sent again, so that what they ask is done once. */
export class RequestsDone1764900000009 implements MigrationInterface {
  name = 'RequestsDone1764900000009';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE requests_done (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        key text NOT NULL,
        asks text NOT NULL,
        answer json NOT NULL,
        done_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, key)
      )`);
    await runner.query('CREATE INDEX requests_done_at ON requests_done (kitchen_id, done_at)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE requests_done');
  }
}
