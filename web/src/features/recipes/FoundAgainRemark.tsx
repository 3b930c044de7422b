import { Link } from 'react-router';
import { useListFoundAgainQuery } from '../../api/api.gen';
import { Remark } from '../../ui/Remark';

/** Dishes named at most, before they are only counted. */
const MOST_NAMED = 5;

/** Said over the recipes when foods have come that lines were waiting for: each dish leads to what would change, and nothing does unsaid. */
export function FoundAgainRemark() {
  const dishes = useListFoundAgainQuery(undefined, { refetchOnMountOrArgChange: true }).data ?? [];
  if (dishes.length === 0) return null;
  return (
    <Remark tone="warn" role="status" className="mb-3">
      <span aria-hidden>▲</span>
      <span>
        Lines that waited find a food now:{' '}
        {dishes.slice(0, MOST_NAMED).map(({ id, title, lines }, i) => (
          <span key={id}>
            {i > 0 && ', '}
            <Link className="underline" to={`/recipes/${id}/build?working=matches`}>
              {title}
            </Link>{' '}
            ({lines === 1 ? 'one line' : `${lines} lines`})
          </span>
        ))}
        {dishes.length > MOST_NAMED && ` and ${dishes.length - MOST_NAMED} more`}. Each is taken when you say so there.
      </span>
    </Remark>
  );
}
