import { fetchBaseQuery, type BaseQueryFn, type FetchArgs, type FetchBaseQueryError } from '@reduxjs/toolkit/query';
import { nanoid } from '@reduxjs/toolkit';

/** Milliseconds before each further try of something that may be sent again. */
const PAUSES = [500, 1500, 4000];

/** Whatever makes something new: sent twice it is still made once, because the server knows it by its key. */
const CREATES = /^\/api\/(?:recipes|foods|packs|batches|receipts\/prices|imports\/[a-z-]+|recipes\/[^/]+\/published-cards)$/;

const ask = fetchBaseQuery({ baseUrl: '/' });

/**
 * Asks the server. What changes something says what it sends, which no other page could; what makes something new carries a key,
 * and is sent again with it when the server is not reached or has too much to do.
 */
export const steadyQuery: BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError> = async (args, api, extra) => {
  const asked = typeof args === 'string' ? { url: args } : args;
  const { method = 'GET' } = asked;
  if (method === 'GET') return ask(asked, api, extra);
  const headers = new Headers(Object.entries(asked.headers ?? {}).filter((pair): pair is [string, string] => typeof pair[1] === 'string'));
  if (asked.body instanceof Blob) headers.set('content-type', 'text/csv');
  else headers.set('content-type', 'application/json');
  const creates = method === 'POST' && CREATES.test(asked.url);
  if (creates) headers.set('Idempotency-Key', nanoid());
  for (const pause of creates ? PAUSES : []) {
    const answer = await ask({ ...asked, headers }, api, extra);
    if (!answer.error || !isPassing(answer.error)) return answer;
    await new Promise((resolve) => setTimeout(resolve, pause));
    if (api.signal.aborted) return answer;
  }
  return ask({ ...asked, headers }, api, extra);
};

/** A trouble that may be over in a moment: the server was not reached, broke, or has too much to do. */
function isPassing({ status }: FetchBaseQueryError): boolean {
  return status === 'FETCH_ERROR' || status === 500 || status === 502 || status === 503 || status === 504;
}
