import { Injectable } from '@nestjs/common';
import { LONGEST_LINE, parseLineText, tellingWords, type FoodEntry } from '@portiona/core';
import { Database } from '../database/database.js';
import type { SavedFoodDto } from '../http/saved.dto.js';
import { toSavedFood } from './food.mapper.js';
import type { Scope } from '../scope/scope.js';

/** Rows of tables offered for one line: core decides among them, and the best by words are the first few. */
const FOR_EACH = 12;
/** Words of a line that are looked for: the food's own stand last. */
const MOST_WORDS = 6;

interface Row {
  readonly id: string;
  readonly revision: number;
  readonly saved_at: Date;
  readonly document: FoodEntry;
}

/** Rows of imported tables that lines may mean: they are too many to be tried each, so the database picks the likeliest. */
@Injectable()
export class TableFoodsService {
  constructor(private readonly database: Database) {}

  /**
   * Rows of tables, in use or not, that hold all words of a line, or most where none holds all: a few for each line.
   *
   * @param texts lines as written
   */
  async likely(scope: Scope, texts: readonly string[]): Promise<SavedFoodDto[]> {
    const asked = [...new Set(texts.map(wordsOf))].filter((words) => words !== '');
    if (asked.length === 0) return [];
    const rows = await this.database.manager.query<Row[]>(SELECT, [scope.kitchenId, asked]);
    return rows.map((row) => toSavedFood({ ...row, savedAt: row.saved_at }));
  }
}

/** A line's words for its food, as a question to the database. */
function wordsOf(text: string): string {
  const words = tellingWords(parseLineText(text.slice(0, LONGEST_LINE)).foodWords).map((word) => word.replace(/%/g, ''));
  return words
    .filter((word) => /[a-z]/.test(word))
    .slice(-MOST_WORDS)
    .join(' & ');
}

const ANY = `replace(asked.words, '&', '|')`;

const SELECT = `
  WITH asked AS (SELECT words FROM unnest($2::text[]) AS asked (words)),
  whole AS (
    SELECT asked.words, best.id FROM asked CROSS JOIN LATERAL table_foods_saying(asked.words, ${FOR_EACH}) best
  ), most AS (
    SELECT asked.words, best.id FROM asked CROSS JOIN LATERAL table_foods_saying(${ANY}, ${FOR_EACH}) best
    WHERE NOT EXISTS (SELECT FROM whole WHERE whole.words = asked.words)
  )
  SELECT food.id, food.revision, food.saved_at, food.document FROM foods food
  WHERE food.kitchen_id = $1 AND food.id IN (SELECT id FROM whole UNION SELECT id FROM most)
  ORDER BY food.id`;
