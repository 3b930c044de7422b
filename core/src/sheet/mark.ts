import type { PhotoCrop } from '../recipe/index.js';
import type { Face } from './face.js';
import type { Ink } from './ink.js';

/** Words on a page, in one face and one line. */
export interface TextMark {
  readonly kind: 'text';
  /** Where they begin, on the baseline. */
  readonly x: number;
  readonly y: number;
  readonly words: string;
  readonly face: Face;
  readonly size: number;
  readonly ink: Ink;
  /** As measured: what draws them otherwise wide is to hold to it. */
  readonly width: number;
}

/** A shape, filled or drawn along its edge. */
export interface ShapeMark {
  readonly kind: 'shape';
  /** Path data of SVG, in the page's own units: M, L, H, V, C, A and Z, capital letters only. */
  readonly path: string;
  readonly fill?: Ink;
  readonly stroke?: Ink;
  readonly strokeWidth?: number;
  readonly dash?: readonly [on: number, off: number];
  /** 0 to 1; left out: 1. */
  readonly opacity?: number;
}

/** A part of a photo. */
export interface PhotoMark {
  readonly kind: 'photo';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** What it is asked for by. */
  readonly id: string;
  /** What of it is shown. */
  readonly crop: PhotoCrop;
}

export type Mark = TextMark | ShapeMark | PhotoMark;

/** What a piece of a page is to who hears it read: a heading, a text, a member of a list, a picture; an ornament is nothing. */
export type Role = 'H1' | 'H2' | 'P' | 'LI' | 'Figure' | 'Ornament';

/** A piece of a page, in the order it is read. */
export interface Block {
  readonly role: Role;
  /** Which list it is a member of; lists go on over pages. */
  readonly list?: string;
  /** Which figure's working it opens. */
  readonly figure?: string;
  /** What a picture shows. */
  readonly alt?: string;
  /** The page of a booklet that it leads to, by its anchor. */
  readonly to?: string;
  readonly marks: readonly Mark[];
}

export interface SheetPage {
  readonly blocks: readonly Block[];
  /** How far down it is filled, as a share of the room it has for the card's text. */
  readonly filled: number;
}

/** A card laid out: what preview, print, PDF and picture all draw. */
export interface CardSheet {
  readonly title: string;
  /** Of a page, in points for paper and in pixels for a picture. */
  readonly width: number;
  readonly height: number;
  readonly unit: 'pt' | 'px';
  readonly pages: readonly SheetPage[];
  /** How much smaller or larger its text is than usual: 1 is as usual. */
  readonly scale: number;
  /** Words that had to be cut within: they are longer than a line. */
  readonly torn: readonly string[];
  /** Characters that no font has a shape for. */
  readonly lacking: readonly string[];
}
