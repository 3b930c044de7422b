import { useSyncExternalStore } from 'react';
import { isSignedOut, onSignedOut } from '../../api/signedOut';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';

/** Said over the page when the server knows nobody any more: what was written stays in this browser, and goes on after signing in. */
export function SignedOut() {
  const out = useSyncExternalStore(onSignedOut, isSignedOut);
  const back = encodeURIComponent(window.location.pathname + window.location.search);
  return (
    <Modal open={out} onClose={() => undefined} title="You are signed out">
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
