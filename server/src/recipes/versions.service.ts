import { Injectable } from '@nestjs/common';
import { Database } from '../database/database.js';
import { NotFoundError, ValidationError } from '../http/problems.js';
import { toSavedRecipe } from './recipe.mapper.js';
import { RecipeRevisionEntity, type KeptBecause } from './recipeRevision.entity.js';
import { RecipesService } from './recipes.service.js';
import { TIME_ZONE } from '../database/thinDrafts.js';
import type { KeepVersionDto, OpenVersionDto, VersionDto, VersionReason } from './version.dto.js';
import type { Scope } from '../scope/scope.js';

interface VersionRow {
  readonly revision: number;
  readonly saved_at: Date;
  readonly saved_by: string;
  readonly own: boolean;
  readonly title: string;
  readonly kept_because: KeptBecause | null;
  readonly kept_name: string | null;
  readonly newest: boolean;
  readonly ends_day: boolean;
  readonly issues: number[];
  readonly cooked: string[];
  readonly dishes: string[];
}

/** More than anyone looks through; those before stay where they are. */
const MOST_LISTED = 1000;

/** What a recipe was: versions that are kept, and drafts until they are let go of. */
@Injectable()
export class VersionsService {
  constructor(
    private readonly database: Database,
    private readonly recipes: RecipesService,
  ) {}

  /** Newest first. @throws NotFoundError */
  async list(scope: Scope, id: string): Promise<VersionDto[]> {
    const rows = await this.database.manager.query<VersionRow[]>(
      `SELECT own.revision, own.saved_at, coalesce((SELECT name FROM accounts WHERE id::text = own.saved_by),
         CASE WHEN own.saved_by ~ '^[0-9a-f]{8}-' THEN 'somebody who left' ELSE own.saved_by END) AS saved_by,
         own.saved_by = $4 AS own, own.document ->> 'title' AS title, own.kept_because, own.kept_name,
         own.revision = head.revision AS newest,
         row_number() OVER (PARTITION BY (own.saved_at AT TIME ZONE $3)::date ORDER BY own.revision DESC) = 1
           AND (own.saved_at AT TIME ZONE $3)::date < (now() AT TIME ZONE $3)::date AS ends_day,
         ARRAY(SELECT issue FROM published_cards card
           WHERE card.kitchen_id = $1 AND card.recipe_id = $2 AND card.recipe_revision = own.revision ORDER BY issue) AS issues,
         ARRAY(SELECT batch.date::text FROM batches batch
           WHERE batch.kitchen_id = $1 AND batch.recipe_id = $2 AND batch.recipe_revision = own.revision AND batch.archived_at IS NULL
           ORDER BY batch.date) AS cooked,
         ARRAY(SELECT dish.title FROM recipe_bases used JOIN recipes dish ON dish.kitchen_id = $1 AND dish.id = used.recipe_id
           WHERE used.kitchen_id = $1 AND used.base_id = $2 AND used.base_revision = own.revision ORDER BY dish.title) AS dishes
       FROM recipes head JOIN recipe_revisions own ON own.kitchen_id = $1 AND own.recipe_id = head.id
       WHERE head.kitchen_id = $1 AND head.id = $2 ORDER BY own.revision DESC LIMIT ${MOST_LISTED}`,
      [scope.kitchenId, id, TIME_ZONE, scope.person],
    );
    if (rows.length === 0) throw new NotFoundError('recipe', id);
    return rows.map(toVersion);
  }

  /** @throws NotFoundError */
  open(scope: Scope, id: string, revision: number): Promise<OpenVersionDto> {
    return this.database.read(async () => {
      const { kitchenId } = scope;
      const row = await this.database.manager.findOneBy(RecipeRevisionEntity, { kitchenId, recipeId: id, revision });
      if (!row) throw new NotFoundError('version', `${revision} of ${id}`);
      return { ...toSavedRecipe(row), subRecipes: await this.recipes.subRecipesOf(scope, row.document) };
    });
  }

  /** Keeps a version for a reason; a name it has stays where the reason is another. @throws NotFoundError, ValidationError */
  async keep(scope: Scope, id: string, revision: number, { because, name }: KeepVersionDto): Promise<void> {
    if ((because === 'named') !== (name !== undefined))
      throw new ValidationError([
        { path: 'name', message: because === 'named' ? 'is missing; it says what the version is called' : 'is only for "named"' },
      ]);
    await this.#write(
      scope,
      id,
      revision,
      `kept_because = CASE WHEN kept_because = 'named' AND $4 <> 'named' THEN kept_because ELSE $4 END, kept_name = coalesce($5, kept_name)`,
      [because, name?.trim() ?? null],
    );
  }

  /** A version is no longer kept by name, or because it was overwritten or taken back: it is a draft again, or what else rests on it keeps it. @throws NotFoundError */
  async letGo(scope: Scope, id: string, revision: number): Promise<void> {
    await this.#write(scope, id, revision, 'kept_because = NULL, kept_name = NULL', []);
  }

  async #write(scope: Scope, id: string, revision: number, set: string, values: readonly unknown[]): Promise<void> {
    const { kitchenId } = scope;
    const [, affected] = await this.database.writeAlone(kitchenId, () =>
      this.database.manager.query<[unknown, number]>(
        `UPDATE recipe_revisions SET ${set} WHERE kitchen_id = $1 AND recipe_id = $2 AND revision = $3`,
        [kitchenId, id, revision, ...values],
      ),
    );
    if (affected !== 1) throw new NotFoundError('version', `${revision} of ${id}`);
  }
}

function toVersion(row: VersionRow): VersionDto {
  const because: VersionReason[] = [
    ...(row.newest ? (['newest'] as const) : []),
    ...(row.issues.length > 0 ? (['published'] as const) : []),
    ...(row.cooked.length > 0 ? (['cooked'] as const) : []),
    ...(row.dishes.length > 0 ? (['base'] as const) : []),
    ...(row.kept_because ? [row.kept_because] : []),
    ...(row.ends_day ? (['day'] as const) : []),
  ];
  return {
    revision: row.revision,
    savedAt: row.saved_at.toISOString(),
    savedBy: row.saved_by,
    own: row.own,
    title: row.title,
    because: because.length > 0 ? because : ['draft'],
    name: row.kept_name,
    issues: row.issues,
    cooked: row.cooked,
    dishes: row.dishes,
  };
}
