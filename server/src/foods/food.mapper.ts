import { searchTextOf, type Food, type FoodEntry } from '@portiona/core';
import type { SavedFoodDto } from '../http/saved.dto.js';
import type { FoodEntity } from './food.entity.js';

/** The food as core knows it. */
export function toFood({ document }: FoodEntity): Food {
  return document;
}

export function toSavedFood({
  id,
  revision,
  savedAt,
  document,
}: Pick<FoodEntity, 'id' | 'revision' | 'savedAt' | 'document'>): SavedFoodDto {
  return { id, revision, savedAt: savedAt.toISOString(), document };
}

/** A document's row: itself, and what is read off it for lists and for finding. */
export function toFoodRow(document: FoodEntry): Pick<FoodEntity, 'id' | 'name' | 'words' | 'document'> {
  return { id: document.id, name: document.name, words: searchTextOf(document), document };
}
