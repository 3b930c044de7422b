// Signs in at a running server as whoever looks after it, by a link as the command line prints one: for tests, measurements and the demo.

/** Makes a link at the database, and opens it. @param {string} address of the server @param {string} database its owner's address */
export async function signIn(address, database) {
  const { enterLink } = await import('../server/dist/database/enterLink.js');
  return enterBy(address, await enterLink(database));
}

/**
 * Opens a link.
 *
 * @returns headers that say who asks, the kitchen's key, where its addresses begin ("/api/kitchens/KEY"), and `ask` for addresses as the
 *   page says them ("/api/recipes" is the kitchen's)
 */
export async function enterBy(address, link) {
  const answer = await fetch(`${address}/api/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ link }),
  });
  if (!answer.ok) throw new Error(`nobody was let in: ${await answer.text()}`);
  const { pageToken, kitchens } = await answer.json();
  const [cookie] = answer.headers.get('set-cookie').split(';');
  const headers = { cookie, 'x-portiona-page': pageToken };
  const [{ key }] = kitchens;
  const kitchen = `/api/kitchens/${key}`;
  return {
    headers,
    key,
    kitchen,
    ask: (path, options = {}) =>
      fetch(address + inKitchen(kitchen, path), {
        ...options,
        headers: { ...(options.method === undefined ? {} : { 'content-type': 'application/json' }), ...headers, ...options.headers },
      }),
  };
}

/** An address as the page says it: the kitchen's, unless it is of none. */
export function inKitchen(kitchen, path) {
  if (/^\/(?!api\/)|^\/api\/(?:kitchens|me|entries|health|status)(?=[/?]|$)/.test(path)) return path;
  return /^\/api\/kitchen(?=[/?]|$)/.test(path) ? path.replace('/api/kitchen', kitchen) : path.replace('/api', kitchen);
}
