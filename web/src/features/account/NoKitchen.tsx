import { Button } from '../../ui/Button';

/** The address of a kitchen that one is no member of, or that is not there: nobody can tell which. */
export function NoKitchen() {
  return (
    <main className="page">
      <div className="empty">
        <h2>No kitchen of yours</h2>
        <p className="muted mb-4">
          There is no kitchen at this address, it was deleted, or you are no member of it any more. What you wrote and had not been saved is
          still in this browser.
        </p>
        <Button kind="main" asChild>
          <a href="/account">To your kitchens</a>
        </Button>
      </div>
    </main>
  );
}
