import { Link } from 'react-router';
import { useNotesCallingQuery } from '../../api/api.gen';

/** Notes that call whoever is signed in, where they were not seen yet. */
export function CallingNotes({ onGo }: { readonly onGo: () => void }) {
  const { data: calling = [] } = useNotesCallingQuery();
  if (calling.length === 0) return null;
  return (
    <div className="account-calls">
      <p className="account-head">You are called</p>
      {calling.slice(0, 6).map(({ id, recipe, title, by, text, place }) => (
        <Link
          key={id}
          className="menu-item"
          to={`/recipes/${recipe}/build?working=notes${place === 'recipe' ? '' : `&at=${encodeURIComponent(place)}`}`}
          onClick={onGo}
        >
          <b>{by}</b> on {title}
          <span className="faint text-small block truncate">{text}</span>
        </Link>
      ))}
      {calling.length > 6 && <p className="faint text-small px-2">and {calling.length - 6} more</p>}
    </div>
  );
}
