import { Link, useLocation } from 'react-router';
import { clockText } from '../ui/timeText';
import { useRecipeState } from '../features/recipes/useRecipeState';

/** Says what is saved, asks for nothing, and leads to what was saved before. */
export function SaveMark() {
  const { id, saveState, savedAt } = useRecipeState();
  const { pathname } = useLocation();
  if (id === undefined) return <span className="saved" style={{ visibility: 'hidden' }} />;
  const { words, tone } = {
    saved: {
      words: savedAt === '' ? 'Saved' : `Saved ${clockText(savedAt)}`,
      tone: '',
    },
    unsaved: { words: 'Writing', tone: 'pending' },
    saving: { words: 'Saving', tone: 'pending' },
    unreached: { words: 'Kept here, not saved yet', tone: 'trouble' },
    refused: { words: 'Not saved', tone: 'trouble' },
    stale: { words: 'Saved elsewhere', tone: 'trouble' },
  }[saveState];
  return (
    <span className={`saved ${tone}`}>
      <span role="status" className="sr">
        {words}
      </span>
      <Link to={{ pathname, search: '?working=versions' }} aria-label={`${words}. Versions`} title="Versions: what it was before">
        {words}
      </Link>
    </span>
  );
}
