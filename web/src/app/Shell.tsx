import { useEffect, useState } from 'react';
import { Navigate, NavLink, Outlet, useLocation } from 'react-router';
import { Keyboard, Moon, Search, Settings, Sun } from 'lucide-react';
import { useGetKitchenQuery } from '../api/api.gen';
import { AccountMenu } from '../features/account/AccountMenu';
import { NoKitchen } from '../features/account/NoKitchen';
import { useMe, useMembership } from '../features/account/useMe';
import { SignedOut } from '../features/account/SignedOut';
import { CardsMark } from '../features/cards/CardsMark';
import { useLiveLists } from '../features/live/useLiveLists';
import { useTheme } from '../ui/useTheme';
import { CommandPalette } from './CommandPalette';
import { NotHere } from './NotHere';
import { SaveMark } from './SaveMark';
import { Button } from '../ui/Button';
import './shell.css';
import { later } from '../ui/later';
import { Arriving } from '../ui/Arriving';

const { View: KitchenSettings } = later(async () => ({ default: (await import('./beside')).KitchenSettings }));
const { View: KeysHelp } = later(async () => ({ default: (await import('./KeysHelp')).KeysHelp }));

/** What stands around every page: the way about, find, theme and the state of saving. */
export function Shell() {
  const { theme, toggle } = useTheme();
  const { pathname } = useLocation();
  useLiveLists();
  const kitchen = useGetKitchenQuery().data;
  const me = useMe();
  const membership = useMembership();
  // A kitchen that nobody has begun is begun first; a kitchen file or a table may be brought instead.
  const unbegun = kitchen?.begun === false && ['/recipes', '/pantry'].includes(pathname);
  const [finding, setFinding] = useState(false);
  const [keys, setKeys] = useState(false);
  const [settings, setSettings] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setFinding((open) => !open);
      } else if (event.key === '?' && !isTyping(event.target)) {
        event.preventDefault();
        setKeys(true);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <a className="sr" href="#content">
        Skip to the page
      </a>
      <header className="top">
        <span className="mark" aria-label="Portiona">
          Portiona
          <i aria-hidden />
        </span>
        <nav aria-label="Main">
          <NavLink to="/recipes">Recipes</NavLink>
          <NavLink to="/pantry">Pantry</NavLink>
          <NavLink to="/plan">Plan</NavLink>
          <NavLink to="/batches">Batches</NavLink>
          <NavLink to="/cards">
            Cards <CardsMark />
          </NavLink>
        </nav>
        <button className="find" onClick={() => setFinding(true)}>
          <Search size={15} aria-hidden />
          <span className="find-words">Find or do anything</span> <kbd>Ctrl K</kbd>
        </button>
        <SaveMark />
        <Button
          kind="icon"
          className="theme"
          onClick={toggle}
          aria-label={theme === 'dark' ? 'Light theme' : 'Dark theme'}
          hint={theme === 'dark' ? 'Light theme' : 'Dark theme'}
        >
          {theme === 'dark' ? <Sun size={16} /> : <Moon size={16} />}
        </Button>
        <Button kind="icon" className="settings" onClick={() => setSettings(true)} aria-label="Kitchen settings" hint="Kitchen settings">
          <Settings size={16} />
        </Button>
        <Button kind="icon" className="keys" onClick={() => setKeys(true)} aria-label="Keys" hint="Keys (?)">
          <Keyboard size={16} />
        </Button>
        <AccountMenu onSettings={() => setSettings(true)} />
      </header>
      <div id="content">
        {/* A page that broke leaves the way about standing, and the next page is tried anew. */}
        <Arriving meanwhile={<main className="page" aria-busy="true" />} instead={<NotHere />} resetKeys={[pathname]}>
          {me && !membership ? <NoKitchen /> : unbegun ? <Navigate to="/begin" replace /> : <Outlet />}
        </Arriving>
      </div>
      <Arriving>{settings && <KitchenSettings open onClose={() => setSettings(false)} />}</Arriving>
      <CommandPalette open={finding} onClose={() => setFinding(false)} onSettings={() => setSettings(true)} onKeys={() => setKeys(true)} />
      <SignedOut />
      <Arriving>{keys && <KeysHelp open onClose={() => setKeys(false)} />}</Arriving>
    </>
  );
}

function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.matches('input, textarea, select, [contenteditable]');
}
