/**
 * Words as an address or a file has them: small, without accents, joined by hyphens.
 *
 * @param plain of the letters a to z and numbers alone; else letters of any script
 * @param otherwise where nothing is left of them
 * @example hyphened('Crème & Salt', { otherwise: 'card' }) // 'creme-salt'
 */
export function hyphened(words: string, { plain = false, otherwise }: { readonly plain?: boolean; readonly otherwise: string }): string {
  const small = words.normalize('NFKD').toLowerCase().replace(/\p{M}/gu, '');
  const joined = small
    .split(plain ? /[^a-z0-9]/ : /[^\p{L}\p{N}]/u)
    .filter((word) => word !== '')
    .join('-')
    .slice(0, LONGEST)
    .replace(/-$/, '');
  return joined === '' ? otherwise : joined;
}

const LONGEST = 60;
