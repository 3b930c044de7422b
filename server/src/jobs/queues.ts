import PgBoss from 'pg-boss';

/** The schema that jobs are kept in. */
export const JOBS_SCHEMA = 'jobs';

/** Every queue there is: only the database's owner can make one. */
export const QUEUES = ['bind-cards', 'refresh-prices', 'take-tables', 'draw'] as const;
export type Queue = (typeof QUEUES)[number];

/** A queue holds a run once while it waits, however often it is given out. */
const POLICY = 'short';

/** Makes the schema that jobs are kept in, and its queues, or brings them up to date. @param owner address by which its owner reaches the database */
export async function prepareQueues(owner: string): Promise<void> {
  const boss = new PgBoss({ connectionString: owner, schema: JOBS_SCHEMA, max: 1, supervise: false, schedule: false });
  boss.on('error', () => undefined);
  await boss.start();
  try {
    const there = new Map((await boss.getQueues()).map(({ name, policy }) => [name, policy]));
    for (const name of QUEUES) {
      const policy = there.get(name);
      if (policy === POLICY) continue;
      // What waits in a queue of another kind is given out again from its rows.
      if (policy !== undefined) await boss.deleteQueue(name);
      await boss.createQueue(name, { name, policy: POLICY });
    }
  } finally {
    await boss.stop({ graceful: false, wait: true });
  }
}
