import { useEffect, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { ArrowLeft, ArrowRight } from 'lucide-react';
import { computed, plannedBatch, stepOf, type Batch, type BatchEdit, type Kitchen, type PlannedBatch } from '@portiona/core';
import { SignedOutBar } from '../account/SignedOut';
import { BatchDocket } from '../batches/BatchDocket';
import { NoBatch } from '../batches/NoBatch';
import { useBatchKitchen } from '../batches/useBatches';
import { useKitchen } from '../kitchen/useKitchen';
import { countText, servingNames } from '../../ui/servingNames';
import { CookFinish } from './CookFinish';
import { CookStep, stepTextNow } from './CookStep';
import { CookTimers } from './CookTimers';
import { keepForOffline } from './keepForOffline';
import { OutAndWeighed } from './OutAndWeighed';
import { stepWords } from '@portiona/core';
import type { TimerNow } from './timers';
import { CookScale } from './CookScale';
import { lineRows, linesToWeigh, partsToWeigh, weighedLine, weighedPart } from './toWeigh';
import { stepRows } from './stepRows';
import { takeable } from '../scale/scaleState';
import { useScale } from '../scale/useScale';
import { useWide } from './useWide';
import { WeightList } from './WeightList';
import { useAwake } from './useAwake';
import { useCook } from './useCook';
import { useRinging } from './useRinging';
import './cook.css';

/** A batch at the stove: get everything out, one step at a time, weigh what came out. */
export function CookPage() {
  const { batchId = '' } = useParams();
  const { batch, opened, say, waiting, refused, trouble } = useCook(batchId);
  const here = useKitchen();
  const kitchen = useBatchKitchen(here, opened);
  const awake = useAwake();
  const [offline, setOffline] = useState(false);
  const loaded = here !== undefined && opened !== undefined;
  // Once everything that the stove needs has come.
  useEffect(() => {
    if (loaded) void keepForOffline().then(setOffline);
  }, [loaded]);
  const planned = useMemo(() => (batch && kitchen ? computed(() => plannedBatch(batch, kitchen)) : undefined), [batch, kitchen]);
  const timers = useRinging(batch?.cooking?.timers ?? []);
  if (trouble !== undefined || (planned && !planned.ok))
    return <NoBatch title="This batch cannot be cooked here" because={trouble ?? (planned && !planned.ok ? planned.because : '')} />;
  if (!batch || !kitchen || !planned?.ok) return <main className="page" aria-busy="true" />;
  return (
    <>
      <SignedOutBar />
      <Cook
        batch={batch}
        kitchen={kitchen}
        plan={planned.made}
        timers={timers}
        say={say}
        waiting={waiting}
        refused={refused}
        awake={awake}
        offline={offline}
      />
    </>
  );
}

interface CookProps {
  readonly batch: Batch;
  readonly kitchen: Kitchen;
  readonly plan: PlannedBatch;
  readonly timers: readonly TimerNow[];
  readonly say: (edit: BatchEdit) => void;
  readonly waiting: number;
  readonly refused: readonly string[];
  readonly awake: boolean;
  /** All that is needed is kept in the browser. */
  readonly offline: boolean;
}

function Cook({ batch, kitchen, plan, timers, say, waiting, refused, awake, offline }: CookProps) {
  const { recipe } = plan;
  const scale = useScale();
  const wide = useWide(1180);
  const roomy = useWide(900);
  const [aimed, setAimed] = useState<string>();
  const [spent, setSpent] = useState<number>();
  // What was taken is free again once something else lies there.
  const lies = scale.state.weight?.grams;
  if (spent !== undefined && lies !== undefined && lies !== spent) setSpent(undefined);
  const [before, setBefore] = useState<{ readonly key: string; readonly grams: number }>();
  const steps = useMemo(() => (recipe.steps ?? []).map(stepOf).filter(({ text }) => text.trim() !== ''), [recipe]);
  const { cooking } = batch;
  const at = Math.min(cooking?.step ?? steps.length + 1, steps.length + 1);
  const go = (step: number) => {
    if (step < 0 || step > steps.length + 1) return;
    if (step > at && at > 0 && at <= steps.length) say({ do: 'step done', step: at, done: true });
    say({ do: 'step', step });
    setAimed(undefined);
    window.scrollTo(0, 0);
  };
  const rows = at === 0 ? lineRows(plan, kitchen) : at <= steps.length ? stepRows(stepTextNow(at, batch, plan), recipe, kitchen) : [];
  const toWeigh = at > steps.length ? partsToWeigh(plan, batch) : linesToWeigh(rows, batch, plan);
  const target = toWeigh.find(({ key }) => key === aimed) ?? toWeigh.find(({ done }) => !done);
  const live = scale.kind !== 'none' && cooking !== undefined;
  const onScale = { key: live ? target?.key : undefined, live, onTarget: setAimed };
  const take = (grams: number) => {
    if (!target || spent === grams) return;
    setSpent(grams);
    if (target.kind === 'part') say(weighedPart(batch, target.of, grams));
    else {
      say(weighedLine(batch, target.of, grams, before?.key === target.key ? before.grams : undefined));
      say({ do: 'ready', at: target.of, ready: true });
    }
    setBefore(undefined);
    // The next one that is not weighed yet is on the scale by itself.
    setAimed(toWeigh.find(({ key, done }) => !done && key !== target.key)?.key ?? target.key);
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, select');
      if (typing || event.altKey || event.ctrlKey || event.metaKey) return;
      if (event.key === 'ArrowRight') go(at + 1);
      else if (event.key === 'ArrowLeft') go(at - 1);
      else if (live && (event.key === 't' || event.key === 'T')) scale.tell({ do: 'tare' });
      else if (live && event.key === ' ' && !pressedBySpace(event.target)) {
        const can = takeable(scale.state);
        if ('grams' in can) take(can.grams);
      } else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  const next = at + 1 <= steps.length ? steps[at] : undefined;
  const nextState = next ? stateOf(at + 1, batch, timers) : '';
  return (
    <main className="cook">
      <header className="cook-head">
        <Link to={`/batches/${batch.recipe}?batch=${batch.id}`} aria-label="Leave the stove; the batch stays as it is">
          <ArrowLeft size={26} aria-hidden />
        </Link>
        <div>
          <h1>
            {recipe.title}, {countText(recipe.servings, servingNames(recipe))}
          </h1>
          <p role="status">
            <i className={waiting === 0 ? 'ok-dot' : 'wait-dot'} aria-hidden />
            {waiting === 0 ? 'Kept' : `Kept here, ${waiting} to send`}
            {awake && ', the screen stays on'}
            {offline && ', works without the server'}
          </p>
        </div>
        <span
          className="cook-count"
          aria-label={at === 0 ? 'Getting everything out' : at > steps.length ? 'Weighing' : `Step ${at} of ${steps.length}`}
        >
          {at === 0 ? 'out' : at > steps.length ? 'weigh' : `${at} of ${steps.length}`}
        </span>
      </header>
      {timers.length > 0 && <CookTimers timers={timers} onStop={(id) => say({ do: 'timer stopped', id })} />}
      {refused.length > 0 && (
        <p className="cook-refused" role="alert">
          ✕ {refused.at(-1)}
        </p>
      )}
      <div className="cook-desk">
        {wide && cooking && at > 0 && (
          <WeightList plan={plan} batch={batch} kitchen={kitchen} target={target?.kind === 'line' ? target.of : undefined} />
        )}
        <section className="cook-step" aria-label={at === 0 ? 'Out and weighed' : at > steps.length ? 'What came out' : `Step ${at}`}>
          {!cooking ? (
            <Over batch={batch} say={say} />
          ) : at === 0 ? (
            <OutAndWeighed plan={plan} batch={batch} kitchen={kitchen} say={say} onScale={onScale} />
          ) : at > steps.length ? (
            <CookFinish batch={batch} recipe={recipe} kitchen={kitchen} say={say} onScale={onScale} />
          ) : (
            <CookStep key={at} number={at} batch={batch} plan={plan} kitchen={kitchen} say={say} onScale={onScale} />
          )}
        </section>
        <aside className="cook-aside">
          {cooking && (
            <CookScale
              scale={scale}
              batch={batch}
              target={target}
              before={target && before?.key === target.key ? before.grams : undefined}
              onBefore={(grams) => target && setBefore({ key: target.key, grams })}
              onTake={take}
              spent={spent !== undefined}
              step={at <= steps.length ? at : 0}
              foods={rows.flatMap((row) => (row.row === 'line' && row.line.food !== undefined ? (kitchen.food(row.line.food) ?? []) : []))}
              say={say}
            />
          )}
          {roomy && <BatchDocket batch={batch} kitchen={kitchen} />}
        </aside>
      </div>
      {cooking && (
        <nav className="cook-next" aria-label="Steps">
          <button type="button" className="cook-back" disabled={at === 0} onClick={() => go(at - 1)} aria-label="Step back">
            <ArrowLeft size={28} aria-hidden />
          </button>
          <button type="button" className="cook-peek" disabled={at > steps.length} onClick={() => go(at + 1)}>
            <b>{at + 1 <= steps.length ? at + 1 : ''}</b>
            <span className={nextState === '' ? '' : 'one-row'}>
              {nextState !== '' && <em className="cook-peek-state">{nextState}</em>}
              {next ? stepWords(next.text) : at > steps.length ? 'That was the last' : 'Weigh what came out'}
            </span>
            <ArrowRight size={30} aria-hidden />
          </button>
        </nav>
      )}
    </main>
  );
}

/** Whether Space presses what has the focus: then it takes no weight. A row of the scale it leaves alone. */
function pressedBySpace(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    target.closest('button, a, summary, [role="slider"]') !== null &&
    target.closest('.weigh-name, .scale-take') === null
  );
}

/** How a step ahead stands: done, or on already. */
function stateOf(step: number, { cooking }: Batch, timers: readonly TimerNow[]): string {
  if (cooking?.done?.includes(step)) return '✓ done';
  const running = timers.find(({ timer }) => timer.step === step);
  if (!running) return '';
  const since = new Date(running.timer.started).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  return `✓ on since ${since}`;
}

function Over({ batch, say }: { readonly batch: Batch; readonly say: (edit: BatchEdit) => void }) {
  return (
    <div className="cook-body">
      <p className="cook-said">This batch is cooked.</p>
      <Link className="cook-main" to={`/batches/${batch.recipe}?batch=${batch.id}`}>
        See what came of it
      </Link>
      <button type="button" className="cook-plain" onClick={() => say({ do: 'resume', begun: new Date().toISOString() })}>
        Go on cooking it
      </button>
    </div>
  );
}
