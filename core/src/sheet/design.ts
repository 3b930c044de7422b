import type { CardContent } from '../card/index.js';
import type { PictureSize } from './band.js';
import type { Typesetter } from './face.js';
import type { Edition } from './signature.js';

/** What a card can be laid out as. */
export const DESIGNS = ['docket', 'page', 'index', 'picture'] as const;
export type Design = (typeof DESIGNS)[number];

/** What each design can be printed on; the first is usual. */
export const FORMATS = {
  docket: ['a5'],
  page: ['a4', 'letter'],
  index: ['6x4'],
  picture: ['portrait', 'square'],
} as const satisfies Readonly<Record<Design, readonly string[]>>;
export type Format = (typeof FORMATS)[Design][number];

/** Every format, with the design it is of. */
export const FORMAT_TABLE = {
  a5: { design: 'docket', name: 'A5', width: 419.53, height: 595.28, unit: 'pt' },
  a4: { design: 'page', name: 'A4', width: 595.28, height: 841.89, unit: 'pt' },
  letter: { design: 'page', name: 'Letter', width: 612, height: 792, unit: 'pt' },
  '6x4': { design: 'index', name: '6 × 4 in', width: 432, height: 288, unit: 'pt' },
  portrait: { design: 'picture', name: '1080 × 1350', width: 1080, height: 1350, unit: 'px' },
  square: { design: 'picture', name: '1080 × 1080', width: 1080, height: 1080, unit: 'px' },
} as const satisfies Readonly<Record<Format, { design: Design; name: string; width: number; height: number; unit: 'pt' | 'px' }>>;

export const FORMAT_NAMES = Object.keys(FORMAT_TABLE) as readonly Format[];

/** A card that is to be laid out. */
export interface ToLay {
  /** As it is read: its numbers in its language. */
  readonly card: CardContent;
  readonly format: Format;
  readonly edition?: Edition;
  /** Pixels of its photo, where it has one. */
  readonly photo?: PictureSize;
  readonly set: Typesetter;
}
