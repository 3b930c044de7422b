import { cardSeries, type CardContent } from '@portiona/core';
import { hyphened } from '../http/hyphened.js';

/** A card that readers may have: the newest issue, not taken back, of a dish not put away. */
export interface OutCard {
  readonly recipe: string;
  readonly issue: number;
  readonly content: CardContent;
  /** ISO times. */
  readonly first: string;
  readonly published: string;
}

/** Orders that the index can be read in. */
export const READING_ORDERS = ['series', 'newest', 'protein', 'energy', 'cost'] as const;
export type ReadingOrder = (typeof READING_ORDERS)[number];

/** Cards under one heading; empty: of no series, or all of them. */
export interface OutGroup {
  readonly series: string;
  readonly cards: readonly OutCard[];
}

/** Cards by their series, each by its number; those of none come last. */
export function bySeries(cards: readonly OutCard[]): readonly OutGroup[] {
  const groups = new Map<string, OutCard[]>();
  for (const card of cards) {
    const { name } = cardSeries(card.content.series);
    groups.set(name, [...(groups.get(name) ?? []), card]);
  }
  const number = ({ content }: OutCard) => cardSeries(content.series).number ?? Infinity;
  return [...groups]
    .sort(([a], [b]) => (a === '' ? 1 : b === '' ? -1 : a.localeCompare(b, 'en')))
    .map(([series, own]) => ({
      series,
      cards: own.toSorted((a, b) => number(a) - number(b) || a.content.title.localeCompare(b.content.title, 'en')),
    }));
}

/** Cards in an order; what does not say its figure comes last. */
export function inOrder(cards: readonly OutCard[], order: ReadingOrder): readonly OutGroup[] {
  if (order === 'series') return bySeries(cards);
  const keyed = cards.map((card) => ({ card, key: keyOf(card, order) }));
  keyed.sort((a, b) => a.key - b.key || a.card.content.title.localeCompare(b.card.content.title, 'en'));
  return [{ series: '', cards: keyed.map(({ card }) => card) }];
}

function keyOf({ content, published }: OutCard, order: Exclude<ReadingOrder, 'series'>): number {
  if (order === 'newest') return -Date.parse(published);
  const figure =
    order === 'energy' ? content.energy : order === 'cost' ? content.used : content.macros.find((one) => one.figure === 'protein');
  const amount = Number(/\d+(?:\.\d+)?/.exec(figure?.text ?? '')?.[0] ?? Number.NaN);
  if (Number.isNaN(amount)) return Infinity;
  return order === 'protein' ? -amount : amount;
}

/** A series as an address has it: words of letters and numbers, joined; of those that would be the same, each its own. */
export function seriesSlugs(names: readonly string[]): ReadonlyMap<string, string> {
  const taken = new Set<string>();
  return new Map(
    names.map((name) => {
      const plain = hyphened(name, { otherwise: 'series' });
      let slug = plain;
      for (let n = 2; taken.has(slug); n++) slug = `${plain}-${n}`;
      taken.add(slug);
      return [name, slug];
    }),
  );
}
