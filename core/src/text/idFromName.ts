import { normalForm } from '../quantity/index.js';
/**
 * An id made from a name: lower-case letters, digits and hyphens, accents dropped.
 *
 * @param taken ids that are in use; a number is added until it is none of them
 * @example idFromName('Crème fraîche, 30 %', new Set()) // 'creme-fraiche-30'
 */
export function idFromName(name: string, taken: ReadonlySet<string>): string {
  const bare =
    normalForm(name, 'NFD')
      .replace(/[\u0300-\u036f]/g, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 80)
      .replace(/-$/, '') || 'unnamed';
  let id = bare;
  for (let n = 2; taken.has(id); n++) id = `${bare}-${n}`;
  return id;
}
