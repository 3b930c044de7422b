import type { Food } from '@portiona/core';
import type { SavedDto } from '../http/saved.dto.js';
import type { FoodEntity } from './food.entity.js';

/** The food as core knows it. */
export function toFood({ document }: FoodEntity): Food {
  return document;
}

export function toSavedFood({ id, revision, savedAt, document }: FoodEntity): SavedDto {
  return { id, revision, savedAt: savedAt.toISOString(), document };
}
