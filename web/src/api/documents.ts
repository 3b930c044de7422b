import type { Brief, Food, Pack, Recipe } from '@portiona/core';
import type { SavedDto } from './api.gen';

/** A saved document, typed. */
export interface Saved<Document> {
  readonly id: string;
  readonly revision: number;
  readonly savedAt: string;
  readonly document: Document;
}

// The interface's description calls documents plain objects; the server lets nothing else through than what the kitchen
// file's classes allow, which are these types.
export const asFood = (saved: SavedDto) => saved as unknown as Saved<Food>;
export const asPack = (saved: SavedDto) => saved as unknown as Saved<Pack>;
export const asRecipe = (saved: SavedDto) => saved as unknown as Saved<Recipe>;
export const asRecipes = (bases: readonly object[]) => bases as unknown as readonly Recipe[];
/** A document as the interface takes it. */
export const asDocument = (document: Food | Pack | Recipe | Brief) => document as unknown as { [key: string]: unknown };
