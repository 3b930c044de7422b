import { Link } from 'react-router';

/** An address with nothing behind it, or a page that broke. */
export function NotHere() {
  return (
    <main className="page">
      <div className="empty">
        <h2>Nothing here</h2>
        <p className="muted mb-4">This address leads to no page, or the page broke. Nothing you saved is lost.</p>
        <Link className="btn btn-main" to="/recipes">
          To the recipes
        </Link>
      </div>
    </main>
  );
}
