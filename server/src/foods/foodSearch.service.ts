import { Injectable } from '@nestjs/common';
import { InjectDataSource } from '@nestjs/typeorm';
import { FoodIndex, searchWords, type FoodEntry } from '@portiona/core';
import { DataSource } from 'typeorm';
import { KitchensService } from '../kitchens/kitchens.service.js';
import type { FoundFoodDto } from './food.dto.js';
import { toSavedFood } from './food.mapper.js';

/** Rows the database gives to be ranked: enough that the best are among them, few enough to rank in milliseconds. */
const CANDIDATES = 150;
/** How much of a word must be met for a row to be looked at; the index can tell without reading rows. */
const LIKENESS = 0.45;
/** Words of a search that count: more say no more. */
const MOST_WORDS = 6;

interface Candidate {
  readonly id: string;
  readonly revision: number;
  readonly saved_at: Date;
  readonly document: FoodEntry;
  readonly from_table: string | null;
  readonly used: number;
  readonly bought: boolean;
}

/** Finds foods as they are typed, in a pantry of any size: the database picks candidates by its indexes, core ranks them. */
@Injectable()
export class FoodSearchService {
  constructor(
    @InjectDataSource() private readonly database: DataSource,
    private readonly kitchens: KitchensService,
  ) {}

  /** @param limit most foods given */
  async find(text: string, limit: number): Promise<FoundFoodDto[]> {
    const words = searchWords(text).slice(0, MOST_WORDS);
    if (words.length === 0) return [];
    const kitchenId = await this.kitchens.id();
    const byStart = await this.#byStart(kitchenId, words);
    const candidates = byStart.length >= limit ? byStart : merged(byStart, await this.#byLikeness(kitchenId, words));
    const byId = new Map(candidates.map((candidate) => [candidate.id, candidate]));
    const athand = new Set(candidates.filter(({ used, bought }) => used > 0 || bought).map(({ id }) => id));
    const index = new FoodIndex(
      candidates.map(({ document }) => document),
      athand,
    );
    return index.find(text, limit).flatMap(({ food, score }) => {
      const row = byId.get(food.id);
      return row
        ? [
            {
              food: toSavedFood({ ...row, savedAt: row.saved_at }),
              score: Math.min(1, score),
              usedIn: row.used,
              fromTable: row.from_table ?? '',
            },
          ]
        : [];
    });
  }

  /** Rows in which every word begins with one that was typed. */
  #byStart(kitchenId: string, words: readonly string[]): Promise<Candidate[]> {
    const query = words.map((word) => `${word.replace(/%/g, '')}:*`).filter((word) => word !== ':*');
    if (query.length === 0) return Promise.resolve([]);
    return this.database.query(select(`to_tsvector('simple', food.words) @@ to_tsquery('simple', $2)`, 'length(food.words)'), [
      kitchenId,
      query.join(' & '),
    ]);
  }

  /** Rows in which every word is like one that was typed. */
  #byLikeness(kitchenId: string, words: readonly string[]): Promise<Candidate[]> {
    const long = words.filter((word) => word.length >= 3);
    if (long.length === 0) return Promise.resolve([]);
    const conditions = long.map((_, i) => `$${i + 2} <% food.words`).join(' AND ');
    const likeness = long.map((_, i) => `word_similarity($${i + 2}, food.words)`).join(' + ');
    return this.database.transaction(async (manager) => {
      await manager.query(`SET LOCAL pg_trgm.word_similarity_threshold = ${LIKENESS}`);
      return manager.query<Candidate[]>(select(conditions, `${likeness} DESC, length(food.words)`), [kitchenId, ...long]);
    });
  }
}

function select(condition: string, order: string): string {
  return `
    SELECT food.id, food.revision, food.saved_at, food.document, food.from_table,
      (SELECT count(*)::int FROM recipe_foods used WHERE used.kitchen_id = food.kitchen_id AND used.food_id = food.id) AS used,
      EXISTS (SELECT 1 FROM packs pack WHERE pack.kitchen_id = food.kitchen_id AND pack.food_id = food.id) AS bought
    FROM (
      SELECT * FROM foods food
      WHERE food.kitchen_id = $1 AND food.archived_at IS NULL AND ${condition}
      ORDER BY ${order} LIMIT ${CANDIDATES}
    ) food`;
}

function merged(first: readonly Candidate[], second: readonly Candidate[]): Candidate[] {
  return [...new Map([...first, ...second].map((candidate) => [candidate.id, candidate])).values()];
}
