import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { RecipeEntry } from '@portiona/core';

const FILE = fileURLToPath(new URL('../../../pantry/example/red-lentil-and-spinach-pot.json', import.meta.url));

/** A dish of starter foods to look at and change; a test computes it. */
export function exampleDish(): RecipeEntry {
  return JSON.parse(readFileSync(FILE, 'utf8')) as RecipeEntry;
}
