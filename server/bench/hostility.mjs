// Some thousands of hostile requests, what came of them, and what they cost.
import { nearlyRight, thingsThere } from './hostileBodies.mjs';
import { hostileRequests, isBroken } from './hostileRequests.mjs';
import { megabytes, memoryOf, milliseconds, pause, watched } from './watch.mjs';

const AT_ONCE = 8;
/** Until threads with nothing to do are let go, and a collection has come by. */
const SETTLING = 150_000;

/** @param api the OpenAPI document */
export async function hostility({ address, pid, kitchen, ask }, api) {
  const sent = async (path, body) => (await ask(path, body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) })).json();
  const requests = [...hostileRequests(api.paths, kitchen), ...nearlyRight(api, kitchen, await thingsThere(sent))];
  const send = async ({ method, url, body, type }) => {
    const answer = await fetch(address + url, {
      method,
      signal: AbortSignal.timeout(60_000),
      ...(type === undefined ? {} : { headers: { 'content-type': type } }),
      ...(body === undefined ? {} : { body }),
    });
    await answer.arrayBuffer();
    return { status: answer.status, broken: isBroken(answer.status, answer.headers.get('content-type')) };
  };
  // Once over, so that what is kept for good is there before it is measured.
  for (const request of requests.slice(0, 300)) await send(request).catch(() => undefined);
  await pause(SETTLING);
  const before = memoryOf(pid).now;
  const counts = {};
  const broken = [];
  const waiting = [...requests];
  const take = async () => {
    for (let next = waiting.pop(); next; next = waiting.pop()) {
      const answer = await send(next).catch((error) => ({ status: String(error), broken: true }));
      counts[answer.status] = (counts[answer.status] ?? 0) + 1;
      if (answer.broken)
        broken.push(`${next.method} ${next.url.slice(0, 60)} ${next.name ?? String(next.body).slice(0, 40)}: ${answer.status}`);
    }
  };
  const { took, longest } = await watched(address, () => Promise.all(Array.from({ length: AT_ONCE }, take)));
  const height = memoryOf(pid).most;
  await pause(SETTLING);
  const after = memoryOf(pid).now;
  console.log(`${requests.length} requests in ${milliseconds(took)}: ${JSON.stringify(counts)}`);
  for (const one of broken) console.log(`broken: ${one}`);
  console.log(`health waits ${milliseconds(longest)} at most`);
  console.log(`memory ${megabytes(before)} before, ${megabytes(height)} at its height, ${megabytes(after)} some time after`);
  return { broken: broken.length, longest, grown: after - before };
}
