import type { EntityManager } from 'typeorm';

/** Where days begin and end. */
export const TIME_ZONE = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Minutes: of drafts older than an hour, the last of each such stretch stays for a day. */
const STRETCH = 10;

/** Where the revisions of each kind of document are, and when one ("gone", of the document $2) is no mere draft. */
const KINDS = {
  recipe: {
    heads: 'recipes',
    revisions: 'recipe_revisions',
    of: 'recipe_id',
    rested: `gone.kept_because IS NOT NULL
      OR EXISTS (SELECT 1 FROM published_cards card
        WHERE card.kitchen_id = $1 AND card.recipe_id = $2 AND card.recipe_revision = gone.revision)
      OR EXISTS (SELECT 1 FROM recipe_bases used
        WHERE used.kitchen_id = $1 AND used.base_id = $2 AND used.base_revision = gone.revision)
      OR EXISTS (SELECT 1 FROM batches batch
        WHERE batch.kitchen_id = $1 AND batch.recipe_id = $2 AND batch.recipe_revision = gone.revision)`,
  },
  batch: { heads: 'batches', revisions: 'batch_revisions', of: 'batch_id', rested: 'false' },
  food: {
    heads: 'foods',
    revisions: 'food_revisions',
    of: 'food_id',
    rested: `EXISTS (SELECT 1 FROM recipe_foods used
        WHERE used.kitchen_id = $1 AND used.food_id = $2 AND used.food_revision = gone.revision)
      OR EXISTS (SELECT 1 FROM published_cards card
        WHERE card.kitchen_id = $1 AND card.food_revisions -> $2 = to_jsonb(gone.revision))`,
  },
} as const;

/**
 * Lets go of the older drafts of a recipe, a food or a batch: of the last hour every one stays, of the last day one each ten minutes, before
 * that the last of each day. A version stays for good: the newest, one that is kept for a reason, that a card was published
 * from, that a batch was cooked from, or that a dish was agreed to rest on.
 *
 * @param manager of the transaction that saves
 */
export async function thinDrafts(manager: EntityManager, kind: keyof typeof KINDS, kitchenId: string, id: string): Promise<void> {
  const { heads, revisions, of, rested } = KINDS[kind];
  await manager.query(
    `DELETE FROM ${revisions} gone USING (
       SELECT revision, saved_at,
         row_number() OVER (PARTITION BY (saved_at AT TIME ZONE $3)::date ORDER BY revision DESC) AS from_end_of_day,
         row_number() OVER (PARTITION BY floor(extract(epoch FROM saved_at) / (60 * $4)) ORDER BY revision DESC) AS from_end_of_stretch
       FROM ${revisions} WHERE kitchen_id = $1 AND ${of} = $2) own
     WHERE gone.kitchen_id = $1 AND gone.${of} = $2 AND gone.revision = own.revision
       AND own.from_end_of_day > 1
       AND own.saved_at < now() - interval '1 hour'
       AND (own.from_end_of_stretch > 1 OR own.saved_at < now() - interval '1 day')
       AND gone.revision <> (SELECT revision FROM ${heads} WHERE kitchen_id = $1 AND id = $2)
       AND NOT (${rested})`,
    [kitchenId, id, TIME_ZONE, STRETCH],
  );
}
