import { useEffect } from 'react';
import { whoIsSignedIn } from '../../api/pageToken';
import { placeToGo } from './arrive';

/** An address without a kitchen: it is opened in the kitchen one was in last. */
export function ToKitchen({ path }: { readonly path: string }) {
  useEffect(() => {
    const go = async () => {
      const me = await whoIsSignedIn();
      const to = me && placeToGo(me, null);
      if (to === undefined) window.location.replace(path === '/' ? '/enter' : `/enter?back=${encodeURIComponent(path)}`);
      else window.location.replace(to === '/account' || path === '/' ? to : to + path);
    };
    // Asked anew while the server cannot say.
    const ask = () => void go().catch(() => setTimeout(ask, 2_000));
    ask();
  }, [path]);
  return <main className="page" aria-busy="true" />;
}
