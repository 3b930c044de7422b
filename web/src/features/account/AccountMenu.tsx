import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { useNotesCallingQuery, useSignOutMutation } from '../../api/api.gen';
import { kitchenKey, kitchenPath } from '../../api/kitchenAtHand';
import { Button } from '../../ui/Button';
import { DropPanel } from '../../ui/DropPanel';
import { MenuItem } from '../../ui/Menu';
import { noteKitchen } from './arrive';
import { initials } from './initials';
import { CallingNotes } from '../notes/CallingNotes';
import { leave, unsentHere } from './leave';
import { useMe, useMembership } from './useMe';
import './accountMenu.css';

/** Who is signed in, and where else they may go. */
export function AccountMenu({ onSettings }: { readonly onSettings: () => void }) {
  const me = useMe();
  const here = useMembership();
  const go = useNavigate();
  const [open, setOpen] = useState(false);
  const [signOut] = useSignOutMutation();
  const [unsent, setUnsent] = useState<number>();
  const calling = useNotesCallingQuery().data?.length ?? 0;
  useEffect(() => {
    if (here) noteKitchen(kitchenKey);
  }, [here]);
  if (!me) return null;
  const others = me.kitchens.filter(({ key, deletedAt }) => key !== kitchenKey && deletedAt === undefined);
  const item = (act: () => void) => () => {
    setOpen(false);
    act();
  };
  const out = () => void signOut().unwrap().then(leave);
  const ask = async () => {
    const left = await unsentHere();
    if (left === 0) out();
    else setUnsent(left);
  };
  return (
    <DropPanel
      label="Account and kitchens"
      align="end"
      className="account-menu"
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        setUnsent(undefined);
      }}
      trigger={
        <Button kind="icon" className="account-mark" hint={me.name}>
          <span className="sr">
            {me.name}: account and kitchens{calling > 0 ? `, called by ${calling === 1 ? '1 note' : `${calling} notes`}` : ''}
          </span>
          <span aria-hidden>{initials(me.name)}</span>
          {calling > 0 && (
            <span className="account-called" aria-hidden>
              {calling}
            </span>
          )}
        </Button>
      }
    >
      <p className="account-who">
        <b>{me.name}</b>
        {here && (
          <span className="faint text-small">
            {here.role} of {here.name}
          </span>
        )}
      </p>
      <CallingNotes onGo={() => setOpen(false)} />
      <MenuItem type="button" onClick={item(() => void go('/kitchen/members'))}>
        Members of this kitchen
      </MenuItem>
      <MenuItem type="button" onClick={item(onSettings)}>
        Settings of this kitchen
      </MenuItem>
      {here?.rights.includes('manage') && (
        <MenuItem type="button" onClick={item(() => void go('/kitchen/log'))}>
          What was done here
        </MenuItem>
      )}
      {others.length > 0 && <p className="account-head">Other kitchens</p>}
      {others.map(({ key, name }) => (
        <a key={key} className="menu-item" href={kitchenPath(key)}>
          {name}
        </a>
      ))}
      <p className="account-head">You</p>
      <a className="menu-item" href="/account">
        Your account and kitchens
      </a>
      {unsent === undefined ? (
        <MenuItem type="button" onClick={() => void ask()}>
          Sign out
        </MenuItem>
      ) : (
        <div className="account-unsent" role="alert">
          <p>{unsent === 1 ? 'One thing' : `${unsent} things`} in this browser has not reached the kitchen yet, and would be lost.</p>
          <p className="flex gap-2">
            <Button type="button" onClick={() => setUnsent(undefined)}>
              Stay
            </Button>
            <Button kind="quiet" type="button" onClick={out}>
              Sign out, and lose it
            </Button>
          </p>
        </div>
      )}
    </DropPanel>
  );
}
