import {
  brokenPromises,
  cardContent,
  cardDrift,
  computed,
  computedFigures,
  driftCauses,
  driftShare,
  readKitchen,
  taughtKitchen,
  toleratedDrift,
  type CardContent,
  type CardDrift,
  type Dish,
  type DriftCause,
  type Kitchen,
  type Recipe,
} from '@portiona/core';
import type { CardDriftDto, CardStandingDto } from '../cards/card.dto.js';
import { foundIn, type Found } from './finding.mapper.js';

/** How a published card stands to what would be printed now, before anybody asks why. */
export interface Standing {
  readonly published: CardContent;
  readonly moved: readonly CardDrift[];
  readonly now: CardContent | undefined;
  readonly uncomputed: string | null;
}

/** What of a published card would be printed otherwise now. */
export function standingOf(recipe: Recipe, kitchen: Kitchen, published: CardContent): Standing {
  const now = computed(() => asKept(cardContent(recipe, kitchen)));
  return now.ok
    ? { published, moved: cardDrift(published, now.made), now: now.made, uncomputed: null }
    : { published, moved: [], now: undefined, uncomputed: now.because };
}

/** What is kept of how a card stands: what moved, how far, why, and which promise that broke. */
export type KeptStanding = Omit<CardStandingDto, 'since'>;

/**
 * Says why a card moved, and what came of it.
 *
 * @param inputs what it was computed from, as it is kept; null where that was not kept, and nobody can say why it moved
 * @param found what Check finds now
 */
export function explained(
  { published, moved, now: card, uncomputed }: Standing,
  recipe: Recipe,
  kitchen: Kitchen,
  inputs: object | null,
  { found }: Found,
): KeptStanding {
  if (moved.length === 0 || !card) return { drift: [], within: [], causes: [], broke: [], uncomputed };
  const then = inputs === null ? undefined : dishOf(recipe.id, inputs);
  const causes: readonly DriftCause[] = then ? driftCauses(published, then, { recipe, kitchen }) : [];
  const foundThen = then && found.length > 0 ? foundIn(computedFigures(then.recipe, then.kitchen), then.kitchen).found : [];
  const broke = brokenPromises(published, card, foundThen, found);
  // A promise that broke is told however little moved.
  const { drift, within } = broke.length > 0 ? { drift: moved, within: [] } : toleratedDrift(moved, kitchen.settings.card?.tolerances);
  return {
    drift: drift.map(toDrift),
    within: within.map(toDrift),
    causes: causes.map((cause) => ({ ...cause, moved: cause.moved.map(toDrift) })),
    broke,
    uncomputed,
  };
}

/** The dish that a published card was computed from, with its kitchen as it was; undefined where that cannot be read any more. */
export function dishOf(id: string, inputs: object): Dish | undefined {
  const read = readKitchen(JSON.parse(JSON.stringify(inputs)), '1970-01-01');
  const recipe = read.ok ? read.entry.recipes.find((one) => one.id === id) : undefined;
  return read.ok && recipe ? { recipe, kitchen: taughtKitchen(read.entry, read.entry.batches) } : undefined;
}

export function toDrift(drift: CardDrift): CardDriftDto {
  const { name, was, is } = drift;
  return { name, was, is, share: driftShare(drift) ?? null };
}

/** As it comes back from the database: what is undefined is not there. */
function asKept(content: CardContent): CardContent {
  return JSON.parse(JSON.stringify(content)) as CardContent;
}
