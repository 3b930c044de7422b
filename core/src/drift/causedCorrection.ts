import { correctionOf, type CardDrift } from '../card/index.js';
import type { DriftCause } from './driftCauses.js';

/**
 * What changed between two issues and why, as sentences for readers; a person's to word.
 *
 * @example 'Energy was 540 kcal, is 560 kcal: the label of Vegetable stock changed.'
 */
export function causedCorrection(drift: readonly CardDrift[], causes: readonly DriftCause[]): string {
  const groups = new Map<string, CardDrift[]>();
  for (const one of drift) {
    const why = causes.flatMap(({ text, moved }) => (moved.some(({ name }) => name === one.name) ? [text] : [])).join(', and ');
    groups.set(why, [...(groups.get(why) ?? []), one]);
  }
  const read = readOtherwise(drift);
  const figures = [...groups]
    .flatMap(([why, own]) => {
      const said = correctionOf(own);
      return said === '' ? [] : [why === '' ? said : `${said.slice(0, -1)}: ${why}.`];
    })
    .join(' ');
  return [figures, read].filter((said) => said !== '').join(' ');
}

/** What is for readers to read anew: "Step 3 and ingredients read otherwise." */
function readOtherwise(drift: readonly CardDrift[]): string {
  const steps = drift.flatMap(({ name }) => /^Step (\d+)$/.exec(name)?.[1] ?? []);
  const named = [
    ...(steps.length === 0 ? [] : [`step${steps.length === 1 ? '' : 's'} ${steps.join(', ')}`]),
    ...(drift.some(({ name }) => name === 'Step') ? ['the method'] : []),
    ...(drift.some(({ name }) => name === 'Ingredient') ? ['the ingredients'] : []),
    ...(drift.some(({ name }) => name === 'Caution') ? ['the cautions'] : []),
  ];
  if (named.length === 0) return '';
  const said = named.length === 1 ? (named[0] ?? '') : `${named.slice(0, -1).join(', ')} and ${named.at(-1) ?? ''}`;
  return `${said.charAt(0).toUpperCase()}${said.slice(1)} changed; read the new card.`;
}
