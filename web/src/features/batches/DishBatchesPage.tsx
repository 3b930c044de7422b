import { useState, type ReactNode } from 'react';
import { useMay } from '../account/useMe';
import { OnlyLooking } from '../account/OnlyLooking';
import { IfMay } from '../account/IfMay';
import { Link, useParams, useSearchParams } from 'react-router';
import { dayText, type FoodIndex, type Kitchen } from '@portiona/core';
import { useLogBatchesQuery, useOpenBatchQuery, useOpenRecipeQuery, type OpenBatchDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Arriving } from '../../ui/Arriving';
import { Button } from '../../ui/Button';
import { useKitchen } from '../kitchen/useKitchen';
import { BatchCompare } from './BatchCompare';
import { BatchDocket, type BatchTrace } from './BatchDocket';
import { BatchLog } from './BatchLog';
import { BatchMeasured } from './BatchMeasured';
import { Lessons } from './Lessons';
import { PromoteBatch } from './PromoteBatch';
import { useLogBatch } from './useLogBatch';
import { useCook } from '../cook/useCook';
import { NoBatch } from './NoBatch';
import { useBatchKitchen } from './useBatches';
import './batches.css';
import { kitchenAddress } from '../../api/kitchenAtHand';

/** What shows where a figure comes from: it stands over the features, and is handed to the page. */
export interface WorkingShown extends BatchTrace {
  readonly index: FoodIndex;
  readonly onClose: () => void;
}

/** The batches of one dish: a log that is a control chart, what it teaches, and one of them beside what it was to be. */
export function DishBatchesPage({ showWorking }: { readonly showWorking: (of: WorkingShown) => ReactNode }) {
  const { recipeId = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const { data: rows, error } = useLogBatchesQuery({ recipe: recipeId }, { refetchOnMountOrArgChange: true });
  const recipe = useOpenRecipeQuery({ id: recipeId }, { refetchOnMountOrArgChange: true });
  const here = useKitchen();
  const compared = search.get('compare')?.split(',').filter(Boolean) ?? [];
  const chosen = search.get('batch') ?? rows?.[0]?.id;
  const opened = useOpenBatchQuery({ id: chosen ?? '' }, { skip: chosen === undefined, refetchOnMountOrArgChange: true });
  const kitchen = useBatchKitchen(here, opened.currentData);
  const log = useLogBatch();
  const [traced, setTraced] = useState<BatchTrace & { readonly batch: string }>();
  const show = (change: Readonly<Record<string, string | undefined>>) =>
    setSearch(
      (before) => {
        const after = new URLSearchParams(before);
        for (const [key, value] of Object.entries(change)) {
          if (value === undefined || value === '') after.delete(key);
          else after.set(key, value);
        }
        return after;
      },
      { replace: true },
    );
  if (error || recipe.error) return <NoBatch title="These batches are not here" because={problemText(problemOf(error ?? recipe.error))} />;
  if (!rows || !recipe.data || !here) return <main className="page" aria-busy="true" />;
  const dish = recipe.data.document;
  const boxes = rows.reduce((sum, row) => sum + row.boxes, 0);
  return (
    <main>
      <div className="head">
        <div className="head-title">
          <div className="series">
            {[dish.series, dish.number === undefined ? '' : `no. ${dish.number}`].filter(Boolean).join(', ')}
            {rows.length > 0 && ` · cooked ${rows.length === 1 ? 'once' : `${rows.length} times`}, ${boxes} boxes`}
          </div>
          <h1 className="batches-title">
            <Link to={`/recipes/${dish.id}/build`}>{dish.title}</Link>
          </h1>
        </div>
        <nav className="stations batches-stations" aria-label="Batches">
          <Link to="/batches">
            <span className="station-glyph" aria-hidden>
              ≡
            </span>
            All dishes
          </Link>
          <Link to={`/batches/${dish.id}`} aria-current={compared.length === 0 ? 'page' : undefined}>
            <span className="station-glyph" aria-hidden>
              ◦
            </span>
            This dish, {rows.length}
          </Link>
          {rows.length > 1 && (
            <Link
              to={`/batches/${dish.id}?compare=${(compared.length > 0 ? compared : rows.slice(0, 2).map(({ id }) => id)).join(',')}`}
              aria-current={compared.length > 0 ? 'page' : undefined}
            >
              <span className="station-glyph" aria-hidden>
                ⇄
              </span>
              Compare
            </Link>
          )}
        </nav>
      </div>
      <div className="desk">
        <section className="bench batches" aria-label="Log">
          <div className="batches-bar">
            <IfMay right="cook">
              <Button kind={rows.length === 0 ? 'main' : 'plain'} onClick={() => void log(dish)}>
                Log a batch
              </Button>
            </IfMay>
            {rows.length > 0 && (
              <Button asChild kind="quiet">
                <a href={kitchenAddress(`/exports/batches.csv?recipe=${encodeURIComponent(dish.id)}`)} download>
                  As CSV
                </a>
              </Button>
            )}
          </div>
          {rows.length === 0 ? (
            <div className="empty">
              <h2>Not cooked yet</h2>
              <p className="muted">
                What a dish really weighs, loses and costs is known once it was cooked. Log a batch with what you measured: the next one is
                estimated by it.
              </p>
            </div>
          ) : compared.length > 0 && kitchen && opened.currentData ? (
            <BatchCompare
              rows={rows}
              batches={opened.currentData.siblings}
              kitchen={kitchen}
              compared={compared}
              onChange={(ids) => show({ compare: ids.join(',') })}
            />
          ) : (
            <>
              <BatchLog
                rows={rows}
                stated={dish.activeMinutes}
                currency={here.kitchen.settings.currency}
                chosen={chosen}
                open={search.get('edit') ?? undefined}
                onShow={show}
              >
                {opened.currentData && kitchen && <Measured opened={opened.currentData} kitchen={kitchen} />}
              </BatchLog>
              {opened.currentData && kitchen && (
                <Lessons recipe={dish} batches={opened.currentData.siblings} kitchen={kitchen} onTaken={() => void recipe.refetch()} />
              )}
            </>
          )}
        </section>
        {traced && traced.batch === opened.currentData?.id && (
          <Arriving>
            {showWorking({
              figure: traced.figure,
              figures: traced.figures,
              kitchen: traced.kitchen,
              index: here.index,
              of: `${dish.title}, batch of ${dayText(opened.currentData.document.date, false)}, ${traced.of}`,
              onClose: () => setTraced(undefined),
            })}
          </Arriving>
        )}
        {opened.currentData && kitchen && (
          <div className="slot batch-slot">
            <BatchDocket
              batch={opened.currentData.document}
              kitchen={kitchen}
              onFigure={(trace) => setTraced({ ...trace, batch: opened.currentData?.id ?? '' })}
            />
            <PromoteBatch
              opened={opened.currentData}
              recipe={dish}
              kitchen={kitchen}
              onPutAway={() => show({ batch: undefined, edit: undefined })}
            />
          </div>
        )}
      </div>
    </main>
  );
}

/** What was measured: kept in the browser as it is written, and sent when it can be. */
function Measured({ opened, kitchen }: { readonly opened: OpenBatchDto; readonly kitchen: Kitchen }) {
  const cooks = useMay('cook');
  const { batch, say, waiting, refused } = useCook(opened.id);
  return (
    <>
      {waiting > 0 && (
        <p className="warn text-small" role="status">
          ▲ Kept here, {waiting} to send.
        </p>
      )}
      {refused.length > 0 && (
        <p className="bad text-small" role="alert">
          ✕ That cannot be kept: {refused.at(-1)}.
        </p>
      )}
      <OnlyLooking what="batch" needs="cook" />
      <fieldset className="contents" disabled={!cooks}>
        <BatchMeasured key={opened.id} batch={batch ?? opened.document} kitchen={kitchen} onEdit={say} />
      </fieldset>
    </>
  );
}
