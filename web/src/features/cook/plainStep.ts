import { piecesOf } from '@portiona/core';

/** A step's words, ingredients by what they are called in it. */
export function plainStep(text: string): string {
  return piecesOf(text)
    .map((piece) => (typeof piece === 'string' ? piece : piece.words))
    .join('');
}
