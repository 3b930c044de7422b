// Keeps what a cook needs when the server is gone: the pages at the stove and in the shop, what they are made of, and the foods they count with. It answers
// from what it kept only where the server does not; a batch itself, and a shopping list, are kept by the page (features/cook/cookStore.ts, features/shopping/shoppingStore.ts).
const KEPT = 'portiona-cook-2';
const OF_A_KITCHEN = /^\/api\/kitchens\/[^/]+(?:\/(?:foods|packs))?$/;
const COOKS = /^\/k\/[^/]+\/cook\//;
const SHOPS = /^\/k\/[^/]+\/plan\/shopping$/;

self.addEventListener('install', () => self.skipWaiting());

self.addEventListener('activate', (event) => {
  const tidy = async () => {
    for (const name of await caches.keys()) if (name.startsWith('portiona-cook-') && name !== KEPT) await caches.delete(name);
    await self.clients.claim();
  };
  event.waitUntil(tidy());
});

// What a page had loaded before this worker was there.
self.addEventListener('message', (event) => {
  const { keep } = event.data ?? {};
  if (!Array.isArray(keep)) return;
  const all = async () => {
    const cache = await caches.open(KEPT);
    for (const path of keep) {
      const address = new URL(path, self.location.origin);
      if (address.origin !== self.location.origin || (await cache.match(keyOf(address)))) continue;
      try {
        await store(cache, keyOf(address), await fetch(address));
      } catch {
        // The server is gone already: what is kept by now has to do.
      }
    }
    event.ports[0]?.postMessage('kept');
  };
  event.waitUntil(all());
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const address = new URL(request.url);
  if (request.method !== 'GET' || address.origin !== self.location.origin) return;
  const isPage = request.mode === 'navigate' && (COOKS.test(address.pathname) || SHOPS.test(address.pathname));
  if (address.pathname.startsWith('/assets/')) event.respondWith(keptFirst(request, address));
  else if (isPage || OF_A_KITCHEN.test(address.pathname)) event.respondWith(keptLast(request, address));
});

/** Every batch of a kitchen has the same page. */
function keyOf(address) {
  return COOKS.exec(address.pathname)?.[0] ?? address.pathname;
}

/** A file whose name changes with its content. */
async function keptFirst(request, address) {
  const cache = await caches.open(KEPT);
  const kept = await cache.match(keyOf(address));
  if (kept) return kept;
  const answer = await fetch(request);
  await store(cache, keyOf(address), answer.clone());
  return answer;
}

/** What is there now; where nobody answers, what was there last. */
async function keptLast(request, address) {
  const cache = await caches.open(KEPT);
  try {
    const answer = await fetch(request);
    await store(cache, keyOf(address), answer.clone());
    return answer;
  } catch (error) {
    const kept = await cache.match(keyOf(address));
    if (kept) return kept;
    throw error;
  }
}

async function store(cache, key, answer) {
  if (answer.ok && answer.type === 'basic') await cache.put(key, answer);
}
