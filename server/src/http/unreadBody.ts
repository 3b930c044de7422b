/** A JSON body as it was sent, left for a thread to read: too large to be parsed beside other requests, or read entry by entry. */
export class UnreadBody {
  constructor(readonly bytes: Uint8Array<ArrayBuffer>) {}
}

/** What a route is given of its body: parsed, or as it was sent. */
export type SentBody = object | UnreadBody | undefined;
