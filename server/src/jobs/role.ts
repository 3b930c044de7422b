/** What a process of Portiona does: answers requests, does jobs, or both. */
export type Role = 'both' | 'serve' | 'work';

/**
 * What this process is to do: PORTIONA_ROLE, both where it is left out.
 *
 * @throws Error that says what it must be
 */
export function role(environment: NodeJS.ProcessEnv = process.env): Role {
  const said = environment.PORTIONA_ROLE?.trim() || 'both';
  if (said !== 'both' && said !== 'serve' && said !== 'work') throw new Error(`PORTIONA_ROLE is "${said}"; it must be both, serve or work`);
  return said;
}

/** Whether this process does jobs. */
export function works(): boolean {
  return role() !== 'serve';
}
