import { schemaOptions } from './dataSource.js';

/** Names of every migration that this version knows, in their order: what a backup is held against. */
export function migrationNames(): string[] {
  const all = schemaOptions(undefined).migrations as unknown as readonly (new () => { readonly name: string })[];
  return all.map((Migration) => new Migration().name);
}
