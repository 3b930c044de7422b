import { DataSource } from 'typeorm';
import { dataSourceOptions } from '../src/database/dataSource.js';
import { freshDatabase } from './testServer.js';

test('cards published before steps had runs say after it what they said', async () => {
  const database = await new DataSource(dataSourceOptions(await freshDatabase())).initialize();
  const steps = async () =>
    (await database.query<{ steps: unknown }[]>(`SELECT content -> 'steps' AS steps FROM published_cards`))[0]?.steps;
  try {
    const newest = database.migrations.at(-1)?.name;
    expect(newest).toMatch(/^CardSteps/);
    await database.undoLastMigration();
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
    await database.undoLastMigration();
    expect(await steps()).toEqual(['Boil.', 'Salt <it>.']);
  } finally {
    await database.destroy();
  }
});
