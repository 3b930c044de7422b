import { useRecipeState } from '../features/recipes/useRecipeState';

/** Says what is saved; asks for nothing. */
export function SaveMark() {
  const { id, saveState, savedAt } = useRecipeState();
  if (id === undefined) return <span className="saved" style={{ visibility: 'hidden' }} />;
  const { words, tone } = {
    saved: {
      words: savedAt === '' ? 'Saved' : `Saved ${new Date(savedAt).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`,
      tone: '',
    },
    unsaved: { words: 'Writing', tone: 'pending' },
    saving: { words: 'Saving', tone: 'pending' },
    unreached: { words: 'Kept here, not saved yet', tone: 'trouble' },
    refused: { words: 'Not saved', tone: 'trouble' },
    stale: { words: 'Saved elsewhere', tone: 'trouble' },
  }[saveState];
  return (
    <span className={`saved ${tone}`} role="status">
      {words}
    </span>
  );
}
