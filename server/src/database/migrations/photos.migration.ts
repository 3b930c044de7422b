import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Pictures as they are kept, each known by the hash of its bytes. */
export class Photos1765800000018 implements MigrationInterface {
  name = 'Photos1765800000018';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE photos (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id),
        id text NOT NULL,
        jpeg bytea NOT NULL,
        width integer NOT NULL,
        height integer NOT NULL,
        brought_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, id)
      )`);
    // Which photos revisions still show, when those that nothing shows are let go.
    await runner.query(`
      CREATE INDEX batch_revisions_photo ON batch_revisions (kitchen_id, (document -> 'photo' ->> 'id'))
      WHERE document ? 'photo'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX batch_revisions_photo');
    await runner.query('DROP TABLE photos');
  }
}
