import { carriedIds, withIds, withNumbers, type Recipe } from '@portiona/core';
import type { MigrationInterface, QueryRunner } from 'typeorm';

/** An id for every line and step, kept from one revision of a recipe to the next where they are alike. */
export class LineIds1765000000010 implements MigrationInterface {
  name = 'LineIds1765000000010';

  async up(runner: QueryRunner): Promise<void> {
    const heads = (await runner.query('SELECT kitchen_id, id FROM recipes')) as { kitchen_id: string; id: string }[];
    // A recipe at a time: its revisions fit in memory, all of them might not.
    for (const { kitchen_id, id } of heads) {
      const revisions = (await runner.query(
        'SELECT revision, document FROM recipe_revisions WHERE kitchen_id = $1 AND recipe_id = $2 ORDER BY revision',
        [kitchen_id, id],
      )) as { revision: number; document: Recipe }[];
      let before: Recipe | undefined;
      for (const { revision, document } of revisions) {
        before = withIds(before ? carriedIds(before, document) : document);
        await runner.query('UPDATE recipe_revisions SET document = $4 WHERE kitchen_id = $1 AND recipe_id = $2 AND revision = $3', [
          kitchen_id,
          id,
          revision,
          JSON.stringify(before),
        ]);
      }
    }
  }

  /** Ids do no harm to what does not know of them; references by them would, so numbers take their place again. */
  async down(runner: QueryRunner): Promise<void> {
    const revisions = (await runner.query('SELECT kitchen_id, recipe_id, revision, document FROM recipe_revisions')) as {
      kitchen_id: string;
      recipe_id: string;
      revision: number;
      document: Recipe;
    }[];
    for (const { kitchen_id, recipe_id, revision, document } of revisions)
      await runner.query('UPDATE recipe_revisions SET document = $4 WHERE kitchen_id = $1 AND recipe_id = $2 AND revision = $3', [
        kitchen_id,
        recipe_id,
        revision,
        JSON.stringify(withNumbers(document)),
      ]);
  }
}
