import type { CardPublication, Format } from '@portiona/core';

/** Where a kitchen's published cards are read. */
export interface ReadersPlace {
  /** "https://cards.example". */
  readonly origin: string;
  /** What the kitchen chose. */
  readonly name: string;
}

/** What every address of readers begins with. */
export const READERS_PATH = '/read';
/** What is the same in every kitchen; no kitchen can be called so. */
export const SHARED = '-';

/** Formats that a card can be taken along in: papers as PDF, pictures as PNG. */
export const TAKEN_ALONG: readonly (readonly [format: Format, kind: 'pdf' | 'png', name: string])[] = [
  ['a5', 'pdf', 'A5'],
  ['a4', 'pdf', 'A4'],
  ['letter', 'pdf', 'Letter'],
  ['6x4', 'pdf', 'index card'],
  ['portrait', 'png', 'picture'],
  ['square', 'png', 'square picture'],
];

/** An address in a place, within its site: "/read/saltmarsh/cards/dal". */
export function placePath({ name }: Pick<ReadersPlace, 'name'>, ...parts: readonly string[]): string {
  return [READERS_PATH, name, ...parts].map((part, i) => (i === 0 ? part : encodeURIComponent(part))).join('/');
}

/** An address in a place, whole. */
export function placeUrl(place: ReadersPlace, ...parts: readonly string[]): string {
  return `${place.origin}${placePath(place, ...parts)}`;
}

/** Where a card and its pictures are, for programs. */
export function publicationAt(place: ReadersPlace, id: string): Pick<CardPublication, 'url' | 'images'> {
  const pictures = TAKEN_ALONG.filter(([, kind]) => kind === 'png').map(([format, kind]) =>
    placeUrl(place, 'cards', id, `${format}.${kind}`),
  );
  return { url: placeUrl(place, 'cards', id), images: pictures };
}
