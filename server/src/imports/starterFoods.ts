import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { join } from 'node:path';
import type { FoodEntry } from '@portiona/core';

const FOLDER = fileURLToPath(new URL('../../../pantry', import.meta.url));

/** The generic foods that come with Portiona; a test walks every one of them. */
export function starterFoods(): FoodEntry[] {
  return readdirSync(FOLDER)
    .filter((name) => name.endsWith('.json'))
    .flatMap((name) => (JSON.parse(readFileSync(join(FOLDER, name), 'utf8')) as { foods: FoodEntry[] }).foods);
}
