import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';

interface PlanHeadProps {
  readonly over: ReactNode;
  readonly title: ReactNode;
  /** The session that the day and the shopping are of; left out: all that is to come. */
  readonly session?: string | undefined;
}

/** The head of the plan's pages, with the ways between them. */
export function PlanHead({ over, title, session }: PlanHeadProps) {
  const { pathname } = useLocation();
  const tabs = [
    { to: '/plan', name: 'Calendar', glyph: '▦' },
    ...(session === undefined ? [] : [{ to: `/plan/${session}`, name: 'Day', glyph: '▸' }]),
    { to: '/plan/week', name: 'Week', glyph: '▥' },
    { to: session === undefined ? '/plan/shopping' : `/plan/shopping?sessions=${session}`, name: 'Shopping', glyph: '◧' },
    { to: '/plan/stock', name: 'Stock', glyph: '◫' },
  ];
  return (
    <div className="head">
      <div className="head-title">
        <div className="series">{over}</div>
        <h1 className="batches-title">{title}</h1>
      </div>
      <nav className="stations batches-stations" aria-label="Plan">
        {tabs.map(({ to, name, glyph }) => (
          <Link key={name} to={to} aria-current={isHere(pathname, to) ? 'page' : undefined}>
            <span className="station-glyph" aria-hidden>
              {glyph}
            </span>
            {name}
          </Link>
        ))}
      </nav>
    </div>
  );
}

/** Whether an address is the one that a tab leads to; a week has addresses of its own. */
function isHere(pathname: string, to: string): boolean {
  return pathname === to.split('?')[0] || (to === '/plan/week' && pathname.startsWith('/plan/week/'));
}
