/** An e-mail address as accounts are known by: as it is said, in small letters. */
export function emailOf(said: string): string {
  return said.trim().normalize('NFKC').toLowerCase();
}
