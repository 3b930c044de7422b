import { DataSource } from 'typeorm';
import { Database } from './database.js';
import { dataSourceOptions } from './dataSource.js';

/**
 * A door of its own to the database, for what runs beside the server.
 *
 * @param connections how many it may have at most
 * @param tell told of statements that took long
 */
export async function openDatabase(
  url: string | undefined,
  connections: number,
  tell?: (milliseconds: number, statement: string) => void,
): Promise<Database> {
  return new Database(await new DataSource(dataSourceOptions(url, connections, tell)).initialize());
}
