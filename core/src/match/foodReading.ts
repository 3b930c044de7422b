import type { NamedThing } from './foodIndex.js';

/**
 * How sure it is that a food is meant: `same`, called so; `usual`, the one reading, or the one that people mean; `unsure`, counted,
 * and to be agreed to.
 */
export type Sureness = 'same' | 'usual' | 'unsure';

/** The food that words are taken to mean, and why. */
export interface FoodReading<Thing extends NamedThing = NamedThing> {
  readonly food: Thing;
  readonly sureness: Sureness;
  /** In a sentence's words, without its subject: "“smoked” is not in its name". Empty for what is called so. */
  readonly reason: string;
  /** Others that it could be, likeliest first. */
  readonly rivals: readonly Thing[];
}
