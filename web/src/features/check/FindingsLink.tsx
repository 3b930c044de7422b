import { Link } from 'react-router';
import { useListFindingsQuery } from '../../api/api.gen';
import { Button } from '../../ui/Button';

/** How the whole kitchen stands to Check, and the way to the list. */
export function FindingsLink() {
  const { data: dishes } = useListFindingsQuery(undefined, { refetchOnMountOrArgChange: true });
  if (!dishes || dishes.length === 0) return null;
  const all = dishes.flatMap(({ open }) => open);
  const wrong = all.filter(({ severity }) => severity === 'wrong').length;
  return (
    <Button asChild kind="quiet" className={wrong > 0 ? 'bad' : 'warn'}>
      <Link to="/findings">{wrong > 0 ? `✕ ${wrong} wrong, ${all.length - wrong} to look at` : `▲ ${all.length} to look at`}</Link>
    </Button>
  );
}
