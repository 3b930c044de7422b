import { createJimp } from '@jimp/core';
import jpeg from '@jimp/js-jpeg';
import png from '@jimp/js-png';
import { methods as resizing } from '@jimp/plugin-resize';
import { MOST_PHOTO_BYTES } from '@portiona/core';
import { imageSize } from 'image-size';
import { UnreadablePhotoError } from '../http/problems.js';
import { isPlainJpeg, withoutProfile } from './plainJpeg.js';

const Jimp = createJimp({ formats: [jpeg, png], plugins: [resizing] });

/** Pixels of a side as it is kept, at most. */
const LONGEST = 1280;
/** Millions of pixels that are taken apart, at most: more than a camera of a phone makes by default. */
const MOST_MEGAPIXELS = 26;
/** How large and how fine it is drawn: the first that is small enough is kept. */
const SIDES = [LONGEST, 960, 720, 540];
const QUALITIES = [84, 68, 54];
/** What these bytes begin as is asked of the bytes, never of a name. */
const KINDS: ReadonlySet<string | undefined> = new Set(['jpg', 'png']);

/** A picture as it is kept. */
export interface KeptPicture {
  readonly jpeg: Buffer;
  readonly width: number;
  readonly height: number;
}

/**
 * A picture as it is kept: upright, at most 1280 pixels a side, as a JPEG of at most 200 kB that holds nothing but the picture. One
 * that is such already stays as it is, byte for byte.
 *
 * @param bytes a JPEG or PNG
 * @throws UnreadablePhotoError
 */
export async function keptPicture(bytes: Uint8Array): Promise<KeptPicture> {
  const { width, height } = sizeOf(bytes);
  const lean = withoutProfile(bytes);
  if (isPlainJpeg(lean) && lean.length <= MOST_PHOTO_BYTES && Math.max(width, height) <= LONGEST)
    return { jpeg: Buffer.from(lean), width, height };
  const image = await read(bytes);
  for (const side of SIDES) {
    if (Math.max(image.width, image.height) > side) image.resize(image.width >= image.height ? { w: side } : { h: side });
    onWhite(image.bitmap.data);
    // The pixels alone: what else the file said came along with them.
    const plain = new Jimp({ width: image.width, height: image.height, data: image.bitmap.data });
    for (const quality of QUALITIES) {
      const made = await plain.getBuffer('image/jpeg', { quality });
      if (made.length <= MOST_PHOTO_BYTES && isPlainJpeg(made)) return { jpeg: made, width: image.width, height: image.height };
    }
  }
  throw new UnreadablePhotoError('it stays larger than 200 kB however it is drawn; take a part of it');
}

/** @throws UnreadablePhotoError */
function sizeOf(bytes: Uint8Array): { readonly width: number; readonly height: number } {
  let size;
  try {
    size = imageSize(bytes);
  } catch (error) {
    throw new UnreadablePhotoError('it is no picture; send a JPEG or a PNG', { cause: error });
  }
  if (!KINDS.has(size.type))
    throw new UnreadablePhotoError(`it is a picture of a kind that is not read (${size.type ?? 'unknown'}); send a JPEG or a PNG`);
  if (size.width * size.height > MOST_MEGAPIXELS * 1e6)
    throw new UnreadablePhotoError(`it has more than ${MOST_MEGAPIXELS} million pixels; make it smaller, then send it again`);
  return size;
}

/** @throws UnreadablePhotoError */
async function read(bytes: Uint8Array) {
  try {
    return await Jimp.fromBuffer(Buffer.from(bytes), { 'image/jpeg': { maxResolutionInMP: MOST_MEGAPIXELS, maxMemoryUsageInMB: 768 } });
  } catch (error) {
    throw new UnreadablePhotoError('it is broken, or breaks off; take it anew', { cause: error });
  }
}

/** What lets light through lies on white: a JPEG knows no such thing, and black would stand for it. */
function onWhite(data: Uint8Array): void {
  for (let i = 3; i < data.length; i += 4) {
    const through = 255 - (data[i] ?? 255);
    if (through === 0) continue;
    for (let c = i - 3; c < i; c++) data[c] = Math.round(((data[c] ?? 0) * (255 - through)) / 255 + through);
    data[i] = 255;
  }
}
