import { Link } from 'react-router';
import { useLogBatchesQuery } from '../../api/api.gen';
import { batchDay } from '../../features/batches/batchWords';
import { Button } from '../../ui/Button';
import { useStation } from '../station';
import './portionStation.css';

/** Where what was cooked is put into boxes: the batches of the dish, the newest first. */
export function PortionStation() {
  const { recipe } = useStation();
  const log = useLogBatchesQuery({ recipe: recipe.id }, { refetchOnMountOrArgChange: true }).data;
  if (!log) return <div className="sheet" aria-busy="true" />;
  const [newest] = log;
  return (
    <div className="sheet portion-begin">
      <h2>Into boxes</h2>
      {newest ? (
        <>
          <p className="muted">
            What came out of the pots is shared out by weight: equal boxes or one size for each person, where each goes, until when, and its
            label.
          </p>
          <Button asChild kind="main" className="portion-begin-main">
            <Link to={`/portion/${newest.id}`}>Portion the batch of {batchDay(newest.date)}</Link>
          </Button>
          {log.length > 1 && (
            <ul className="portion-others">
              {log.slice(1, 12).map((one) => (
                <li key={one.id}>
                  <Link className="underline" to={`/portion/${one.id}`}>
                    {batchDay(one.date)}
                  </Link>{' '}
                  <span className="muted">{one.by ?? ''}</span>
                </li>
              ))}
            </ul>
          )}
        </>
      ) : (
        <>
          <p className="muted">Nothing was cooked yet. Cook it, or log a batch with what it weighed; then it is put into boxes here.</p>
          <Button asChild kind="main" className="portion-begin-main">
            <Link to={`/recipes/${recipe.id}/cook`}>To the stove</Link>
          </Button>
        </>
      )}
    </div>
  );
}
