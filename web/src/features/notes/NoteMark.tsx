import { Link, useLocation, useParams } from 'react-router';
import { MessageSquare } from 'lucide-react';
import { useListNotesQuery } from '../../api/api.gen';
import './notes.css';

interface NoteMarkProps {
  /** "line/PART/ID", "step/ID", or "recipe" for all of the dish. */
  readonly place: string;
  /** What it is of, for who hears it. */
  readonly of: string;
}

/** How many notes wait at a place of the dish, and the way to them; nothing where none does. */
export function NoteMark({ place, of }: NoteMarkProps) {
  const { recipeId = '' } = useParams();
  const { pathname } = useLocation();
  const { waiting, calls } = useListNotesQuery(
    { id: recipeId },
    {
      skip: recipeId === '',
      selectFromResult: ({ data = [] }) => {
        const own = data.filter((note) => note.doneAt === undefined && (place === 'recipe' || note.place === place));
        return { waiting: own.length, calls: own.some(({ callsYou }) => callsYou) };
      },
    },
  );
  if (waiting === 0) return null;
  const words = `${waiting} ${waiting === 1 ? 'note waits' : 'notes wait'} on ${of}`;
  return (
    <Link
      className={calls ? 'note-mark calls' : 'note-mark'}
      to={{ pathname, search: `?working=notes${place === 'recipe' ? '' : `&at=${encodeURIComponent(place)}`}` }}
      title={words}
      aria-label={words}
    >
      <MessageSquare size={12} aria-hidden />
      {waiting}
    </Link>
  );
}
