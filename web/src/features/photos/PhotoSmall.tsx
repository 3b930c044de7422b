import type { PhotoTaken } from '@portiona/core';
import { photoAddress } from './photoAddress';
import './photos.css';

/** A photo in passing: beside a row. */
export function PhotoSmall({ photo, of }: { readonly photo: PhotoTaken; readonly of: string }) {
  return (
    <img className="photo-small" src={photoAddress(photo.id)} alt={photo.alt ?? `Photo of ${of}`} width={56} height={42} loading="lazy" />
  );
}
