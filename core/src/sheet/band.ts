import type { CardContent } from '../card/index.js';
import type { PhotoCrop, PhotoShape } from '../recipe/index.js';
import { boxDrawing } from './boxDrawing.js';
import type { Looks } from './looks.js';
import type { Block } from './mark.js';
import { filled } from './shapes.js';
import type { Setting } from './stack.js';

/** Pixels of a picture. */
export interface PictureSize {
  readonly width: number;
  readonly height: number;
}

/** A field of a page where the dish is to be seen. */
export interface BandPlace {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** What of it nothing else lies on: the drawing of the box keeps to that. */
  readonly clear: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** The dish: its photo, cut to the shape by hand or around its middle; without one a box of it from above, to scale. */
export function band(
  card: CardContent,
  place: BandPlace,
  shape: PhotoShape,
  photo: PictureSize | undefined,
  looks: Looks,
  setting: Setting,
): readonly Block[] {
  const { x, y, width, height, clear } = place;
  if (card.photo && photo)
    return [
      {
        role: 'Figure',
        alt: card.photo.alt ?? card.title,
        marks: [{ kind: 'photo', x, y, width, height, id: card.photo.id, crop: cropFor(card.photo.crops?.[shape], photo, width / height) }],
      },
    ];
  const ground: Block = { role: 'Ornament', marks: [filled(x, y, width, height, 'cloth')] };
  if (card.intoEachBox.length === 0) return [ground];
  const [long, short] = [Math.max(clear.width, clear.height), Math.min(clear.width, clear.height)];
  const margin = 0.11 * short;
  // As long as there is room, and neither a strip nor a square.
  const high = short - 2 * margin;
  const wide = Math.min(long - 2 * margin, high * 1.9);
  const [boxWidth, boxHeight] = clear.height > clear.width ? [high, wide] : [wide, high];
  return [
    ground,
    ...boxDrawing(
      card,
      { x: clear.x + (clear.width - boxWidth) / 2, y: clear.y + (clear.height - boxHeight) / 2, width: boxWidth, height: boxHeight },
      looks,
      setting,
    ),
  ];
}

/**
 * The largest part of a picture that has a shape, within what was chosen of it by hand.
 *
 * @param ratio width over height of the field
 */
export function cropFor(chosen: PhotoCrop | undefined, { width, height }: PictureSize, ratio: number): PhotoCrop {
  const within = {
    x: Math.min(1, Math.max(0, chosen?.x ?? 0)),
    y: Math.min(1, Math.max(0, chosen?.y ?? 0)),
    width: 0,
    height: 0,
  };
  within.width = Math.min(1 - within.x, chosen?.width ?? 1);
  within.height = Math.min(1 - within.y, chosen?.height ?? 1);
  const [wide, high] = [within.width * width, within.height * height];
  const cutWide = Math.min(wide, high * ratio) / width;
  const cutHigh = Math.min(high, wide / ratio) / height;
  return {
    x: within.x + (within.width - cutWide) / 2,
    y: within.y + (within.height - cutHigh) / 2,
    width: cutWide,
    height: cutHigh,
  };
}
