import { migrate, pendingMigrations } from '../database/migrate.js';

// ./portiona upgrade: brings the data up to this version, and says what that was.
try {
  const pending = await pendingMigrations(process.env.DATABASE_URL);
  await migrate(process.env.DATABASE_URL);
  console.log(
    pending.length === 0 ? 'The data is of this version already.' : `The data was brought up to this version: ${pending.join(', ')}.`,
  );
} catch (error) {
  console.error(`portiona: ${error instanceof Error ? error.message : String(error)}; nothing was changed`);
  process.exitCode = 1;
}
