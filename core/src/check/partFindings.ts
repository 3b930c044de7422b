import { roundHalfAway } from '../quantity/index.js';
import type { PartFigures } from '../recipe/index.js';
import type { FigureFinding } from './finding.js';

/** The portions together need more than the part weighs. */
export function portionShort({ part, share }: PartFigures, servings: number): FigureFinding[] {
  if (share.shortfall === 0) return [];
  return [
    {
      code: 'portion-short',
      at: part.id,
      severity: 'wrong',
      message: `${servings} portions of ${part.name} need ${Math.round(share.shortfall)} g more than there is. Make the portion smaller or cook more.`,
    },
  ];
}

/** A cooked weight that was measured before the lines were changed. */
export function weightOutdated({ part, cooked, outdated }: PartFigures): FigureFinding[] {
  if (!outdated) return [];
  const [measured, now] = [outdated.measured, cooked].map((grams) => roundHalfAway(grams, 1));
  return [
    {
      code: 'weight-outdated',
      at: part.id,
      severity: 'look',
      message: `${part.name} was weighed at ${measured} g before its lines changed; in proportion it would be ${now} g. Weigh it again when it is next cooked.`,
    },
  ];
}

/** Pieces that cannot be shared out evenly. */
export function piecesUneven({ part, cooked }: PartFigures, servings: number): FigureFinding[] {
  const { portion } = part;
  if (portion?.by !== 'pieces') return [];
  const each = portion.made / servings;
  if (Math.abs(each - Math.round(each)) <= 1e-9 * Math.max(1, each)) return [];
  const nearest = Math.max(1, roundHalfAway(each)) * servings;
  return [
    {
      code: 'pieces-uneven',
      at: part.id,
      severity: 'look',
      message: `${roundHalfAway(portion.made, 0.01)} pieces of ${part.name} do not divide by ${servings}. Make ${nearest} of ${roundHalfAway(cooked / nearest, 1)} g each.`,
    },
  ];
}
