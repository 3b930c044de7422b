import { Injectable } from '@nestjs/common';
import { BriefEntry } from '@portiona/core';
import { Database } from '../database/database.js';
import { readBody } from '../http/readBody.js';
import type { BriefVerdictDto, RecipeOrder } from './recipe.dto.js';
import { NOTHING_COMPUTED, toBriefVerdict, type KeptRecipe } from './recipe.mapper.js';
import { RecipeSummariesService, ROWS_AS_THEY_STAND } from './recipeSummaries.service.js';
import type { Scope } from '../scope/scope.js';

/** What to show of a long list of recipes. */
export interface RecipePage {
  readonly order: RecipeOrder;
  /** Each found in the title or the series, in any order, however written in capitals; empty: every recipe. */
  readonly words: string;
  readonly from: number;
  readonly count: number;
}

/**
 * A row as it is sent: the database puts the JSON together, so that thousands of rows are nobody's work here. One of which nothing was
 * computed yet tells how many servings it has.
 */
const ROW = `'{"id":' || to_json(one.id) || ',"title":' || to_json(one.title) || ',"revision":' || one.revision
  || ',"savedAt":"' || to_char(one.saved_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') || '","computing":' || one.computing || ','
  || coalesce(substr(one.listed::text, 2), (SELECT '"servings":' || (document ->> 'servings') || ',"servingName":'
       || to_json(coalesce(document ->> 'servingName', 'serving')) FROM recipe_revisions
     WHERE kitchen_id = $1 AND recipe_id = one.id AND revision = one.revision) || ',${JSON.stringify(NOTHING_COMPUTED).slice(1)}')`;

/** What is unknown comes last, whichever way the order goes. */
const ORDERS: Readonly<Record<RecipeOrder, string>> = {
  series: `one.series COLLATE "und-x-icu" NULLS LAST, one.number NULLS FIRST, one.title COLLATE "und-x-icu", one.id`,
  usedCost: 'one.used_cost NULLS LAST, one.id',
  protein: 'one.protein DESC NULLS LAST, one.id',
  energyKcal: 'one.energy NULLS LAST, one.id',
  savedAt: 'one.saved_at DESC, one.id',
};

/**
 * Lists of recipes, read from what was computed of each; brought up to date first, by whoever does that best, but for what says of each row
 * whether it is.
 */
@Injectable()
export class RecipeListsService {
  constructor(
    private readonly database: Database,
    private readonly summaries: RecipeSummariesService,
  ) {}

  /** Whether nothing has to be computed before a list is read. */
  areSettled(scope: Scope): Promise<boolean> {
    return this.summaries.areSettled(scope);
  }

  /** Every recipe at a glance, newest save first: JSON of a list of ListedRecipeDto. */
  async listText(scope: Scope): Promise<string> {
    const [{ rows }] = await this.database.manager.query<[{ rows: string | null }]>(
      `${ROWS_AS_THEY_STAND} SELECT string_agg(${ROW}, ',' ORDER BY ${ORDERS.savedAt}) AS rows FROM standing one`,
      await this.summaries.now(scope),
    );
    return `[${rows ?? ''}]`;
  }

  /** Some of the recipes, how many there are, and how many of the kitchen are to be computed anew: JSON of a RecipePageDto. */
  async page(scope: Scope, { order, words, from, count }: RecipePage): Promise<{ readonly computing: number; readonly text: string }> {
    const [{ total, computing, rows }] = await this.database.manager.query<[{ total: string; computing: string; rows: string | null }]>(
      `${ROWS_AS_THEY_STAND},
       found AS (
         SELECT one.*, row_number() OVER (ORDER BY ${ORDERS[order]}) AS place FROM standing one
         WHERE NOT EXISTS (SELECT 1 FROM unnest(string_to_array(lower($4), ' ')) AS word
           WHERE position(word IN lower(one.title || ' ' || coalesce(one.series, ''))) = 0))
       SELECT (SELECT count(*) FROM found) AS total, (SELECT count(*) FROM standing WHERE computing) AS computing,
         (SELECT string_agg(${ROW}, ',' ORDER BY one.place) FROM found one WHERE one.place > $5 AND one.place <= $5 + $6) AS rows`,
      [...(await this.summaries.now(scope)), words, from, count],
    );
    return { computing: Number(computing), text: `{"total":${total},"computing":${computing},"recipes":[${rows ?? ''}]}` };
  }

  /** The newest published card of each recipe, and whether it holds: JSON of a list of PublishedCardDto. */
  async cardsText(scope: Scope): Promise<string> {
    const [{ rows }] = await this.database.manager.query<[{ rows: string | null }]>(
      `SELECT string_agg('{"recipe":' || to_json(head.id) || ',"title":' || to_json(coalesce(card.content ->> 'title', head.title)) || ',"series":' || to_json(coalesce(card.content ->> 'series', ''))
         || ',"printed":' || (SELECT coalesce(json_agg(json_build_object('name', one ->> 'name', 'text', one ->> 'text', 'unit', one ->> 'unit') ORDER BY place), '[]')
              FROM jsonb_array_elements(jsonb_build_array(card.content -> 'energy', card.content -> 'macros' -> 0, card.content -> 'used'))
                WITH ORDINALITY AS figures (one, place)
              WHERE jsonb_typeof(one) = 'object')
         || ',"takenBack":' || coalesce(to_json(card.taken_back_because)::text, 'null')
         || ',"since":' || coalesce('"' || to_char(card.moved_since AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') || '"', 'null')
         || ',"issue":' || card.issue || ',"publishedAt":"'
         || to_char(card.published_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') || '",' || substr(kept.card::text, 2), ',' ORDER BY head.id) AS rows
       FROM (SELECT DISTINCT ON (recipe_id) recipe_id, issue, published_at, content, taken_back_because, moved_since FROM published_cards WHERE kitchen_id = $1
             ORDER BY recipe_id, issue DESC) card
       JOIN recipes head ON head.kitchen_id = $1 AND head.id = card.recipe_id AND head.archived_at IS NULL
       JOIN recipe_summaries kept ON kept.kitchen_id = $1 AND kept.recipe_id = head.id AND kept.card IS NOT NULL`,
      [scope.kitchenId],
    );
    return `[${rows ?? ''}]`;
  }

  /** What Check finds in every recipe that has something open, or cannot be checked: JSON of a list of RecipeFindingsDto, most wrong first. */
  async findingsText(scope: Scope): Promise<string> {
    const [{ rows }] = await this.database.manager.query<[{ rows: string | null }]>(
      `SELECT string_agg('{"recipe":' || to_json(head.id) || ',"title":' || to_json(head.title) || ',' || substr(kept.found::text, 2), ','
         ORDER BY (kept.found ->> 'wrong')::int DESC, head.saved_at DESC, head.id) AS rows
       FROM recipes head JOIN recipe_summaries kept ON kept.kitchen_id = head.kitchen_id AND kept.recipe_id = head.id
       WHERE head.kitchen_id = $1 AND head.archived_at IS NULL
         AND (json_array_length(kept.found -> 'open') > 0 OR kept.found ->> 'uncomputed' IS NOT NULL)`,
      [scope.kitchenId],
    );
    return `[${rows ?? ''}]`;
  }

  /**
   * Every part that a recipe may take a line of: of recipes not put away, and of none that is built on it itself. JSON of a list of
   * ReusablePartDto.
   *
   * @param of the recipe that is to take them
   */
  async partsText(scope: Scope, of: string): Promise<string> {
    const [{ rows }] = await this.database.manager.query<[{ rows: string | null }]>(
      `WITH RECURSIVE above AS (
         SELECT $2::text AS id
         UNION SELECT used.recipe_id FROM above JOIN recipe_bases used ON used.kitchen_id = $1 AND used.base_id = above.id)
       SELECT string_agg(part.one::text, ',' ORDER BY head.saved_at DESC, head.id, part.place) AS rows
       FROM recipes head JOIN recipe_summaries kept ON kept.kitchen_id = head.kitchen_id AND kept.recipe_id = head.id
       CROSS JOIN LATERAL json_array_elements(kept.parts) WITH ORDINALITY AS part (one, place)
       WHERE head.kitchen_id = $1 AND head.archived_at IS NULL AND head.id NOT IN (SELECT id FROM above)`,
      [scope.kitchenId, of],
    );
    return `[${rows ?? ''}]`;
  }

  /** How every recipe stands to a brief, newest save first, by what was computed of each. @throws ValidationError */
  async judged(scope: Scope, found: object): Promise<BriefVerdictDto[]> {
    const brief = readBody(BriefEntry, found, 'brief');
    const rows = await this.database.manager.query<KeptRecipe[]>(
      `SELECT head.id, head.title, kept.ground, kept.listed ->> 'uncomputed' AS uncomputed
       FROM recipes head JOIN recipe_summaries kept ON kept.kitchen_id = head.kitchen_id AND kept.recipe_id = head.id
       WHERE head.kitchen_id = $1 AND head.archived_at IS NULL ORDER BY head.saved_at DESC, head.id`,
      [scope.kitchenId],
    );
    return rows.map((row) => toBriefVerdict(row, brief));
  }
}
