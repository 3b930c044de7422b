/** Where the browser keeps things of kitchens: what was not sent yet, what was looked at, what the stove needs without the server. */
const OURS = 'portiona:';
const CACHES = 'portiona-cook-';

/** Names of what is kept here and has not reached the server: unsaved documents and measured weights. */
export async function unsentHere(): Promise<number> {
  const drafts = Object.keys(localStorage).filter((key) => /^portiona:[^:]+:(?:recipe|session|week|food):/.test(key)).length;
  let edits = 0;
  for (const { name } of (await indexedDB.databases?.()) ?? [])
    if (name !== undefined && /^portiona:[^:]+:cook$/.test(name)) edits += await countOf(name);
  return drafts + edits;
}

/** Forgets in this browser whatever is of kitchens and of whoever was signed in, and goes to where one signs in. */
export async function leave(): Promise<void> {
  for (const key of Object.keys(localStorage)) if (key.startsWith(OURS)) localStorage.removeItem(key);
  sessionStorage.clear();
  for (const { name } of (await indexedDB.databases?.().catch(() => [])) ?? []) if (name?.startsWith(OURS)) indexedDB.deleteDatabase(name);
  if ('caches' in window) for (const name of await caches.keys()) if (name.startsWith(CACHES)) await caches.delete(name);
  window.location.assign('/enter');
}

function countOf(name: string): Promise<number> {
  return new Promise((resolve) => {
    const opening = indexedDB.open(name);
    opening.addEventListener('error', () => resolve(0));
    opening.addEventListener('success', () => {
      const database = opening.result;
      if (!database.objectStoreNames.contains('edits')) return resolve(0);
      const counting = database.transaction('edits').objectStore('edits').count();
      counting.addEventListener('success', () => {
        database.close();
        resolve(counting.result);
      });
      counting.addEventListener('error', () => resolve(0));
    });
  });
}
