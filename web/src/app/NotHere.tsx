import { Link } from 'react-router';

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
          <button className="btn" onClick={() => location.reload()}>
            Load it anew
          </button>
          <Link className="btn btn-main" to="/recipes">
            To the recipes
          </Link>
        </p>
      </div>
    </main>
  );
}
