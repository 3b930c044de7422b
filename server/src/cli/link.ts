import { enterLink } from '../database/enterLink.js';

// ./portiona link [EMAIL]: prints an address that lets somebody in once. PORTIONA_ADDRESS is what it begins with.
const { DATABASE_URL: database, PORTIONA_ADDRESS: address } = process.env;
try {
  if (database === undefined || address === undefined) throw new Error('DATABASE_URL and PORTIONA_ADDRESS have to be set');
  console.log(`${address}/enter#${await enterLink(database, process.argv[2])}`);
} catch (error) {
  console.error(`portiona: ${error instanceof Error ? error.message : String(error)}`);
  process.exitCode = 1;
}
