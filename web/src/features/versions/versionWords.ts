import { dayText, type RecipeChange } from '@portiona/core';
import type { VersionDto } from '../../api/api.gen';
import { dayOf } from '../../ui/timeText';

/** Why a version is still there, in words; nothing of a draft. */
export function reasonsOf({ because, name, issues, cooked, dishes }: VersionDto): string[] {
  return because.flatMap((reason) => {
    switch (reason) {
      case 'newest':
        return ['as it is now'];
      case 'named':
        return [`“${name ?? ''}”`];
      case 'published':
        return [issues.length === 1 ? `card, issue ${issues[0]}` : `card, issues ${issues.join(', ')}`];
      case 'cooked':
        return [cooked.length === 1 ? `cooked ${dayText(cooked[0] ?? '', false)}` : `cooked ${cooked.length} times`];
      case 'base':
        return [dishes.length === 1 ? `${dishes[0]} rests on it` : `${dishes.length} dishes rest on it`];
      case 'overwritten':
        return ['another’s, saved over'];
      case 'takenBack':
        return ['before an older one was taken back'];
      case 'merged':
        return ['before foods were merged'];
      case 'day':
        return ['last of its day'];
      case 'draft':
        return [];
    }
  });
}

/** A row of the list: a version that stays, or drafts between such. */
export type VersionRow = { readonly version: VersionDto } | { readonly drafts: readonly VersionDto[] };

/** By day, newest first; drafts of a day that stand in a row are one row. */
export function versionDays(versions: readonly VersionDto[]): { readonly day: string; readonly rows: readonly VersionRow[] }[] {
  const days = new Map<string, VersionRow[]>();
  for (const version of versions) {
    const rows = days.get(dayOf(version.savedAt)) ?? [];
    days.set(dayOf(version.savedAt), rows);
    const last = rows.at(-1);
    if (!version.because.includes('draft')) rows.push({ version });
    else if (last && 'drafts' in last) rows.splice(-1, 1, { drafts: [...last.drafts, version] });
    else rows.push({ drafts: [version] });
  }
  return [...days].map(([day, rows]) => ({ day, rows }));
}

/** A field as it is called where it is edited. */
const FIELDS: Readonly<Record<string, string>> = {
  title: 'title',
  servings: 'how many',
  servingName: 'what one is called',
  measures: 'measures',
  amountsPer: 'amounts per',
  series: 'series',
  number: 'number',
  lead: 'lead',
  activeMinutes: 'active minutes',
  totalMinutes: 'minutes in all',
  brief: 'brief',
  accepted: 'what Check finds and was left',
  source: 'source',
  'storage.fridgeDays': 'days in the fridge',
  'storage.freezerMonths': 'months in the freezer',
  'storage.freezes': 'freezes',
  'storage.reheat': 'reheating',
  name: 'name',
  served: 'where it is served',
  discards: 'what is thrown away',
  cookedWeight: 'cooked weight',
  measuredFor: 'what its weight was measured for',
  yield: 'yield',
  portion: 'portioning',
  vessel: 'vessel',
  food: 'its food',
  recipe: 'the recipe it is taken from',
  part: 'its part',
  as: 'as purchased or as eaten',
  state: 'state',
  cooking: 'how it is cooked',
  loss: 'what is lost in trimming',
  retained: 'how much is eaten',
  toTaste: 'grams assumed',
  method: 'how it is measured',
  optional: 'optional',
  scaling: 'how it scales',
  also: 'second measure',
  retention: 'what survives cooking',
  fit: 'how it may be made to fit',
  comment: 'comment',
  changes: 'what it changes',
  mentions: 'what it mentions',
};

export function fieldName(field: string): string {
  return FIELDS[field] ?? field;
}

/** What happened to it beside its words: "moved; its food, how it scales changed". */
export function besidesOf({ moved, fields }: RecipeChange): string {
  return [moved ? 'moved' : '', fields.length > 0 ? `${fields.map(fieldName).join(', ')} changed` : ''].filter(Boolean).join('; ');
}

/** What a change is of, for the list's first column. */
export function subjectOf({ of, key }: RecipeChange): string {
  return of === 'dish' ? fieldName(key) : of;
}

/** A change in one sentence, for a notice. */
export function changeSentence(change: RecipeChange): string {
  const { before, after } = change;
  const subject = subjectOf(change);
  const quoted = (text: string) => `“${text.length > 60 ? `${text.slice(0, 59)}…` : text}”`;
  const besides = besidesOf(change);
  if (before === undefined && after === undefined) return `${subject} changed`;
  if (after === undefined) return `without ${subject} ${quoted(before ?? '')}`;
  if (before === undefined) return change.of === 'dish' ? `${subject} ${quoted(after)}` : `one more ${subject}: ${quoted(after)}`;
  const words = before === after ? quoted(after) : `${quoted(before)} is ${quoted(after)}`;
  return `${subject} ${words}${besides === '' ? '' : ` (${besides})`}`;
}
