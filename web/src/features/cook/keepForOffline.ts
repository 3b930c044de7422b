import { kitchenAddress } from '../../api/kitchenAtHand';
/**
 * Has a service worker keep this page, what it is made of, and the foods it counts with, so that the stove goes on without the server.
 *
 * @returns whether all of it is kept; a browser without service workers keeps none of it
 */
export async function keepForOffline(): Promise<boolean> {
  if (!('serviceWorker' in navigator)) return false;
  try {
    await navigator.serviceWorker.register('/cookWorker.js');
    const { active } = await navigator.serviceWorker.ready;
    if (!active) return false;
    const loaded = performance
      .getEntriesByType('resource')
      .map(({ name }) => new URL(name))
      .filter(({ origin, pathname }) => origin === location.origin && pathname.startsWith('/assets/'))
      .map(({ pathname }) => pathname);
    const keep = [location.pathname, kitchenAddress('/'), kitchenAddress('/foods'), kitchenAddress('/packs'), ...new Set(loaded)];
    return await new Promise((resolve) => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = () => resolve(true);
      active.postMessage({ keep }, [port2]);
    });
  } catch {
    return false;
  }
}
