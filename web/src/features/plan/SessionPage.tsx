import { useEffect, useMemo, useRef, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import {
  criticalChain,
  planMoves,
  planProblem,
  sessionSteps,
  standingLong,
  unplannable,
  type AdjustedStep,
  type DoneStep,
  type MovedStep,
  type Recipe,
  type SessionPlan,
  type StepPlace,
} from '@portiona/core';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { UnreadPage } from '../../ui/UnreadPage';
import { OnlyLooking } from '../account/OnlyLooking';
import { DocumentNotice } from '../saving/DocumentNotice';
import { AtTheStove } from './AtTheStove';
import { AddDish, DishesOfSession } from './DishesOfSession';
import { doneWhenLate } from './lateness';
import { Hands } from './Hands';
import { HoldsUp } from './HoldsUp';
import { PlanHead } from './PlanHead';
import { PlanTable } from './PlanTable';
import { RunningList } from './RunningList';
import { RunningTimers } from './RunningTimers';
import { CooksControl, EquipmentControl, LateControl, StartControl } from './SessionControls';
import { startFor, withAdjusted, withDone, withKeys, withPin } from './sessionEdits';
import { PutSessionAway } from './PutSessionAway';
import { SessionName } from './SessionName';
import { SessionNotices } from './SessionNotices';
import { StepWhy } from './StepWhy';
import { Timeline } from './Timeline';
import { at, beginAtOnce, dayTitle, dishTitle, handsProposals, lengthText, listedSteps } from './planWords';
import { useNow } from './useNow';
import { usePlan } from './usePlan';
import { useUndoKeys } from '../saving/useUndoKeys';
import { useSession, type SessionHere } from './useSession';
import './plan.css';

/** One session: its timeline, why each step stands where it does, and the running list beside it. */
export function SessionPage() {
  const { sessionId = '' } = useParams();
  const { here, trouble, reload } = useSession(sessionId);
  if (trouble !== undefined) return <UnreadPage why={trouble} onRetry={reload} />;
  if (!here) return <main className="page" aria-busy="true" />;
  return <SessionDay key={sessionId} here={here} />;
}

function SessionDay({ here }: { readonly here: SessionHere }) {
  const { session, recipes, state, change, undo, redo } = here;
  const [search, setSearch] = useSearchParams();
  const [chosen, setChosen] = useState<StepPlace>();
  const [large, setLarge] = useState(false);
  const [dragged, setDragged] = useState<{ readonly place: StepPlace; readonly start: number }>();
  const [moved, setMoved] = useState<readonly MovedStep[]>();
  const [from, setFrom] = useState(0);
  const clock = useNow(session);
  const known = useMemo(() => new Map(recipes.map((recipe) => [recipe.id, recipe])), [recipes]);
  const missing = session.dishes.filter(({ recipe }) => !known.has(recipe));
  const faults = useMemo(() => unplannable(session, known, (recipe) => recipe), [session, known]);
  const sound = faults.length === 0 && missing.length === 0;
  const shown = dragged ? withPin(session, dragged.place, dragged.start) : session;
  const { said, trouble } = usePlan(sound ? shown : undefined, recipes, from);
  const plan = said?.plan;
  const fits = plan && isOf(plan, shown, known);
  const steps = useMemo(() => (plan && fits ? listedSteps(session, plan.steps, recipes) : []), [plan, fits, session, recipes]);
  const titles = session.dishes.map(({ recipe }) => dishTitle(known.get(recipe)?.title ?? recipe));
  const problem = useMemo(
    () => (sound ? planProblem(shown, (id) => known.get(id) as Recipe, from) : undefined),
    [sound, shown, known, from],
  );
  const chain = useMemo(() => (problem && plan && fits ? criticalChain(problem, plan) : []), [problem, plan, fits]);
  const standing = useMemo(() => (problem && plan && fits ? standingLong(problem, plan) : []), [problem, plan, fits]);
  const unwritten = session.dishes.flatMap(({ recipe }, d) =>
    (known.get(recipe)?.steps ?? []).length === 0 && known.has(recipe) ? [d] : [],
  );
  const read = steps.filter(({ read: own }) => own.has('minutes') || own.has('hands')).length;
  const proposals = handsProposals(steps);
  const waitsForNothing = useMemo(() => beginAtOnce(session, recipes), [session, recipes]);
  useUndoKeys(undo, redo);
  useFollowedEnd(here, plan, said?.finished ?? false);
  const before = useRef<SessionPlan>(undefined);
  const onLate = (minute: number, late: number) => {
    if (!plan) return;
    before.current = plan;
    setFrom(minute);
    change((one) => withKeys(one, { done: doneWhenLate(one, plan, minute, late) }));
  };
  // What moved is told once the new plan is there.
  useEffect(() => {
    if (!before.current || !plan || plan === before.current || !said?.finished) return;
    setMoved(planMoves(before.current, plan));
    before.current = undefined;
  }, [plan, said?.finished]);
  const onPin = (place: StepPlace, start: number | undefined, last: boolean) => {
    setChosen({ dish: place.dish, step: place.step });
    if (!last && start !== undefined) return setDragged({ place: { dish: place.dish, step: place.step }, start });
    setDragged(undefined);
    change((one) => withPin(one, place, start));
  };
  const boxes = session.dishes.reduce((sum, { boxes: own, recipe }) => sum + (own ?? known.get(recipe)?.servings ?? 0), 0);
  const cooks = session.cooks ?? 1;
  const used = useMemo(
    () => [
      ...new Set(
        session.dishes.flatMap(({ recipe }, d) => {
          const own = known.get(recipe);
          return own ? sessionSteps(session, d, own).flatMap(({ uses }) => uses.map(({ name }) => name)) : [];
        }),
      ),
    ],
    [session, known],
  );
  const choose = ({ dish, step }: StepPlace) => setChosen({ dish, step });
  const addDish = <AddDish onAdd={(recipe) => change((one) => withKeys(one, { dishes: [...one.dishes, { recipe }] }))} />;
  const running = plan && {
    ...{ session, plan, steps, titles },
    now: clock === undefined || clock < 0 ? undefined : clock,
    onDone: (place: StepPlace, done: DoneStep | undefined) => change((one) => withDone(one, place, done)),
  };
  const view = search.get('as') === 'table' ? 'table' : 'timeline';
  return (
    <main className="plan-page">
      <PlanHead
        session={session.id}
        over={`${count(session.dishes.length, 'dish', 'dishes')}, ${count(boxes, 'box', 'boxes')}, ${count(cooks, 'cook', 'cooks')}`}
        title={
          <>
            <SessionName session={session} onName={(name) => change((one) => withKeys(one, { name }))} />
            <span className="session-day">{dayTitle(session.date)}</span>
          </>
        }
      />
      <OnlyLooking what="session" needs="cook" />
      <DocumentNotice here={here} what="session" />
      <div className="desk">
        <section className="bench plan" aria-label="Session">
          <div className="plan-sum">
            <h2>{plan && fits ? `${lengthText(plan.minutes)}, done at ${at(session, plan.minutes)}` : 'Planning …'}</h2>
            {plan && fits && (
              <span className={plan.proven ? 'ok' : 'muted'} role="status">
                {plan.proven
                  ? '✓ no shorter way, proven'
                  : `in no way under ${lengthText(plan.bound)}${said?.finished ? '' : ', still looking'}`}
              </span>
            )}
            <span className="plan-controls">
              <StartControl session={session} plan={plan} onChange={change} />
              <CooksControl session={session} onChange={change} />
              <EquipmentControl session={session} names={used} onChange={change} />
              <LateControl now={clock === undefined ? undefined : Math.max(0, clock)} onLate={onLate} />
            </span>
          </div>
          <DishesOfSession session={session} recipes={recipes} plan={fits ? plan : undefined} onChange={change} />
          {missing.length > 0 && state.kind === 'saved' && (
            <p className="notice" role="alert">
              ✕ {missing.map(({ recipe }) => recipe).join(', ')} cannot be had; take it out to plan the rest.
            </p>
          )}
          <SessionNotices
            {...{ session, steps, titles, faults, trouble, waitsForNothing, unwritten, moved }}
            standing={standing}
            late={plan && fits ? plan.late : []}
            onSeen={() => setMoved(undefined)}
          />
          {session.dishes.length === 0 ? (
            <div className="empty">
              <h2>Nothing is cooked yet</h2>
              <p className="muted mb-4">
                Add the dishes of this session: their steps are put in order for the hands, rings and ovens there are.
              </p>
              {addDish}
            </div>
          ) : (
            plan &&
            fits && (
              <>
                <div className="plan-view">
                  <Segmented
                    label="Shown as"
                    value={view}
                    options={[
                      ['timeline', 'Timeline'],
                      ['table', 'Table'],
                    ]}
                    onChange={(as) => setSearch(as === 'table' ? { as } : {}, { replace: true })}
                  />
                  {from > 0 && (
                    <span className="muted text-small">
                      Planned on from {at(session, from)}.{' '}
                      <Button kind="quiet" onClick={() => setFrom(0)}>
                        From the start
                      </Button>
                    </span>
                  )}
                  {addDish}
                  {read > 0 && (
                    <span className="muted text-small">
                      {read === steps.length ? 'All' : read} of {steps.length} steps have minutes or hands that are read from their words.
                    </span>
                  )}
                  {proposals.length > 0 && (
                    <Button
                      kind="quiet"
                      hint={proposals
                        .map(({ number, title, counted, proposed }) => `${number} ${title}: ${proposed} min instead of ${counted}`)
                        .join('; ')}
                      onClick={() =>
                        change((one) =>
                          proposals.reduce((session, { dish, step, proposed }) => {
                            const own = (session.adjusted ?? []).find((adjusted) => adjusted.dish === dish && adjusted.step === step);
                            return withAdjusted(session, { dish, step }, { ...adjustedOf(own), hands: proposed });
                          }, one),
                        )
                      }
                    >
                      Take the hands that words suggest, {proposals.length === 1 ? 'of one step' : `of ${proposals.length} steps`}
                    </Button>
                  )}
                  {undo && (
                    <Button kind="quiet" onClick={undo} hint="Ctrl Z">
                      Undo
                    </Button>
                  )}
                </div>
                {view === 'table' ? (
                  <PlanTable session={session} plan={plan} steps={steps} titles={titles} />
                ) : (
                  <Timeline
                    session={shown}
                    plan={plan}
                    steps={steps}
                    titles={titles}
                    chain={chain}
                    chosen={chosen}
                    now={clock}
                    onChoose={choose}
                    onPin={onPin}
                  />
                )}
                <div className="plan-under">
                  {chosen ? (
                    <StepWhy session={session} plan={plan} steps={steps} recipes={recipes} chosen={chosen} now={from} onChange={change} />
                  ) : (
                    <div className="plan-card">
                      <h3>Why is it here?</h3>
                      <p className="muted">
                        Press a step: it says what it waits for. Drag it, or move it with the arrow keys, and the rest follows.
                      </p>
                    </div>
                  )}
                  <HoldsUp plan={plan} said={said} chain={chain} steps={steps} />
                  <Hands session={session} plan={plan} />
                </div>
              </>
            )
          )}
        </section>
        {plan && running && fits && session.dishes.length > 0 && (
          <div className="slot plan-slot">
            <aside className="docket plan-docket" aria-label="Running list">
              <RunningTimers {...running} />
              <RunningList
                {...running}
                chosen={chosen}
                onChoose={choose}
                onMove={(place, by) => {
                  const step = plan.steps.find((one) => one.dish === place.dish && one.step === place.step);
                  if (step) onPin(place, Math.max(0, step.start + by), true);
                }}
              />
              <p className="plan-docket-ways">
                <Button kind="quiet" onClick={() => setLarge(true)}>
                  Large, at the stove
                </Button>
                <Button kind="quiet" onClick={() => window.print()}>
                  Print
                </Button>
                <PutSessionAway id={session.id} />
              </p>
            </aside>
          </div>
        )}
      </div>
      {running && fits && <AtTheStove open={large} onClose={() => setLarge(false)} {...running} chosen={chosen} onChoose={choose} />}
      {state.kind === 'saving' && <span className="sr" role="status" />}
    </main>
  );
}

/** What is said of a step in a session, without which step it is. */
function adjustedOf(own: AdjustedStep | undefined): Omit<AdjustedStep, 'dish' | 'step'> {
  const { dish: _, step: __, ...said } = own ?? { dish: 0, step: 0 };
  return said;
}

function count(many: number, one: string, more: string): string {
  return `${many} ${many === 1 ? one : more}`;
}

/** Whether a plan is of the session as it stands: after a change the one before is there until its own has come. */
function isOf(plan: SessionPlan, { dishes }: SessionHere['session'], recipes: ReadonlyMap<string, Recipe>): boolean {
  const wanted = dishes.reduce((sum, { recipe }) => sum + (recipes.get(recipe)?.steps?.length ?? 0), 0);
  return wanted === plan.steps.length && plan.steps.every(({ dish, recipe }) => dishes[dish - 1]?.recipe === recipe);
}

/** Where it is to be over by a time, its start follows from the plan. */
function useFollowedEnd({ session, change }: SessionHere, plan: SessionPlan | undefined, finished: boolean): void {
  const { finishBy, start } = session;
  const wanted = finishBy !== undefined && plan && finished ? startFor(finishBy, plan.minutes) : undefined;
  useEffect(() => {
    if (wanted !== undefined && wanted !== start) change((one) => withKeys(one, { start: wanted }));
    // Only as the plan says another time.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [wanted]);
}
