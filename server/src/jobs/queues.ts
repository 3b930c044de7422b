import PgBoss from 'pg-boss';

/** The schema that jobs are kept in. */
export const JOBS_SCHEMA = 'jobs';

/** Every queue there is: only the database's owner can make one. */
export const QUEUES = ['bind-cards', 'refresh-prices'] as const;
export type Queue = (typeof QUEUES)[number];

/** Makes the schema that jobs are kept in, and its queues, or brings them up to date. @param owner address by which its owner reaches the database */
export async function prepareQueues(owner: string): Promise<void> {
  const boss = new PgBoss({ connectionString: owner, schema: JOBS_SCHEMA, max: 1, supervise: false, schedule: false });
  boss.on('error', () => undefined);
  await boss.start();
  try {
    const there = new Set((await boss.getQueues()).map(({ name }) => name));
    for (const queue of QUEUES) if (!there.has(queue)) await boss.createQueue(queue);
  } finally {
    await boss.stop({ graceful: false, wait: true });
  }
}
