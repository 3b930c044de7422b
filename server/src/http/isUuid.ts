/** Whether an id from outside is one of those the database makes; it refuses to compare anything else with them. */
export function isUuid(id: string): boolean {
  return /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(id);
}
