import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import type { MeDto } from '../../api/api.gen';
import { kitchenPath } from '../../api/kitchenAtHand';
import { placeToGo } from './arrive';
import './account.css';

interface AccountFrameProps {
  readonly me: MeDto;
  readonly children: ReactNode;
}

/** What stands around the pages of an account, which belong to no kitchen. */
export function AccountFrame({ me, children }: AccountFrameProps) {
  const to = placeToGo(me, null);
  const last = me.kitchens.find(({ key }) => kitchenPath(key) === to);
  return (
    <>
      <header className="top">
        <span className="mark" aria-label="Portiona">
          Portiona
          <i aria-hidden />
        </span>
        <nav aria-label="Main">
          {last && <a href={to}>Back to {last.name}</a>}
          <NavLink to="/account" end>
            Your account
          </NavLink>
          {me.keeper && (
            <>
              <NavLink to="/account/upkeep">Upkeep</NavLink>
              <NavLink to="/account/letters">Letters</NavLink>
            </>
          )}
        </nav>
      </header>
      {children}
    </>
  );
}
