import { Link } from 'react-router';
import { Button } from '../../ui/Button';

/** Why a batch cannot be shown here, and the way on. */
export function NoBatch({ title, because }: { readonly title: string; readonly because: string }) {
  return (
    <main className="page">
      <div className="empty" role="alert">
        <h2>{title}</h2>
        <p className="muted mb-4">{because}</p>
        <Button asChild kind="main">
          <Link to="/batches">To all batches</Link>
        </Button>
      </div>
    </main>
  );
}
