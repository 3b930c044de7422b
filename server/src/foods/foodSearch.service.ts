import { Injectable } from '@nestjs/common';
import { FoodIndex, isLike, searchWords, type FoodEntry } from '@portiona/core';
import { Database } from '../database/database.js';
import type { FoundFoodDto } from './food.dto.js';
import { toSavedFood } from './food.mapper.js';
import type { Scope } from '../scope/scope.js';

/** Rows the database gives to be ranked: enough that the best are among them, few enough to rank in milliseconds. */
const CANDIDATES = 80;
/** Rows looked at to pick them from; a word that half the pantry is named by says little about any of them. */
const LOOKED_AT = 1500;
/** Words of the pantry that a misspelt one is held against. */
const MOST_NEAR = 12;
/** Behind every other letter: what begins with a word lies between the word and the word with this behind it. */
const LAST_LETTER = '\u{10ffff}';
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
  constructor(private readonly database: Database) {}

  /** @param limit most foods given */
  async find(scope: Scope, text: string, limit: number): Promise<FoundFoodDto[]> {
    const words = searchWords(text).slice(0, MOST_WORDS);
    if (words.length === 0) return [];
    const { kitchenId } = scope;
    const candidates = await this.#candidates(kitchenId, await this.#meant(kitchenId, words));
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

  /**
   * What each word may stand for: itself begun, where anything begins so, else the words of the pantry it is nearly. One round
   * trip for all of them.
   */
  async #meant(kitchenId: string, words: readonly string[]): Promise<string[][]> {
    const rows = await this.database.manager.query<{ asked: string; begun: boolean; near: string[] | null }[]>(
      `SELECT asked, begun, CASE WHEN NOT begun THEN (
          SELECT array_agg(near.word) FROM words_near(asked, ${MOST_NEAR}) near) END AS near
       FROM (
         SELECT asked, EXISTS (
           SELECT 1 FROM food_words WHERE kitchen_id = $1 AND word ~>=~ asked AND word ~<~ (asked || $3) LIMIT 1
         ) AS begun
         FROM unnest($2::text[]) AS asked
       ) asked`,
      [kitchenId, words, LAST_LETTER],
    );
    const found = new Map(rows.map((row) => [row.asked, row]));
    return words.map((word) => {
      const row = found.get(word);
      return row?.begun ? [`${word}:*`] : (row?.near ?? []).filter((near) => isLike(word, near));
    });
  }

  /** Rows that hold every word, in any order. A word that stands for nothing is passed over. */
  async #candidates(kitchenId: string, meant: readonly (readonly string[])[]): Promise<Candidate[]> {
    const query = meant
      .map((words) => words.map((word) => word.replace(/%/g, '')).filter((word) => word !== '' && word !== ':*'))
      .filter((words) => words.length > 0)
      .map((words) => `(${words.join(' | ')})`);
    if (query.length === 0) return [];
    return this.database.manager.query<Candidate[]>(SELECT, [kitchenId, query.join(' & ')]);
  }
}

const SELECT = `
  SELECT food.id, food.revision, food.saved_at, food.document, food.from_table,
    (SELECT count(*)::int FROM recipe_foods used WHERE used.kitchen_id = food.kitchen_id AND used.food_id = food.id) AS used,
    EXISTS (SELECT 1 FROM packs pack WHERE pack.kitchen_id = food.kitchen_id AND pack.food_id = food.id) AS bought
  FROM (
    SELECT said.id FROM foods_saying($2, ${LOOKED_AT}) said ORDER BY length(said.words), said.id LIMIT ${CANDIDATES}
  ) best
  JOIN foods food ON food.kitchen_id = $1 AND food.id = best.id`;
