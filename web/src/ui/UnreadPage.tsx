import { Button } from './Button';

/** A page in place of one that could not be read: why, and a way to try again. */
export function UnreadPage({ why, onRetry }: { why: string; onRetry: () => void }) {
  return (
    <main className="page">
      <p className="bad" role="alert">
        {why} <Button onClick={onRetry}>Try again</Button>
      </p>
    </main>
  );
}
