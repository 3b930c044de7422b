/**
 * What somebody may do in a kitchen:
 * - read: see its dishes, foods, batches, cards and plans
 * - costs: see what anything costs
 * - comment: write notes
 * - cook: begin, cook, portion and log batches
 * - edit: change dishes, foods, prices, plans and settings
 * - publish: issue cards, and say what readers find
 * - manage: members, tokens of others, the audit log, copying and deleting the kitchen
 */
export const RIGHTS = ['read', 'costs', 'comment', 'cook', 'edit', 'publish', 'manage'] as const;
export type Right = (typeof RIGHTS)[number];

/** What a member of a kitchen is. */
export const ROLES = ['owner', 'editor', 'tester', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

const RIGHTS_OF: Readonly<Record<Role, readonly Right[]>> = {
  owner: RIGHTS,
  editor: ['read', 'costs', 'comment', 'cook', 'edit', 'publish'],
  tester: ['read', 'comment', 'cook'],
  viewer: ['read'],
};

/** What a member may do. @param costs whether a tester or a viewer is let see costs; whoever changes prices sees them anyway */
export function rightsOf(role: Role, costs: boolean): readonly Right[] {
  const rights = RIGHTS_OF[role];
  return costs && !rights.includes('costs') ? [...rights, 'costs'] : rights;
}

/** Whether a role sees costs without being let. */
export function seesCosts(role: Role): boolean {
  return RIGHTS_OF[role].includes('costs');
}

/** The least role that has all of some rights, for saying what is missing. */
export function roleFor(rights: readonly Right[]): Role {
  return ROLES.toReversed().find((role) => rights.every((right) => right === 'costs' || RIGHTS_OF[role].includes(right))) ?? 'owner';
}
