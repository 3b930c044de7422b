import { useState, useSyncExternalStore } from 'react';
import { isSignedOut, onSignedOut } from '../../api/signedOut';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';

/** Said over the page when the server knows nobody any more: what was written stays in this browser, and goes on after signing in. */
export function SignedOut() {
  const out = useSyncExternalStore(onSignedOut, isSignedOut);
  // Closed, the page can be read on, and copied from.
  const [closed, setClosed] = useState(false);
  const back = encodeURIComponent(window.location.pathname + window.location.search);
  return (
    <Modal open={out && !closed} onClose={() => setClosed(true)} title="You are signed out">
      <p className="mb-4">
        Your sign-in has ended, here or from elsewhere. What you wrote is kept in this browser, and goes to the kitchen once you are signed
        in again.
      </p>
      <Button kind="main" asChild>
        <a href={`/enter?back=${back}`}>Sign in again</a>
      </Button>
    </Modal>
  );
}

/** The same at the stove, where nothing may lie over the page: the cook goes on, and what is measured waits here. */
export function SignedOutBar() {
  const out = useSyncExternalStore(onSignedOut, isSignedOut);
  if (!out) return null;
  return (
    <p className="notice" role="alert">
      You are signed out. What you measure is kept in this browser, and goes to the kitchen once you{' '}
      <a className="underline" href={`/enter?back=${encodeURIComponent(window.location.pathname)}`}>
        sign in again
      </a>
      .
    </p>
  );
}
