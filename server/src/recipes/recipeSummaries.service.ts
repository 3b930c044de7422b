import { Injectable, Logger } from '@nestjs/common';
import {
  computedFigures,
  foodsOf,
  groundToKeep,
  pricesHoldUntil,
  recipesUnder,
  reusablePartsOf,
  type CardContent,
  type Computed,
  type Kitchen,
  type Recipe,
  type RecipeFigures,
} from '@portiona/core';
import { Database } from '../database/database.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { engineVersion } from './engineVersion.js';
import { toReusablePart } from './subRecipes.mapper.js';
import { explained, standingOf, type Standing } from './cardStanding.js';
import { foundIn, toFound } from './finding.mapper.js';
import { toListedFigures } from './recipe.mapper.js';
import { RecipesService } from './recipes.service.js';
import type { Scope } from '../scope/scope.js';

/** Recipes computed in one transaction: short enough that nobody waits long for the lock, and nothing large is held. */
const AT_A_TIME = 200;
/** What PostgreSQL calls waiting for a lock longer than may be. */
const STILL_LOCKED = '55P03';
/** First half of the key of the lock under which summaries are computed. */
const SUMMARY_LOCKS = 0x73756d73;

/**
 * What is told of a recipe elsewhere than on its own pages: its row in lists, how its published card stands, the parts that can be
 * taken of it. Kept as computed, and computed anew only for recipes that something changed under: themselves, a food or a price of
 * theirs, a recipe they take parts of, the settings, a day on which other prices count, the engine itself.
 */
@Injectable()
export class RecipeSummariesService {
  readonly #log = new Logger('lists');

  constructor(
    private readonly database: Database,
    private readonly kitchens: KitchensService,
    private readonly recipes: RecipesService,
  ) {}

  /** Whether every summary is as it would be computed now. */
  async areSettled(scope: Scope): Promise<boolean> {
    const [{ unsettled }] = await this.database.manager.query<[{ unsettled: boolean }]>(
      `SELECT EXISTS (SELECT 1 FROM recipe_changes WHERE kitchen_id = $1) OR EXISTS (${UNSETTLED} LIMIT 1) AS unsettled`,
      await this.now(scope),
    );
    return !unsettled;
  }

  /**
   * Computes what has changed, and nothing else: some at a time, each time in a transaction of its own. Where another server is at it for
   * longer than anybody waits for a lock, that is left to it.
   */
  async settle(scope: Scope): Promise<void> {
    const { kitchenId } = scope;
    let computed: number;
    do
      computed = await this.database
        .write(async () => {
          await this.#hold(kitchenId);
          await this.#markChanged(kitchenId);
          return this.#computeSome(scope, kitchenId);
        })
        .catch((error: unknown) => {
          if ((error as { code?: unknown }).code === STILL_LOCKED) return 0;
          throw error;
        });
    while (computed === AT_A_TIME);
  }

  /**
   * One at a time computes; who comes after finds it done. Each statement behind it sees what is committed by then, not what was when
   * the waiting began: what changes in between is written down as changed, and is computed the next time.
   */
  async #hold(kitchenId: string): Promise<void> {
    await this.database.manager.query('SELECT pg_advisory_xact_lock($1, hashtext($2))', [SUMMARY_LOCKS, kitchenId]);
  }

  /** Notes which recipes the changes written down move, directly or through parts they take, and strikes those changes out. */
  async #markChanged(kitchenId: string): Promise<void> {
    await this.database.manager.query(
      `WITH RECURSIVE changes AS (DELETE FROM recipe_changes WHERE kitchen_id = $1 RETURNING kind, of), ${MOVED}
       INSERT INTO recipe_summaries (kitchen_id, recipe_id, stale) SELECT $1, id, true FROM moved
       ON CONFLICT (kitchen_id, recipe_id) DO UPDATE SET stale = true`,
      [kitchenId],
    );
  }

  /** Computes some of what is stale. @returns how many it was */
  async #computeSome(scope: Scope, kitchenId: string): Promise<number> {
    const { manager } = this.database;
    const wanted = await manager.query<{ id: string }[]>(
      `${UNSETTLED} ORDER BY head.saved_at DESC LIMIT ${AT_A_TIME}`,
      await this.now(scope),
    );
    if (wanted.length === 0) return 0;
    const ids = wanted.map(({ id }) => id);
    const own = await this.recipes.loadForCalculation(scope, ids);
    const kitchen = await this.recipes.kitchenToCheck(scope, own);
    const published = await this.#publishedOf(kitchenId, ids);
    const standing = new Map(own.flatMap((recipe) => this.#standingOf(recipe, kitchen, published.get(recipe.id))));
    // Why a card moved is asked of those that did.
    const moved = [...standing].flatMap(([id, { moved: drift }]) => (drift.length > 0 ? [id] : []));
    const inputs = await this.#inputsOf(kitchenId, moved);
    await this.#noteMoves(
      kitchenId,
      moved,
      [...standing.keys()].filter((id) => !moved.includes(id)),
    );
    const rows = own.map((recipe) => this.#summaryOf(recipe, kitchen, standing.get(recipe.id), inputs.get(recipe.id) ?? null));
    await manager.query(
      `INSERT INTO recipe_summaries (kitchen_id, recipe_id, stale, engine, holds_until, series, number, weight, energy, protein, used_cost, listed, card, parts, ground, found)
       SELECT $1, row.id, false, $2, row.until, row.series, row.number, row.weight, row.energy, row.protein, row.used, row.listed, row.card, row.parts, row.ground, row.found
       FROM json_to_recordset($3::json) AS row (id text, until date, series text, number double precision, weight double precision,
         energy double precision, protein double precision, used double precision, listed json, card json, parts json, ground json, found json)
       ON CONFLICT (kitchen_id, recipe_id) DO UPDATE SET (stale, engine, holds_until, series, number, weight, energy, protein, used_cost, listed, card, parts, ground, found)
         = (excluded.stale, excluded.engine, excluded.holds_until, excluded.series, excluded.number, excluded.weight, excluded.energy,
            excluded.protein, excluded.used_cost, excluded.listed, excluded.card, excluded.parts, excluded.ground, excluded.found)`,
      [kitchenId, engineVersion(), JSON.stringify(rows)],
    );
    return wanted.length;
  }

  /** The newest published card of some recipes. */
  async #publishedOf(kitchenId: string, ids: readonly string[]): Promise<ReadonlyMap<string, CardContent>> {
    const rows = await this.database.manager.query<{ recipe_id: string; content: CardContent }[]>(
      `SELECT DISTINCT ON (recipe_id) recipe_id, content FROM published_cards WHERE kitchen_id = $1 AND recipe_id = ANY($2)
       ORDER BY recipe_id, issue DESC`,
      [kitchenId, ids],
    );
    return new Map(rows.map(({ recipe_id, content }) => [recipe_id, content]));
  }

  /** Notes when a card was first seen to have moved, and strikes that out of one that holds again. */
  async #noteMoves(kitchenId: string, moved: readonly string[], holding: readonly string[]): Promise<void> {
    if (moved.length + holding.length === 0) return;
    await this.database.manager.query(
      `UPDATE published_cards card SET moved_since = CASE WHEN card.recipe_id = ANY($2::text[]) THEN now() END
       FROM (SELECT recipe_id, max(issue) AS issue FROM published_cards WHERE kitchen_id = $1 AND recipe_id = ANY($2::text[] || $3::text[]) GROUP BY recipe_id) newest
       WHERE card.kitchen_id = $1 AND card.recipe_id = newest.recipe_id AND card.issue = newest.issue
         AND (card.moved_since IS NULL) = (card.recipe_id = ANY($2::text[]))`,
      [kitchenId, moved, holding],
    );
  }

  /** What the newest published cards of some recipes were computed from. */
  async #inputsOf(kitchenId: string, ids: readonly string[]): Promise<ReadonlyMap<string, object | null>> {
    if (ids.length === 0) return new Map();
    const rows = await this.database.manager.query<{ recipe_id: string; inputs: object | null }[]>(
      `SELECT DISTINCT ON (recipe_id) recipe_id, inputs FROM published_cards WHERE kitchen_id = $1 AND recipe_id = ANY($2)
       ORDER BY recipe_id, issue DESC`,
      [kitchenId, ids],
    );
    return new Map(rows.map(({ recipe_id, inputs }) => [recipe_id, inputs]));
  }

  #standingOf(recipe: Recipe, kitchen: Kitchen, published: CardContent | undefined): (readonly [string, Standing])[] {
    if (!published) return [];
    try {
      return [[recipe.id, standingOf(recipe, kitchen, published)]];
    } catch (error) {
      return [[recipe.id, { published, moved: [], now: undefined, uncomputed: this.#unforeseen(recipe, error) }]];
    }
  }

  /** What can be told of a recipe; one that nobody foresaw keeps no list from the others. */
  #summaryOf(recipe: Recipe, kitchen: Kitchen, standing: Standing | undefined, inputs: object | null) {
    try {
      return summaryOf(recipe, kitchen, standing, inputs, computedFigures(recipe, kitchen));
    } catch (error) {
      const because = this.#unforeseen(recipe, error);
      const told = summaryOf(recipe, kitchen, undefined, null, { ok: false, because });
      return { ...told, card: standing ? { drift: [], within: [], causes: [], broke: [], uncomputed: because } : null };
    }
  }

  /** Writes down what nobody foresaw. @returns what is said of it */
  #unforeseen(recipe: Recipe, error: unknown): string {
    this.#log.error(`the recipe "${recipe.id}" cannot be added up: ${error instanceof Error ? error.stack : String(error)}`);
    return 'it cannot be added up; the log of the server says why';
  }

  /** What says which summaries hold: the kitchen, the engine, and its day. */
  async now(scope: Scope): Promise<[kitchen: string, engine: string, day: string]> {
    return [scope.kitchenId, engineVersion(), (await this.kitchens.settings(scope)).date];
  }
}

/** Which recipes `changes` (kind, of) move, directly or through parts they take: of the kitchen $1, in words of a WITH RECURSIVE. */
const MOVED = `direct AS (
    SELECT of AS id FROM changes WHERE kind = 'recipe'
    UNION SELECT used.recipe_id FROM changes JOIN recipe_foods used ON used.kitchen_id = $1 AND used.food_id = changes.of
      WHERE changes.kind = 'food'
    UNION SELECT id FROM recipes WHERE kitchen_id = $1 AND EXISTS (SELECT 1 FROM changes WHERE kind = 'kitchen')),
  moved AS (
    SELECT id FROM direct
    UNION SELECT used.recipe_id FROM moved JOIN recipe_bases used ON used.kitchen_id = $1 AND used.base_id = moved.id)`;

/** Whether a summary, `kept`, is missing, marked, of another engine ($2), or of a day that is over ($3). */
const OVER = '(kept.recipe_id IS NULL OR kept.stale OR kept.engine <> $2 OR kept.holds_until <= $3::date)';
const HEADS = `FROM recipes head LEFT JOIN recipe_summaries kept ON kept.kitchen_id = head.kitchen_id AND kept.recipe_id = head.id
  WHERE head.kitchen_id = $1 AND head.archived_at IS NULL`;
/** Recipes not put away that are to be computed, but for what changed and is not marked yet. */
const UNSETTLED = `SELECT head.id ${HEADS} AND ${OVER}`;

/**
 * Recipes not put away (`head`) with what was computed of each (`kept`), and whether that is to be computed anew (`computing`), as one
 * statement sees all of it: what changed and is not marked yet too. Begins a statement that is given `now`.
 */
export const ROWS_AS_THEY_STAND = `WITH RECURSIVE changes AS (SELECT kind, of FROM recipe_changes WHERE kitchen_id = $1), ${MOVED},
  standing AS (SELECT head.id, head.title, head.revision, head.saved_at, kept.series, kept.number, kept.used_cost, kept.protein, kept.energy, kept.listed,
    ${OVER} IS TRUE OR head.id IN (SELECT id FROM moved) AS computing ${HEADS})`;

function summaryOf(
  recipe: Recipe,
  kitchen: Kitchen,
  standing: Standing | undefined,
  inputs: object | null,
  figures: Computed<RecipeFigures>,
) {
  const looked = foundIn(figures, kitchen);
  const card = standing ? explained(standing, recipe, kitchen, inputs, looked) : null;
  const found = toFound(recipe, kitchen, looked, card?.drift ?? []);
  const listed = toListedFigures(recipe, figures, kitchen, found.open);
  return {
    id: recipe.id,
    until: pricesHoldUntil(packsUnder(recipe, kitchen), kitchen.settings) ?? null,
    series: recipe.series ?? null,
    number: recipe.number ?? null,
    weight: listed.weight,
    energy: listed.energyKcal.amount,
    protein: listed.protein.amount,
    used: listed.usedCost.amount,
    listed,
    ground: figures.ok ? groundToKeep(figures.made, kitchen) : null,
    card,
    found,
    parts: figures.ok ? reusablePartsOf(figures.made).map(toReusablePart) : [],
  };
}

/** Packs of every food that a recipe holds, itself or in parts it takes. */
function packsUnder(recipe: Recipe, kitchen: Kitchen) {
  return [...new Set(recipesUnder(recipe, kitchen).flatMap(foodsOf))].flatMap((food) => kitchen.packsOf(food));
}
