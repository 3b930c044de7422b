import { Link } from 'react-router';
import { useLogBatchesQuery } from '../../api/api.gen';
import { batchDay, batchNote } from '../../features/batches/batchWords';
import { BoxesSeen } from '../../features/portion/BoxesSeen';
import { Button } from '../../ui/Button';
import { Ledger, LedgerRow } from '../../ui/Ledger';
import { numberText } from '../../ui/numberText';
import { countText, servingNames } from '../../ui/servingNames';
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
          <div className="portion-newest">
            <p className="muted">
              What came out of the pots, shared out by weight: by whom, how much, which shelf, until when, with its label.
            </p>
            <Button asChild kind="main">
              <Link to={`/portion/${newest.id}`}>Portion the batch of {batchDay(newest.date)}</Link>
            </Button>
          </div>
          <BoxesSeen key={newest.id} batchId={newest.id} />
          {log.length > 1 && (
            <>
              <h3 className="mt-2">Batches before</h3>
              <Ledger className="portion-others">
                {log.slice(1).map((one) => (
                  <LedgerRow key={one.id}>
                    <Link className="underline" to={`/portion/${one.id}`}>
                      {batchDay(one.date)}
                    </Link>
                    <span className="muted">{batchNote(one)}</span>
                    <span className="num">{countText(one.boxes, servingNames(recipe))}</span>
                    <span className="num">{one.energyKcal === null ? '?' : `${numberText(one.energyKcal, 0)} kcal`}</span>
                  </LedgerRow>
                ))}
              </Ledger>
            </>
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
