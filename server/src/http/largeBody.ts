/** A JSON body too large to be parsed beside other requests: it is read in a thread. */
export class LargeBody {
  constructor(readonly bytes: Uint8Array<ArrayBuffer>) {}
}

/** What a route is given of its body: parsed, or too large for that. */
export type SentBody = object | LargeBody | undefined;
