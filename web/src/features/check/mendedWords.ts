import { wordsAt, type Finding, type Kitchen, type Mend, type Recipe } from '@portiona/core';

/** The words of a place with a mend drawn in: what stays, what goes, what comes, what stays. */
export interface MendedWords {
  readonly before: string;
  readonly gone: string;
  readonly come: string;
  readonly behind: string;
  /** Nothing is drawn in: `come` is what stands there and is meant. */
  readonly isQuote?: true;
}

/** Letters of what stays that are shown on either side. */
const AROUND = 70;

/** The recipe's own words where a finding stands, with its mend drawn in; without a mend, with what it is about marked as gone is not. */
export function mendedWords(finding: Finding, mend: Mend | undefined, recipe: Recipe, kitchen: Kitchen): MendedWords | undefined {
  if (mend?.kind === 'text') return wordsChanged(wordsAt(mend.at, recipe, kitchen), mend.text);
  if (mend?.kind === 'storage') return ofStorage(mend, recipe);
  if (mend?.kind === 'minutes') return ofMinutes(mend, recipe);
  return quoted(finding, wordsAt(finding.at, recipe, kitchen));
}

/** What differs between two texts, whole words of it. */
export function wordsChanged(was: string, is: string): MendedWords {
  const [old, fresh] = [wordsIn(was), wordsIn(is)];
  let same = 0;
  while (same < old.length && same < fresh.length && old[same] === fresh[same]) same += 1;
  let end = 0;
  while (end < old.length - same && end < fresh.length - same && old.at(-1 - end) === fresh.at(-1 - end)) end += 1;
  const joined = (words: readonly string[]) => plain(words.join(''));
  return {
    before: tail(joined(old.slice(0, same))),
    gone: joined(old.slice(same, old.length - end)),
    come: joined(fresh.slice(same, fresh.length - end)),
    behind: head(joined(old.slice(old.length - end))),
  };
}

function wordsIn(text: string): string[] {
  return text.match(/\s+|\{[^{}]*\}|[\p{L}\p{N}’'°]+|[^\s\p{L}\p{N}’'°]/gu) ?? [];
}

/** Mentions by what they are called. */
function plain(text: string): string {
  return text.replace(/\{~?[^{} ]+ ([^{}]*)\}/g, '$1').replace(/\{~?[^{}]*\}/g, '…');
}

function tail(text: string): string {
  return text.length <= AROUND ? text : `… ${text.slice(-AROUND).replace(/^\S*\s/, '')}`;
}

function head(text: string): string {
  return text.length <= AROUND ? text : `${text.slice(0, AROUND).replace(/\s\S*$/, '')} …`;
}

function ofStorage({ fridgeDays, freezes, reheat }: Extract<Mend, { kind: 'storage' }>, { storage = {} }: Recipe): MendedWords {
  if (fridgeDays !== undefined) return { before: 'Fridge: ', gone: days(storage.fridgeDays ?? 0), come: days(fridgeDays), behind: '' };
  if (freezes !== undefined) return { before: 'Freezer: ', gone: 'freezes', come: 'does not freeze', behind: '' };
  return { before: 'Reheating: ', gone: storage.reheat ?? '', come: reheat ?? '', behind: '' };
}

function days(count: number): string {
  return count === 1 ? '1 day' : `${count} days`;
}

function ofMinutes({ activeMinutes, totalMinutes }: Extract<Mend, { kind: 'minutes' }>, recipe: Recipe): MendedWords {
  const [name, was, is] =
    activeMinutes === undefined ? ['In all: ', recipe.totalMinutes, totalMinutes] : ['Work: ', recipe.activeMinutes, activeMinutes];
  return { before: name, gone: was === undefined ? '' : `${was} min`, come: `${is} min`, behind: '' };
}

/** The place's words around what the finding quotes; nothing where it quotes nothing of them. */
function quoted({ message }: Finding, words: string): MendedWords | undefined {
  const text = plain(words);
  const [, said] = /“([^“”]+)”/.exec(message) ?? [];
  const at = said === undefined ? -1 : text.indexOf(said);
  if (said === undefined || at < 0) return undefined;
  return { before: tail(text.slice(0, at)), gone: '', come: said, behind: head(text.slice(at + said.length)), isQuote: true };
}
