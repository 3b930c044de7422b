// Has everything that is fetched from a server be asked as whoever looks after it, in its kitchen: for measurements, which are about what is asked.
import { execFileSync } from 'node:child_process';
import { enterBy, inKitchen, signIn } from './signedIn.mjs';

/** @param {string} address of the server @param {string} database its owner's address; left out: DATABASE_URL @returns who is signed in */
export async function asOwner(address, database = process.env.DATABASE_URL) {
  return asking(address, await signIn(address, database));
}

/** The same for a server that the command has started. @param {string} command ./portiona @param env what it was started with */
export async function asOwnerOf(address, command, env) {
  const said = execFileSync(command, ['link'], { env, encoding: 'utf8' });
  return asking(address, await enterBy(address, /#(\S+)/.exec(said)[1]));
}

function asking(address, me) {
  const plain = globalThis.fetch;
  globalThis.fetch = (asked, options = {}) => {
    const url = String(asked);
    if (!url.startsWith(`${address}/api/`)) return plain(asked, options);
    return plain(address + inKitchen(me.kitchen, url.slice(address.length)), {
      ...options,
      headers: { ...me.headers, ...options.headers },
    });
  };
  return me;
}

/** Signs a browser's page in. */
export async function signPageIn(page, address, { headers }) {
  const [name, value] = headers.cookie.split('=');
  await page.context().addCookies([{ name, value, url: address }]);
}
