import type { Recipe } from '@portiona/core';
import { DataSource } from 'typeorm';
import { schemaOptions } from '../src/database/dataSource.js';
import { freshDatabase } from './freshDatabase.js';

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

test('lines and steps without ids have them after it, the same from one revision to the next, and numbers again when it is undone', async () => {
  const database = await new DataSource(schemaOptions(await freshDatabase())).initialize();
  const documents = async () =>
    (await database.query<{ document: Recipe }[]>('SELECT document FROM recipe_revisions ORDER BY revision')).map(
      ({ document }) => document,
    );
  try {
    await undoTo(database, /^LineIds/);
    const [leek, salt] = [
      { food: 'leek', amount: 100, unit: 'g' },
      { food: 'salt', amount: 1, unit: 'g', scaling: { ratioTo: 'p/1', share: 0.01 } },
    ];
    const before = {
      id: 'soup',
      title: 'Soup',
      servings: 1,
      parts: [{ id: 'p', name: 'P', lines: [leek, salt] }],
      steps: ['Boil {p/1 leek}.'],
    };
    const after = {
      ...before,
      parts: [
        {
          id: 'p',
          name: 'P',
          lines: [
            { food: 'pepper', amount: 1, unit: 'g' },
            { ...leek, amount: 90 },
          ],
        },
      ],
      steps: ['Boil {p/2 leek}.'],
    };
    await database.query(
      `WITH kitchen AS (INSERT INTO kitchens (name) VALUES ('K') RETURNING id),
            head AS (INSERT INTO recipes (kitchen_id, id, title, revision) SELECT id, 'soup', 'Soup', 2 FROM kitchen RETURNING kitchen_id)
       INSERT INTO recipe_revisions (kitchen_id, recipe_id, revision, document)
       SELECT kitchen_id, 'soup', revision, document FROM head, (VALUES (1, $1::jsonb), (2, $2::jsonb)) AS written (revision, document)`,
      [JSON.stringify(before), JSON.stringify(after)],
    );
    await database.runMigrations();
    const [first, second] = await documents();
    const id = first?.parts[0]?.lines[0]?.id;
    expect(id).toMatch(/^l--/);
    expect(first?.parts[0]?.lines[1]?.scaling).toEqual({ ratioTo: `p/${id}`, share: 0.01 });
    expect(second?.parts[0]?.lines.map((line) => line.id === id)).toEqual([false, true]);
    expect(second?.steps).toEqual([{ id: expect.stringMatching(/^s--/) as string, text: `Boil {p/${id} leek}.` }]);
    await undoTo(database, /^LineIds/);
    expect(await documents()).toEqual([before, after]);
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
