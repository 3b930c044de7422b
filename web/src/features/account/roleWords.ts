import type { OwnKitchenDto } from '../../api/api.gen';

export type Role = OwnKitchenDto['role'];

/** What each role may do, in a line. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  owner: 'everything, members and deleting it too',
  editor: 'changes dishes, prices and plans, publishes cards',
  tester: 'cooks, portions, logs and writes notes',
  viewer: 'looks',
};

export const ROLES: readonly Role[] = ['owner', 'editor', 'tester', 'viewer'];

/** Whether costs are shown to a role by itself. */
export function seesCosts(role: Role): boolean {
  return role === 'owner' || role === 'editor';
}
