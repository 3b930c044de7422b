import { MOST_PHOTO_BYTES } from '@portiona/core';

/** Pixels of the longer side, and how fine it is drawn: the first that is small enough is sent. */
const SIDES = [1280, 960, 720];
const QUALITIES = [0.86, 0.72, 0.58];

/**
 * A picture as it is sent: upright, and small. What else its file says stays here.
 *
 * @throws where the browser cannot read it as a picture
 */
export async function shrunkPhoto(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  try {
    let smallest: Blob | undefined;
    for (const side of SIDES) {
      const scale = Math.min(1, side / Math.max(picture.width, picture.height));
      const canvas = drawn(picture, Math.max(1, Math.round(picture.width * scale)), Math.max(1, Math.round(picture.height * scale)));
      for (const quality of QUALITIES) {
        const made = await jpegOf(canvas, quality);
        if (made.size <= MOST_PHOTO_BYTES) return made;
        smallest = made;
      }
    }
    if (!smallest) throw new Error('nothing was drawn');
    return smallest;
  } finally {
    picture.close();
  }
}

function drawn(picture: ImageBitmap, width: number, height: number): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const paper = canvas.getContext('2d');
  if (!paper) throw new Error('nothing can be drawn here');
  // What lets light through lies on white.
  paper.fillStyle = '#fff';
  paper.fillRect(0, 0, width, height);
  paper.imageSmoothingQuality = 'high';
  paper.drawImage(picture, 0, 0, width, height);
  return canvas;
}

function jpegOf(canvas: HTMLCanvasElement, quality: number): Promise<Blob> {
  return new Promise((resolve, reject) => {
    canvas.toBlob((made) => (made ? resolve(made) : reject(new Error('the picture could not be drawn'))), 'image/jpeg', quality);
  });
}
