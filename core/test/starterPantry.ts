import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Food } from '../src/index.js';

const folder = join(__dirname, '../../pantry');

/** The starter pantry: generic foods, file by file. */
export const starterFiles: readonly (readonly [name: string, file: unknown])[] = readdirSync(folder)
  .filter((name) => name.endsWith('.json'))
  .map((name) => [name, JSON.parse(readFileSync(join(folder, name), 'utf8'))]);

export const starterFoods: readonly Food[] = starterFiles.flatMap(([, file]) => (file as { foods: Food[] }).foods);
