import { createCanvas, loadImage, Path2D, type Canvas } from '@napi-rs/canvas';
import { INK, type CardSheet } from '@portiona/core';
import type { Photos } from './drawnSvg.js';
import { outlineOf } from './outline.js';

/** Pixels of a point of paper: 180 to an inch. */
const PIXELS_PER_POINT = 2.5;

/** How fine a JPEG is, of 100. */
const QUALITY = 82;

/** A page as a PNG picture, drawn from the same marks as everything else, letter by letter. */
export async function drawnPng(sheet: CardSheet, page: number, photos: Photos): Promise<Buffer> {
  return (await drawn(sheet, page, photos)).encode('png');
}

/** A page as a JPEG picture: smaller where it is a photo. */
export async function drawnJpeg(sheet: CardSheet, page: number, photos: Photos): Promise<Buffer> {
  return (await drawn(sheet, page, photos)).encode('jpeg', QUALITY);
}

async function drawn(sheet: CardSheet, page: number, photos: Photos): Promise<Canvas> {
  const laid = sheet.pages[page];
  if (!laid) throw new RangeError(`the card has no page ${page + 1}`);
  const scale = sheet.unit === 'pt' ? PIXELS_PER_POINT : 1;
  const canvas = createCanvas(Math.round(sheet.width * scale), Math.round(sheet.height * scale));
  const pen = canvas.getContext('2d');
  pen.fillStyle = '#fff';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.scale(scale, scale);
  for (const mark of laid.blocks.flatMap(({ marks }) => marks)) {
    if (mark.kind === 'text') {
      pen.fillStyle = INK[mark.ink];
      pen.fill(new Path2D(outlineOf(mark)));
    } else if (mark.kind === 'shape') {
      const path = new Path2D(mark.path);
      pen.globalAlpha = mark.opacity ?? 1;
      if (mark.fill) {
        pen.fillStyle = INK[mark.fill];
        pen.fill(path);
      }
      if (mark.stroke) {
        pen.strokeStyle = INK[mark.stroke];
        pen.lineWidth = mark.strokeWidth ?? 1;
        pen.setLineDash(mark.dash ? [...mark.dash] : []);
        pen.stroke(path);
      }
      pen.globalAlpha = 1;
    } else {
      const bytes = photos.get(mark.id);
      if (!bytes) continue;
      const { x, y, width, height, crop } = mark;
      const photo = await loadImage(bytes);
      pen.drawImage(
        photo,
        crop.x * photo.width,
        crop.y * photo.height,
        crop.width * photo.width,
        crop.height * photo.height,
        x,
        y,
        width,
        height,
      );
    }
  }
  return canvas;
}
