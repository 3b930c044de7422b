import type { AuditEntryDto } from '../../api/api.gen';

/** What operations are called by those who did them. */
const DEEDS: Readonly<Record<string, string>> = {
  saveRecipe: 'changed the dish',
  createRecipe: 'began the dish',
  archiveRecipe: 'put away the dish',
  restoreRecipe: 'took out again the dish',
  saveFood: 'changed the food',
  createFood: 'added the food',
  archiveFood: 'put away the food',
  restoreFood: 'took out again the food',
  removeFood: 'removed the food',
  savePack: 'changed a price',
  createPack: 'added a price',
  removePack: 'put away a price',
  restorePack: 'took out again a price',
  addPrices: 'took prices of a receipt',
  createBatch: 'began a batch',
  saveBatch: 'changed a batch',
  editBatch: 'weighed or noted at a batch',
  archiveBatch: 'put away a batch',
  restoreBatch: 'took out again a batch',
  publishCard: 'published the card of',
  takeCardBack: 'took back the card of',
  changeReadersAddress: 'changed the readers’ address',
  changeSettings: 'changed the settings',
  beginKitchen: 'began the kitchen',
  importKitchenFile: 'took in a kitchen file',
  importStarterPantry: 'took in the starter pantry',
  mergeFoods: 'made two foods one',
  bringPhoto: 'brought a photo',
  createSession: 'planned a session',
  saveSession: 'changed a session',
  createWeek: 'began a week',
  saveWeek: 'changed a week',
  invite: 'invited somebody',
  withdrawInvitation: 'withdrew an invitation',
  changeMember: 'changed a member',
  removeMember: 'took out a member',
  leaveKitchen: 'left the kitchen',
  join: 'joined the kitchen',
  makeToken: 'made a token',
  endToken: 'ended a token',
  copyKitchen: 'copied the kitchen',
  deleteKitchen: 'deleted the kitchen',
  takeKitchenBack: 'took the kitchen back',
  writeNote: 'wrote a note',
  changeNote: 'changed a note',
  removeNote: 'took a note away',
};

/** What a deed was, in words; as the interface calls it where it has none of its own. */
export function deedWords(does: string): string {
  return (
    DEEDS[does] ??
    does
      .replaceAll(/([A-Z])/g, ' $1')
      .toLowerCase()
      .trim()
  );
}

/** Deeds of one person at one thing, one after the other, as one row. */
export interface DeedGroup {
  readonly first: AuditEntryDto;
  readonly last: AuditEntryDto;
  readonly times: number;
}

/** Groups entries, newest first, that say the same of the same thing one after the other. */
export function groupedDeeds(entries: readonly AuditEntryDto[]): readonly DeedGroup[] {
  const groups: DeedGroup[] = [];
  for (const entry of entries) {
    const group = groups.at(-1);
    const same = group && (['does', 'to', 'from', 'through'] as const).every((key) => group.last[key] === entry[key]);
    if (group && same && group.last.by.id === entry.by.id) groups[groups.length - 1] = { ...group, last: entry, times: group.times + 1 };
    else groups.push({ first: entry, last: entry, times: 1 });
  }
  return groups;
}
