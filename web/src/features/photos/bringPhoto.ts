import { shrunkPhoto } from './shrunkPhoto';
import { kitchenAddress } from '../../api/kitchenAtHand';
import { pageHeaders } from '../../api/pageToken';

/** What came of bringing a photo: the name it is kept under, or why it was not taken. */
export type Brought = { readonly ok: true; readonly id: string } | { readonly ok: false; readonly because: string };

/** Makes a photo small and upright here, and has the server keep it. */
export async function bringPhoto(file: Blob): Promise<Brought> {
  let small: Blob;
  try {
    small = await shrunkPhoto(file);
  } catch {
    return { ok: false, because: 'That is no picture that can be read here. Choose a JPEG or a PNG.' };
  }
  try {
    const answer = await fetch(kitchenAddress('/photos'), {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream', ...(await pageHeaders()) },
      body: small,
    });
    const told = (await answer.json()) as { readonly id?: string; readonly detail?: string };
    if (answer.ok && told.id !== undefined) return { ok: true, id: told.id };
    return { ok: false, because: `The photo was not taken: ${told.detail ?? 'the server cannot keep it'}.` };
  } catch {
    return { ok: false, because: 'The server does not answer, and the photo was not taken. Choose it again once it does.' };
  }
}
