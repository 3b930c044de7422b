import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { useMembership } from '../account/useMe';
import './members.css';

/** What stands around the pages about the kitchen itself. */
export function KitchenFrame({ children }: { readonly children: ReactNode }) {
  const here = useMembership();
  const manages = here?.rights.includes('manage') ?? false;
  return (
    <main className="members">
      <header className="members-head">
        <h1>{here?.name ?? 'This kitchen'}</h1>
        <nav aria-label="This kitchen">
          <NavLink to="/kitchen/members">Members</NavLink>
          <NavLink to="/kitchen/tokens">Tokens</NavLink>
          {manages && <NavLink to="/kitchen/log">What was done</NavLink>}
          <NavLink to="/kitchen/whole">Copy, leave, delete</NavLink>
        </nav>
      </header>
      {children}
    </main>
  );
}
