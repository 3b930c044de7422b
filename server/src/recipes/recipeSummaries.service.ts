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
import { toFound } from './finding.mapper.js';
import { toCardStanding, toListedFigures } from './recipe.mapper.js';
import { RecipesService } from './recipes.service.js';
import type { Scope } from '../scope/scope.js';

/** Recipes computed in one transaction: short enough that nobody waits long for the lock, and nothing large is held. */
const AT_A_TIME = 200;
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
      await this.#now(scope),
    );
    return !unsettled;
  }

  /** Computes what has changed, and nothing else: some at a time, each time in a transaction of its own. */
  async settle(scope: Scope): Promise<void> {
    const { kitchenId } = scope;
    let computed: number;
    do
      computed = await this.database.write(async () => {
        await this.#hold(kitchenId);
        await this.#markChanged(kitchenId);
        return this.#computeSome(scope, kitchenId);
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
    const { manager } = this.database;
    const changes = await manager.query<{ id: string }[]>('SELECT id FROM recipe_changes WHERE kitchen_id = $1', [kitchenId]);
    const ids = changes.map(({ id }) => id);
    if (ids.length === 0) return;
    await manager.query(
      `WITH RECURSIVE changes AS (SELECT kind, of FROM recipe_changes WHERE id = ANY($2::bigint[])),
         direct AS (
           SELECT of AS id FROM changes WHERE kind = 'recipe'
           UNION SELECT used.recipe_id FROM changes JOIN recipe_foods used ON used.kitchen_id = $1 AND used.food_id = changes.of
             WHERE changes.kind = 'food'
           UNION SELECT id FROM recipes WHERE kitchen_id = $1 AND EXISTS (SELECT 1 FROM changes WHERE kind = 'kitchen')),
         moved AS (
           SELECT id FROM direct
           UNION SELECT used.recipe_id FROM moved JOIN recipe_bases used ON used.kitchen_id = $1 AND used.base_id = moved.id)
       INSERT INTO recipe_summaries (kitchen_id, recipe_id, stale) SELECT $1, id, true FROM moved
       ON CONFLICT (kitchen_id, recipe_id) DO UPDATE SET stale = true`,
      [kitchenId, ids],
    );
    await manager.query('DELETE FROM recipe_changes WHERE id = ANY($1::bigint[])', [ids]);
  }

  /** Computes some of what is stale. @returns how many it was */
  async #computeSome(scope: Scope, kitchenId: string): Promise<number> {
    const { manager } = this.database;
    const wanted = await manager.query<{ id: string }[]>(
      `${UNSETTLED} ORDER BY head.saved_at DESC LIMIT ${AT_A_TIME}`,
      await this.#now(scope),
    );
    if (wanted.length === 0) return 0;
    const ids = wanted.map(({ id }) => id);
    const own = await this.recipes.loadForCalculation(scope, ids);
    const kitchen = await this.recipes.kitchenToCheck(scope, own);
    const cards = await manager.query<{ recipe_id: string; content: CardContent }[]>(
      `SELECT DISTINCT ON (recipe_id) recipe_id, content FROM published_cards WHERE kitchen_id = $1 AND recipe_id = ANY($2)
       ORDER BY recipe_id, issue DESC`,
      [kitchenId, ids],
    );
    const published = new Map(cards.map(({ recipe_id, content }) => [recipe_id, content]));
    const rows = own.map((recipe) => this.#summaryOf(recipe, kitchen, published.get(recipe.id)));
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

  /** What can be told of a recipe; one that nobody foresaw keeps no list from the others. */
  #summaryOf(recipe: Recipe, kitchen: Kitchen, published: CardContent | undefined) {
    try {
      return summaryOf(recipe, kitchen, published, computedFigures(recipe, kitchen));
    } catch (error) {
      this.#log.error(`the recipe "${recipe.id}" cannot be added up: ${error instanceof Error ? error.stack : String(error)}`);
      const because = 'it cannot be added up; the log of the server says why';
      return {
        ...summaryOf(recipe, kitchen, undefined, { ok: false, because }),
        card: published ? { drift: [], uncomputed: because } : null,
      };
    }
  }

  /** The kitchen, the engine, and its day. */
  async #now(scope: Scope): Promise<[string, string, string]> {
    return [scope.kitchenId, engineVersion(), (await this.kitchens.settings(scope)).date];
  }
}

/** Recipes not put away whose summary is missing, stale, of another engine, or of a day that is over. */
const UNSETTLED = `SELECT head.id FROM recipes head
  LEFT JOIN recipe_summaries kept ON kept.kitchen_id = head.kitchen_id AND kept.recipe_id = head.id
  WHERE head.kitchen_id = $1 AND head.archived_at IS NULL
    AND (kept.recipe_id IS NULL OR kept.stale OR kept.engine <> $2 OR kept.holds_until <= $3::date)`;

function summaryOf(recipe: Recipe, kitchen: Kitchen, published: CardContent | undefined, figures: Computed<RecipeFigures>) {
  const card = published ? toCardStanding(recipe, kitchen, published) : null;
  const found = toFound(recipe, kitchen, figures, card?.drift ?? []);
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
