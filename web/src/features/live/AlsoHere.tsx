import { useEffect, useState } from 'react';
import { useSayPresenceMutation, type PresentDto } from '../../api/api.gen';
import { TAB } from '../../api/tab';
import { initials } from '../account/initials';
import { useMe } from '../account/useMe';
import { listen } from './liveEvents';
import './alsoHere.css';

/** Milliseconds: said more often than the server waits for it. */
const SAID_EVERY = 20_000;

/** Who else has this dish open just now; and says that one has it open oneself. */
export function AlsoHere({ recipeId }: { readonly recipeId: string }) {
  const me = useMe();
  const [say] = useSayPresenceMutation();
  const [present, setPresent] = useState<readonly PresentDto[]>([]);
  useEffect(() => listen({ present: setPresent }), []);
  useEffect(() => {
    const saying = () => {
      if (document.visibilityState === 'visible') void say({ sayingPresenceDto: { tab: TAB, recipe: recipeId } });
    };
    saying();
    const again = setInterval(saying, SAID_EVERY);
    document.addEventListener('visibilitychange', saying);
    return () => {
      clearInterval(again);
      document.removeEventListener('visibilitychange', saying);
      void say({ sayingPresenceDto: { tab: TAB } });
    };
  }, [recipeId, say]);
  const others = present.filter(({ id, recipe }) => recipe === recipeId && id !== me?.id);
  if (others.length === 0) return null;
  const names = others.map(({ name }) => name).join(', ');
  return (
    <span className="also-here" title={`Also at this dish: ${names}`}>
      <span className="sr">Also at this dish: {names}</span>
      {others.map(({ id, name }) => (
        <span key={id} className="also-mark" aria-hidden>
          {initials(name)}
        </span>
      ))}
      <span className="faint text-small" aria-hidden>
        {others.length === 1 ? `${names} is here too` : 'are here too'}
      </span>
    </span>
  );
}
