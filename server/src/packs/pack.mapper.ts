import type { Pack } from '@portiona/core';
import type { SavedPackDto } from '../http/saved.dto.js';
import type { SeenPackDto } from './pack.dto.js';
import type { PackEntity } from './pack.entity.js';

/** The pack as core knows it. */
export function toPack({ document }: PackEntity): Pack {
  return document;
}

export function toSavedPack({ id, revision, savedAt, document }: PackEntity): SavedPackDto {
  return { id, revision, savedAt: savedAt.toISOString(), document };
}

export function toSeenPack(row: PackEntity): SeenPackDto {
  return { ...toSavedPack(row), putAwayAt: row.putAwayAt?.toISOString() ?? null };
}
