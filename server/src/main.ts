import { makeApp } from './http/makeApp.js';
import { Threads } from './threads/threads.js';

const port = Number(process.env.PORTIONA_PORT ?? 4180);
const app = await makeApp();
// Loopback only: what is here is one person's kitchen.
await app.listen(port, '127.0.0.1');
await app.get(Threads).warm();
