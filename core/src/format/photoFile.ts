import { Id, must } from './constraints.js';

/** Bytes of a photo at most, as it is kept. */
export const MOST_PHOTO_BYTES = 200_000;

/** A photo, by its name. */
export class PhotoEntry {
  @Id() id: string;
  @Jpeg() jpeg: string;
}

/** A photo as the kitchen file holds it. */
export type WrittenPhoto = Pick<PhotoEntry, 'id' | 'jpeg'>;

/** What every JPEG begins with, in base64. */
const JPEG_BEGINS = '/9j/';

function Jpeg(): PropertyDecorator {
  const most = 4 * Math.ceil(MOST_PHOTO_BYTES / 3);
  return must(
    `must be a JPEG of at most ${MOST_PHOTO_BYTES / 1000} kB in base64`,
    (found) =>
      typeof found === 'string' &&
      found.length <= most &&
      found.length % 4 === 0 &&
      found.startsWith(JPEG_BEGINS) &&
      /^[A-Za-z0-9+/]+={0,2}$/.test(found),
    { type: 'string', contentEncoding: 'base64', contentMediaType: 'image/jpeg', maxLength: most },
  );
}
