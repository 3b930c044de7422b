import { makeApp } from './http/makeApp.js';

const port = Number(process.env.PORTIONA_PORT ?? 4180);
const app = await makeApp();
// Loopback only: what is here is one person's kitchen.
await app.listen(port, '127.0.0.1');
