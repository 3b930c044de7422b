import { useState } from 'react';
import { CostsNotShown } from '../account/CostsNotShown';
import { useMay } from '../account/useMe';
import { useSearchParams } from 'react-router';
import { useListSessionsQuery } from '../../api/api.gen';
import { dayOf } from '../../ui/timeText';
import { UnreadPage } from '../../ui/UnreadPage';
import { PlanHead } from '../plan/PlanHead';
import { dayTitle } from '../plan/planWords';
import { ShoppingList } from './ShoppingList';
import { useShopping } from './useShopping';
import './shopping.css';

/** What to buy for sessions, shop by shop: ticked off in the shop, with or without a connection. */
export function ShoppingPage() {
  const [search, setSearch] = useSearchParams();
  const showsCosts = useMay('costs');
  const listed = useListSessionsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [today] = useState(() => dayOf(new Date()));
  const all = listed.data ?? [];
  const asked = search.get('sessions')?.split(',').filter(Boolean);
  const coming = all.filter(({ document }) => document.date >= today);
  const chosen = asked ?? (coming.length > 0 ? coming : all.slice(-1)).map(({ id }) => id);
  const { work, trouble, reload } = useShopping(chosen);
  const toggle = (id: string) => {
    const next = chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id];
    setSearch({ sessions: next.join(',') }, { replace: true });
  };
  const titles = all.filter(({ id }) => chosen.includes(id));
  return (
    <main className="plan-page">
      <PlanHead
        session={chosen.length === 1 ? chosen[0] : undefined}
        over={
          titles.length === 0
            ? 'for no session yet'
            : `for ${titles.map(({ document }) => `${document.name ?? 'Session'}, ${dayTitle(document.date)}`).join('; ')}`
        }
        title="Shopping list"
      />
      <section className="bench shopping" aria-label="Shopping">
        {all.length > 1 && (
          <div className="shop-sessions" role="group" aria-label="Sessions that are shopped for">
            {all.map(({ id, document }) => (
              <button key={id} type="button" className="shop-session" aria-pressed={chosen.includes(id)} onClick={() => toggle(id)}>
                {chosen.includes(id) ? '✓ ' : ''}
                {document.name ?? 'Session'}, {document.date.slice(8)}.{document.date.slice(5, 7)}.
              </button>
            ))}
          </div>
        )}
        {!showsCosts && <CostsNotShown what="A shopping list says in which shop what is bought for how much." />}
        {showsCosts && trouble !== undefined && <UnreadPage why={trouble} onRetry={reload} />}
        {showsCosts && chosen.length === 0 && listed.data && (
          <div className="empty">
            <h2>Nothing to buy yet</h2>
            <p className="muted">A list is made of what sessions need, less what is in stock. Plan a session, or choose one.</p>
          </div>
        )}
        {showsCosts && work && chosen.length > 0 && <ShoppingList key={chosen.join(',')} work={work} chosen={chosen} />}
      </section>
    </main>
  );
}
