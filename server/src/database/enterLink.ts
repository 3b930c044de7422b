import { DataSource } from 'typeorm';
import { schemaOptions } from './dataSource.js';
import { makeLink } from '../accounts/accountLinks.js';

/**
 * Makes a link that lets somebody in once, at the machine: by e-mail address, or whoever looks after the installation. Where nobody
 * has an account yet, the first one is made, and owns what kitchens there are.
 *
 * @param owner address by which the database's owner reaches it
 * @returns the link's secret
 * @throws Error that says who is not there
 */
export async function enterLink(owner: string, email?: string): Promise<string> {
  const source = await new DataSource({ ...schemaOptions(owner), migrationsRun: false, poolSize: 1 }).initialize();
  try {
    return await source.transaction(async (manager) => {
      // Two that come at once make one account between them.
      await manager.query('LOCK TABLE accounts IN SHARE ROW EXCLUSIVE MODE');
      const [there] = await manager.query<{ id: string }[]>(
        email === undefined
          ? 'SELECT id FROM accounts WHERE keeper ORDER BY created_at LIMIT 1'
          : 'SELECT id FROM accounts WHERE email = $1',
        email === undefined ? [] : [email.trim().toLowerCase()],
      );
      if (there) return makeLink(manager, 'enter', there.id);
      if (email !== undefined) throw new Error(`nobody has an account under ${email}`);
      const [made] = await manager.query<[{ id: string }]>(`INSERT INTO accounts (name, keeper) VALUES ('Owner', true) RETURNING id`);
      await manager.query(
        `INSERT INTO members (kitchen_id, account_id, role, costs)
         SELECT id, $1, 'owner', true FROM kitchens WHERE NOT EXISTS (SELECT 1 FROM members WHERE kitchen_id = kitchens.id)`,
        [made.id],
      );
      return makeLink(manager, 'enter', made.id);
    });
  } finally {
    await source.destroy();
  }
}
