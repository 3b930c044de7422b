import type { FigureKey, LineFigures, PartFigures } from '../recipe/index.js';
import { servedOf } from '../recipe/index.js';
import { UNCERTAINTY_OF_EYE, UNCERTAINTY_OF_METHOD, UNCERTAINTY_OF_SOURCE } from './uncertainty.js';

/** One independent thing that can be off: an amount, a food's composition, or whether a reader takes what is optional. */
export interface ErrorSource {
  readonly kind: 'amount' | 'composition' | 'choice';
  /** Relative standard uncertainty; 0 for a choice. */
  readonly relative: number;
  /** Half-width of a range over its midpoint; 0 without one. */
  readonly halfWidth: number;
}

/** What one food in one place adds to each figure of a serving, and what that depends on. */
export interface Contribution {
  /** In the unit of each key; negative for a discard. */
  readonly moves: readonly number[];
  /** Numbers of the sources whose errors multiply it. */
  readonly sources: readonly number[];
}

/** A serving's figures as a sum of contributions, each the product of what can be off about it. */
export interface ErrorModel {
  readonly keys: readonly FigureKey[];
  readonly sources: readonly ErrorSource[];
  readonly contributions: readonly Contribution[];
}

/**
 * Takes a serving apart into what can be off about it (docs/reckoning.md, "How sure it is"). One food used twice is one source of
 * composition error; shares of a part count as exact, but for one that is taken by eye; a discard counts as a measured line; a part of another recipe brings
 * its errors along, and the error of the amount taken moves all of it.
 *
 * @param parts the parts of the serving; optional ones only make sense with `choices`
 * @param keys the figures asked for
 * @param choices optional lines and parts are in, each as something a reader takes or leaves; otherwise they are out
 */
export function errorModelOf(parts: readonly PartFigures[], keys: readonly FigureKey[], choices = false): ErrorModel {
  const model = new GrowingModel(keys, choices);
  for (const figures of parts) {
    const chosen = choices && servedOf(figures.part) === 'optional' ? [model.source(`choice ${figures.part.id}`, CHOICE)] : [];
    const { portion } = figures.part;
    const eyed = portion?.by === 'grams' && portion.eye ? [model.source(`portion ${figures.part.id}`, BY_EYE)] : [];
    model.addPart(figures, figures.share.share, '', [...chosen, ...eyed]);
  }
  return model;
}

const CHOICE: ErrorSource = { kind: 'choice', relative: 0, halfWidth: 0 };
const BY_EYE: ErrorSource = { kind: 'amount', relative: UNCERTAINTY_OF_EYE, halfWidth: 0 };

class GrowingModel implements ErrorModel {
  readonly sources: ErrorSource[] = [];
  readonly contributions: Contribution[] = [];
  readonly #numbers = new Map<string, number>();

  constructor(
    readonly keys: readonly FigureKey[],
    readonly choices: boolean,
  ) {}

  /** The number of a source, the same for the same name. */
  source(name: string, source: ErrorSource): number {
    const known = this.#numbers.get(name);
    if (known !== undefined) return known;
    this.#numbers.set(name, this.sources.length);
    return this.sources.push(source) - 1;
  }

  /** @param owner "recipe:" for a part of another recipe, else empty */
  addPart(part: PartFigures, share: number, owner: string, within: readonly number[]): void {
    for (const line of part.lines) {
      if (line.counted) this.#addLine(line, share, owner, within);
      else if (this.choices && owner === '') this.#addLine(line, share, owner, [...within, this.source(`choice ${line.at}`, CHOICE)]);
    }
    for (const { at, resolved, weights, nutrients } of part.discards)
      if (weights)
        this.#add(nutrients, -share, [
          ...within,
          this.source(`amount ${owner}${at}`, amountSource(weights)),
          this.source(`food ${resolved.food.id}`, foodSource(resolved.food)),
        ]);
  }

  #addLine({ at, of, weights, nutrients }: LineFigures, share: number, owner: string, within: readonly number[]): void {
    if (!weights) return;
    const inside = [...within, this.source(`amount ${owner}${at}`, amountSource(weights))];
    if (of.kind === 'part') this.addPart(of.part, of.share * share, `${of.recipe.id}:`, inside);
    if (of.kind === 'food')
      this.#add(nutrients, share, [...inside, this.source(`food ${of.resolved.food.id}`, foodSource(of.resolved.food))]);
  }

  #add(nutrients: LineFigures['nutrients'], share: number, sources: readonly number[]): void {
    const moves = this.keys.map((key) => (nutrients[key].amount ?? 0) * share);
    if (moves.some((move) => move !== 0)) this.contributions.push({ moves, sources });
  }
}

function amountSource({ method, halfWidth }: NonNullable<LineFigures['weights']>): ErrorSource {
  return { kind: 'amount', relative: UNCERTAINTY_OF_METHOD[method], halfWidth };
}

function foodSource({ source = 'estimate' }: { readonly source?: keyof typeof UNCERTAINTY_OF_SOURCE }): ErrorSource {
  return { kind: 'composition', relative: UNCERTAINTY_OF_SOURCE[source], halfWidth: 0 };
}
