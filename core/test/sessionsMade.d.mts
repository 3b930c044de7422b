import type { Session } from '../src/plan/index.js';
import type { Recipe } from '../src/recipe/index.js';

export function drawsOf(seed: number): (below: number) => number;
export function sessionMade(
  seed: number,
  size: { dishes: number; steps: number; longest: number; exact?: boolean; limited?: number },
): { kitchen: { recipes: Recipe[]; sessions: [Session] }; now: number };
