import { Link } from 'react-router';
import { Button } from '../ui/Button';

/** An address with nothing behind it, or a page that broke. */
export function NotHere() {
  return (
    <main className="page">
      <div className="empty">
        <h2>Nothing here</h2>
        <p className="muted mb-4">
          This address leads to no page, the page broke, or the server could not be reached for it. Nothing you saved is lost.
        </p>
        <p className="flex gap-2 justify-center">
          <Button onClick={() => location.reload()}>Load it anew</Button>
          <Button asChild kind="main">
            <Link to="/recipes">To the recipes</Link>
          </Button>
        </p>
      </div>
    </main>
  );
}
