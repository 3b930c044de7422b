import { DataSource } from 'typeorm';
import { Database } from './database.js';
import { dataSourceOptions } from './dataSource.js';

/** A door of its own to the database, for what runs beside the server. @param connections how many it may have at most */
export async function openDatabase(url: string | undefined, connections: number): Promise<Database> {
  return new Database(await new DataSource(dataSourceOptions(url, connections)).initialize());
}
