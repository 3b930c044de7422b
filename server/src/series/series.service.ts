import { Injectable } from '@nestjs/common';
import {
  cardSeries,
  foodsOf,
  mainFoods,
  numbersTrouble,
  RecipeEntry,
  type CardContent,
  type CardSeries,
  type Recipe,
} from '@portiona/core';
import { Database } from '../database/database.js';
import { ValidationError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { RecipesService } from '../recipes/recipes.service.js';
import type { Scope } from '../scope/scope.js';
import type { NumberingDto, SeriesDishDto, SeriesDto } from './series.dto.js';

/** A dish as its series is made of it. */
interface Row {
  readonly id: string;
  readonly title: string;
  readonly revision: number;
  readonly series: string;
  readonly number: number | null;
  readonly indexed: string[] | null;
  readonly issue: number | null;
  readonly content: CardContent | null;
  /** The recipe as it stands, where it is not published. */
  readonly recipe: Recipe | null;
  readonly taken_back: string | null;
}

/** Series: which dishes they hold, in which order, by which numbers. */
@Injectable()
export class SeriesService {
  constructor(
    private readonly database: Database,
    private readonly kitchens: KitchensService,
    private readonly recipes: RecipesService,
  ) {}

  /** Every series, each with its dishes by their numbers. */
  async list(scope: Scope): Promise<SeriesDto[]> {
    const rows = await this.database.manager.query<Row[]>(
      `SELECT head.id, head.title, head.revision, own.document ->> 'series' AS series, (own.document ->> 'number')::double precision AS number,
         own.document -> 'indexedUnder' AS indexed, card.issue, card.content, card.taken_back_because AS taken_back,
         CASE WHEN card.content IS NULL THEN own.document END AS recipe
       FROM recipes head
       JOIN recipe_revisions own ON own.kitchen_id = head.kitchen_id AND own.recipe_id = head.id AND own.revision = head.revision
       LEFT JOIN LATERAL (SELECT issue, content, taken_back_because FROM published_cards published
         WHERE published.kitchen_id = head.kitchen_id AND published.recipe_id = head.id ORDER BY issue DESC LIMIT 1) card ON true
       WHERE head.kitchen_id = $1 AND head.archived_at IS NULL AND own.document ->> 'series' IS NOT NULL
       ORDER BY own.document ->> 'series' COLLATE "und-x-icu", (own.document ->> 'number')::double precision NULLS LAST, head.title COLLATE "und-x-icu", head.id`,
      [scope.kitchenId],
    );
    const names = await this.#foodNames(
      scope,
      rows.flatMap(({ recipe }) => (recipe ? foodsOf(recipe) : [])),
    );
    const said = new Map<string, CardSeries>((await this.kitchens.stated(scope)).card?.series?.map((one) => [one.name, one]) ?? []);
    return [...new Set(rows.map(({ series }) => series))].map((name) => {
      const dishes = rows.filter(({ series }) => series === name).map((row) => toDish(row, names));
      const { subtitle, about } = said.get(name) ?? {};
      return {
        name,
        ...(subtitle === undefined ? {} : { subtitle }),
        ...(about === undefined ? {} : { about }),
        dishes,
        trouble: numbersTrouble(dishes),
      };
    });
  }

  async #foodNames({ kitchenId }: Scope, ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
    if (ids.length === 0) return new Map();
    const rows = await this.database.manager.query<{ id: string; name: string }[]>(
      'SELECT id, name FROM foods WHERE kitchen_id = $1 AND id = ANY($2)',
      [kitchenId, [...new Set(ids)]],
    );
    return new Map(rows.map(({ id, name }) => [id, name]));
  }

  /**
   * Gives dishes their numbers, all of them or none: each as the next revision of its recipe.
   *
   * @throws NotFoundError, StaleSaveError where a recipe was saved meanwhile, ValidationError for a dish named twice
   */
  async number(scope: Scope, { dishes }: NumberingDto): Promise<SeriesDto[]> {
    const twice = dishes.findIndex(({ id }, i) => dishes.findIndex((other) => other.id === id) < i);
    if (twice >= 0) throw new ValidationError([{ path: `dishes[${twice}].id`, message: 'stands twice; say one number for each dish' }]);
    return this.database.writeAlone(scope.kitchenId, async () => {
      for (const { id, revision, number } of dishes) {
        const { document } = await this.recipes.get(scope, id);
        const { number: was, ...rest } = document as { readonly number?: number };
        if (was === number) continue;
        await this.recipes.rewrite(scope, revision, readBody(RecipeEntry, number === undefined ? rest : { ...rest, number }, 'document'));
      }
      return this.list(scope);
    });
  }
}

/** @param names of foods, for dishes whose cards do not say them yet */
function toDish(
  { id, title, revision, number, indexed, issue, content, recipe, taken_back }: Row,
  names: ReadonlyMap<string, string>,
): SeriesDishDto {
  const sections = recipe?.parts.map(({ lines }) => ({ lines: lines.map(({ food = '' }) => ({ food: names.get(food) ?? '' })) })) ?? [];
  const under = mainFoods(content ?? { title, sections }, indexed ?? []);
  return {
    id,
    title,
    number,
    revision,
    issue,
    printed: content ? (cardSeries(content.series).number ?? null) : null,
    takenBack: taken_back,
    indexed: under.names,
    indexedBy: under.from,
  };
}
