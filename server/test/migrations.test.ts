import { DataSource } from 'typeorm';
import { schemaOptions } from '../src/database/dataSource.js';
import { freshDatabase } from './testServer.js';

test('recipes that took parts of others before it was kept are known to be built on them after it', async () => {
  const database = await new DataSource(schemaOptions(await freshDatabase())).initialize();
  try {
    await undoTo(database, /^RecipeBases/);
    const line = { recipe: 'base', part: 'p', amount: 100, unit: 'g' };
    const bowl = { id: 'bowl', title: 'Bowl', servings: 1, parts: [{ id: 'p', name: 'P', lines: [line] }] };
    await database.query(
      `WITH kitchen AS (INSERT INTO kitchens (name) VALUES ('K') RETURNING id),
            heads AS (INSERT INTO recipes (kitchen_id, id, title, revision)
              SELECT id, head, head, revision FROM kitchen, (VALUES ('base', 7), ('bowl', 1)) AS heads (head, revision) RETURNING kitchen_id, id)
       INSERT INTO recipe_revisions (kitchen_id, recipe_id, revision, document)
       SELECT DISTINCT kitchen_id, 'bowl', 1, $1::jsonb FROM heads`,
      [JSON.stringify(bowl)],
    );
    await database.runMigrations();
    expect(await database.query('SELECT recipe_id, base_id, base_revision FROM recipe_bases')).toEqual([
      { recipe_id: 'bowl', base_id: 'base', base_revision: 7 },
    ]);
  } finally {
    await database.destroy();
  }
});

test('cards published before steps had runs say after it what they said', async () => {
  const database = await new DataSource(schemaOptions(await freshDatabase())).initialize();
  const steps = async () =>
    (await database.query<{ steps: unknown }[]>(`SELECT content -> 'steps' AS steps FROM published_cards`))[0]?.steps;
  try {
    await undoTo(database, /^CardSteps/);
    await database.query(`
      WITH kitchen AS (INSERT INTO kitchens (name) VALUES ('K') RETURNING id),
           recipe AS (INSERT INTO recipes (kitchen_id, id, title, revision) SELECT id, 'dal', 'Dal', 1 FROM kitchen RETURNING kitchen_id)
      INSERT INTO published_cards (kitchen_id, recipe_id, issue, recipe_revision, food_revisions, content)
      SELECT kitchen_id, 'dal', 1, 1, '{}', '{"title": "Dal", "steps": ["Boil.", "Salt <it>."]}' FROM recipe`);
    await database.runMigrations();
    expect(await steps()).toEqual([
      { part: '', runs: [{ text: 'Boil.' }] },
      { part: '', runs: [{ text: 'Salt <it>.' }] },
    ]);
    await undoTo(database, /^CardSteps/);
    expect(await steps()).toEqual(['Boil.', 'Salt <it>.']);
  } finally {
    await database.destroy();
  }
});

/** Undoes migrations, newest first, up to and with one. */
async function undoTo(database: DataSource, name: RegExp): Promise<void> {
  const at = database.migrations.findIndex((migration) => name.test(migration.name ?? ''));
  expect(at).toBeGreaterThan(0);
  for (let i = database.migrations.length; i > at; i--) await database.undoLastMigration();
}
