/** Shapes that a dish's photo is cut to by hand: a band across a page, upright, and square. */
export const PHOTO_SHAPES = ['band', 'upright', 'square'] as const;
export type PhotoShape = (typeof PHOTO_SHAPES)[number];

/** A part of a picture: shares of its width and height, from its upper left corner. */
export interface PhotoCrop {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The photo of a dish. */
export interface DishPhoto {
  /** What it is asked for by. */
  readonly id: string;
  /** What is to be seen, for who does not see it. */
  readonly alt?: string;
  /** What of it is shown, by shape; left out: what fits around its middle. */
  readonly crops?: { readonly [shape in PhotoShape]?: PhotoCrop };
}
