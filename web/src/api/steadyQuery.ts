import { fetchBaseQuery, type BaseQueryFn, type FetchArgs, type FetchBaseQueryError } from '@reduxjs/toolkit/query';
import { nanoid } from '@reduxjs/toolkit';
import { kitchenAddress } from './kitchenAtHand';
import { pageHeaders, signedInAs } from './pageToken';
import { problemType } from './problem';
import { noteSignedOut } from './signedOut';
import { TAB, TAB_HEADER } from './tab';

/** Milliseconds before each further try of something that may be sent again. */
const PAUSES = [500, 1500, 4000];

/** Whatever makes something new: sent twice it is still made once, because the server knows it by its key. */
const CREATES = /^\/(?:recipes|foods|packs|batches|receipts\/prices|imports\/[a-z-]+|recipes\/[^/]+\/published-cards)$/;
/** What lets somebody in answers that nobody is signed in where it does not. */
const LETS_IN = /^\/api\/(?:entries|sign-ins|invitations|password-resets)/;

const ask = fetchBaseQuery({ baseUrl: '/' });

/**
 * Asks the server, in the kitchen at hand. What changes something says what it sends, and that this page sends it, which no other could;
 * what makes something new carries a key, and is sent again with it when the server is not reached or has too much to do.
 */
export const steadyQuery: BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError> = async (args, api, extra) => {
  const said = typeof args === 'string' ? { url: args } : args;
  const asked = { ...said, url: said.url.startsWith('/api/') ? said.url : kitchenAddress(said.url) };
  const { method = 'GET' } = asked;
  if (method === 'GET') return noted(asked.url, await askedAgain(() => ask(asked, api, extra), api.signal));
  const headers = new Headers(Object.entries(asked.headers ?? {}).filter((pair): pair is [string, string] => typeof pair[1] === 'string'));
  if (asked.body instanceof Blob) headers.set('content-type', 'text/csv');
  else headers.set('content-type', 'application/json');
  headers.set(TAB_HEADER, TAB);
  const creates = method === 'POST' && CREATES.test(said.url);
  if (creates) headers.set('Idempotency-Key', nanoid());
  const send = async () => {
    for (const [name, text] of Object.entries(await pageHeaders())) headers.set(name, text);
    return ask({ ...asked, headers }, api, extra);
  };
  for (const pause of creates ? PAUSES : []) {
    const answer = await send();
    if (!answer.error || !isPassing(answer.error)) return noted(asked.url, await againIfOlder(answer, send));
    await new Promise((resolve) => setTimeout(resolve, pause));
    if (api.signal.aborted) return answer;
  }
  return noted(asked.url, await againIfOlder(await send(), send));
};

type Answer = Awaited<ReturnType<typeof ask>>;

/** Reads, and reads again in a moment where the server has more to do than it can: nothing was begun. */
async function askedAgain(read: () => PromiseLike<Answer> | Answer, signal: AbortSignal): Promise<Answer> {
  for (const pause of PAUSES) {
    const answer = await read();
    if (answer.error?.status !== 503 || problemType(answer.error) !== 'overloaded') return answer;
    await new Promise((resolve) => setTimeout(resolve, pause));
    if (signal.aborted) return answer;
  }
  return read();
}

/** Signed in anew in another tab, the page says what held before: it asks who it is, and says it again. */
async function againIfOlder(answer: Answer, send: () => Promise<Answer>): Promise<Answer> {
  if (answer.error?.status !== 403 || problemType(answer.error) !== 'other-page') return answer;
  signedInAs(undefined);
  return send();
}

function noted(url: string, answer: Answer): Answer {
  if (answer.error?.status === 401 && !LETS_IN.test(url)) {
    signedInAs(undefined);
    noteSignedOut();
  }
  return answer;
}

/** A trouble that may be over in a moment: the server was not reached, broke, or has too much to do. */
function isPassing({ status }: FetchBaseQueryError): boolean {
  return status === 'FETCH_ERROR' || status === 500 || status === 502 || status === 503 || status === 504;
}
