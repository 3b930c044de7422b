import { pendingMigrations } from '../database/migrate.js';

// What has to be done to data of an earlier version before this one can use it, a name a line; nothing where there is no data yet.
try {
  for (const name of await pendingMigrations(process.env.DATABASE_URL)) console.log(name);
} catch (error) {
  console.error(`portiona: ${error instanceof Error ? error.message : String(error)}`);
  process.exitCode = 1;
}
