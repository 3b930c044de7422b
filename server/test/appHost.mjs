// Servers for tests, in a process of its own: what they are made of is loaded once for many files of tests.
// Made by `globalSetup.mjs`, one for each worker; asked over loopback by `testServer.ts`.
import { createServer } from 'node:http';
import { enterLink } from '../dist/database/enterLink.js';
import { makeApp } from '../dist/http/makeApp.js';

const apps = new Map();
let last = 0;

/** @param {{ environment: Record<string, string> }} wanted what the server is to find in its environment */
async function make({ environment }) {
  for (const name of Object.keys(process.env)) if (name.startsWith('PORTIONA_')) delete process.env[name];
  Object.assign(process.env, environment);
  const app = await makeApp();
  await app.listen(0, '127.0.0.1');
  const id = String(++last);
  apps.set(id, app);
  const link = await enterLink(environment.DATABASE_URL);
  return { id, address: `http://127.0.0.1:${app.getHttpServer().address().port}`, link };
}

const host = createServer((request, response) => {
  const answer = (status, body) => response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
  let text = '';
  request.on('data', (chunk) => (text += chunk));
  request.on('end', () => {
    const id = request.url.slice(1);
    const done = request.method === 'DELETE' ? Promise.resolve(apps.get(id)?.close()).then(() => apps.delete(id)) : make(JSON.parse(text));
    done.then(
      (made) => answer(200, made),
      (error) => answer(500, { message: String(error?.stack ?? error) }),
    );
  });
});
host.listen(0, '127.0.0.1', () => process.send?.({ port: host.address().port }));
process.once('disconnect', () => process.exit());
