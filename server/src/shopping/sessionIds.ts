/** Sessions of an address: ids, separated by commas. */
export function sessionIds(sessions: string | undefined): string[] {
  return [...new Set((sessions ?? '').split(',').filter((id) => id !== ''))];
}
