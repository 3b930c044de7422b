import supertest from 'supertest';
import { addressIn, requestsTo, signedIn, testServer, type SignedIn } from './testServer.js';

export type Server = Awaited<ReturnType<typeof testServer>>;
type Role = 'owner' | 'editor' | 'tester' | 'viewer';

/** A password that is not guessed at once. */
export const PASSWORD = 'barley kettle north window';

/** Somebody new who joins the kitchen at hand by an invitation. */
export async function joined(server: Server, role: Role, { costs = false, name = String(role) } = {}) {
  const { body } = (await server.http.post(`${server.kitchen}/invitations`).send({ role, costs }).expect(201)) as { body: object };
  const link = (body as { link: string }).link.split('#')[1];
  const email = `${name.toLowerCase().replaceAll(' ', '.')}-${Math.random().toString(36).slice(2, 8)}@harbour.example`;
  const answer = await supertest(server.address)
    .post('/api/invitations/taken')
    .set('Content-Type', 'application/json')
    .send({ link, name, email, password: PASSWORD })
    .expect(200);
  const me = signedIn(answer);
  return { ...me, email, id: (answer.body as { id: string }).id, http: requestsTo(server.address, me) };
}

/** Somebody with a kitchen of their own on the same server, and no member of the one at hand. */
export async function stranger(server: Server, name = 'Stranger') {
  const one = await joined(server, 'viewer', { name });
  const { body } = (await one.http
    .post('/api/kitchens')
    .send({ name: `${name}’s kitchen` })
    .expect(201)) as { body: object };
  await one.http.delete('/api/membership').expect(204);
  const kitchen = `/api/kitchens/${(body as { key: string }).key}`;
  const me: SignedIn = { headers: one.headers, kitchen };
  return { ...one, ...me, http: requestsTo(server.address, me) };
}

/** An address of a kitchen for somebody who is at hand elsewhere. */
export function inKitchenOf({ kitchen }: SignedIn, address: string): string {
  return addressIn(kitchen, address);
}
