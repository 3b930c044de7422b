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
    void go();
  }, [path]);
  return <main className="page" aria-busy="true" />;
}
