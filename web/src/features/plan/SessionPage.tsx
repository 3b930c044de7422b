import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import {
  criticalChain,
  LONGEST_STANDING,
  planMoves,
  planProblem,
  sessionSteps,
  standingLong,
  unplannable,
  type AdjustedStep,
  type MovedStep,
  type Recipe,
  type SessionPlan,
  type StepPlace,
} from '@portiona/core';
import { useArchiveSessionMutation } from '../../api/api.gen';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';
import { Segmented } from '../../ui/Segmented';
import { useToast } from '../../ui/Toasts';
import { UnreadPage } from '../../ui/UnreadPage';
import { DocumentNotice } from '../saving/DocumentNotice';
import { AddDish, DishesOfSession } from './DishesOfSession';
import { doneWhenLate } from './lateness';
import { PlanHead } from './PlanHead';
import { PlanTable } from './PlanTable';
import { RunningList } from './RunningList';
import { CooksControl, EquipmentControl, LateControl, StartControl } from './SessionControls';
import { startFor, withAdjusted, withDone, withKeys, withPin } from './sessionEdits';
import { StepWhy } from './StepWhy';
import { Timeline } from './Timeline';
import { freeStretches, timelineRows } from './timelineRows';
import { at, beginAtOnce, cookName, dayTitle, dishTitle, handsProposals, lengthText, listedSteps, type ListedStep } from './planWords';
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
          {faults.map(({ message }) => (
            <p className="notice" role="alert" key={message}>
              ✕ {message}.
            </p>
          ))}
          {trouble !== undefined && (
            <p className="notice" role="alert">
              ✕ {trouble}
            </p>
          )}
          {waitsForNothing.length > 0 && (
            <p className="notice" role="status">
              ▲ {waitsForNothing.map(({ dish, step }) => `Step ${step} of ${titles[dish - 1]}`).join(', ')}{' '}
              {waitsForNothing.length === 1 ? 'fills boxes and waits' : 'fill boxes and wait'} for nothing, as the method stands: it says no
              part, and not what it comes after. Say so in{' '}
              <Link to={`/recipes/${session.dishes[(waitsForNothing[0]?.dish ?? 1) - 1]?.recipe}/build?side=method`}>the method</Link>.
            </p>
          )}
          {unwritten.length > 0 && (
            <p className="notice" role="status">
              ▲ {unwritten.map((d) => titles[d]).join(', ')} {unwritten.length === 1 ? 'has' : 'have'} no method: nothing of it is planned.
            </p>
          )}
          {standing.length > 0 && (
            <p className="notice" role="status">
              ▲{' '}
              {standing
                .map(
                  ({ dish, step, minutes }) =>
                    `${titles[dish - 1]} stands ${lengthText(minutes)} before ${numberOf(steps, { dish, step })}`,
                )
                .join('; ')}
              . Cooked food is cooled within {lengthText(LONGEST_STANDING)}: say how long it may wait (press the step), or put it later.
            </p>
          )}
          {plan && fits && plan.late.length > 0 && (
            <p className="notice" role="status">
              ▲ No plan keeps every wait short enough:{' '}
              {plan.late.map(({ dish, step, by }) => `${numberOf(steps, { dish, step })} starts ${lengthText(by)} late`).join(', ')}.
            </p>
          )}
          {moved && (
            <p className="notice" role="status">
              <span>{movedText(moved, steps, session)}</span>
              <Button kind="quiet" onClick={() => setMoved(undefined)}>
                Seen
              </Button>
            </p>
          )}
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
        {plan && fits && session.dishes.length > 0 && (
          <div className="slot plan-slot">
            <aside className="docket plan-docket" aria-label="Running list">
              <RunningList
                session={session}
                plan={plan}
                steps={steps}
                titles={titles}
                now={clock === undefined || clock < 0 ? undefined : clock}
                chosen={chosen}
                onChoose={choose}
                onDone={(place, done) => change((one) => withDone(one, place, done))}
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
                <PutAway id={session.id} />
              </p>
            </aside>
          </div>
        )}
      </div>
      {plan && fits && (
        <Modal open={large} onClose={() => setLarge(false)} title={`${session.name ?? 'Session'}, ${dayTitle(session.date)}`}>
          <div className="plan-large">
            <RunningList
              large
              session={session}
              plan={plan}
              steps={steps}
              titles={titles}
              now={clock === undefined || clock < 0 ? undefined : clock}
              chosen={chosen}
              onChoose={choose}
              onDone={(place, done) => change((one) => withDone(one, place, done))}
            />
          </div>
        </Modal>
      )}
      {state.kind === 'saving' && <span className="sr" role="status" />}
    </main>
  );
}

function SessionName({
  session,
  onName,
}: {
  readonly session: SessionHere['session'];
  readonly onName: (name: string | undefined) => void;
}) {
  const { name = '' } = session;
  return (
    <input
      className="session-name"
      aria-label="Name of the session"
      value={name}
      placeholder="Session"
      maxLength={60}
      size={Math.max(6, name.length)}
      onChange={({ target }) => onName(target.value === '' ? undefined : target.value)}
    />
  );
}

function PutAway({ id }: { readonly id: string }) {
  const [archive] = useArchiveSessionMutation();
  const say = useToast();
  const go = useNavigate();
  return (
    <Button
      kind="quiet"
      onClick={() =>
        void archive({ id })
          .unwrap()
          .then(() => {
            say('The session is put away.');
            void go('/plan');
          })
          .catch(() => say('It could not be put away just now; nothing was changed.'))
      }
    >
      Put away
    </Button>
  );
}

/** What makes it last so long: the chain it hangs on, and what one more of something would save. */
function HoldsUp({
  plan,
  said,
  chain,
  steps,
}: {
  readonly plan: SessionPlan;
  readonly said: ReturnType<typeof usePlan>['said'];
  readonly chain: readonly StepPlace[];
  readonly steps: readonly ListedStep[];
}) {
  const busy = new Map<string, number>();
  for (const { on, start, end } of plan.steps)
    for (const { name, unit } of on) busy.set(`${name} ${unit}`, (busy.get(`${name} ${unit}`) ?? 0) + end - start);
  const [most] = [...busy].sort((a, b) => b[1] - a[1]);
  return (
    <div className="plan-card">
      <h3>What holds it up</h3>
      <p className="plan-chain">
        Longest chain: {chain.map((place) => numberOf(steps, place)).join(' · ')}, {lengthText(plan.minutes)}
      </p>
      {most && (
        <p className="pair">
          <span>The {most[0].replace(/ 1$/, '')}, busy</span>
          <b>
            {lengthText(Math.min(most[1], plan.minutes))} of {lengthText(plan.minutes)}
          </b>
        </p>
      )}
      {(said?.oneMore ?? []).map(({ name, saves, proven }) => (
        <p className="pair" key={name ?? 'cook'}>
          <span>
            One more {name === undefined ? 'cook' : name === 'hob' ? 'ring' : name} saves{proven ? '' : ' at most'}
          </span>
          <b>{lengthText(saves)}</b>
        </p>
      ))}
      {said?.finished && said.oneMore.length === 0 && <p className="muted">No more cooks or things would make it shorter.</p>}
    </div>
  );
}

function Hands({ session, plan }: { readonly session: SessionHere['session']; readonly plan: SessionPlan }) {
  const rows = timelineRows(plan.steps, session.cooks ?? 1).filter(({ kind }) => kind === 'hands');
  return (
    <div className="plan-card">
      {rows.map((row) => {
        const busy = row.bars.reduce((sum, { from, to }) => sum + to - from, 0);
        const who = cookName(session, row.number);
        return (
          <div key={row.key}>
            <h3>{who === 'you' ? 'Your hands' : `${who}’s hands`}</h3>
            <p className="pair">
              <span>Busy</span>
              <b>{lengthText(busy)}</b>
            </p>
            {freeStretches(row.bars, 15)
              .slice(0, 3)
              .map(({ from, to }) => (
                <p className="pair" key={from}>
                  <span>
                    Free {at(session, from)} to {at(session, to)}
                  </span>
                  <b>{lengthText(to - from)}</b>
                </p>
              ))}
          </div>
        );
      })}
    </div>
  );
}

/** What is said of a step in a session, without which step it is. */
function adjustedOf(own: AdjustedStep | undefined): Omit<AdjustedStep, 'dish' | 'step'> {
  const { dish: _, step: __, ...said } = own ?? { dish: 0, step: 0 };
  return said;
}

function numberOf(steps: readonly ListedStep[], { dish, step }: StepPlace): string {
  const found = steps.find((one) => one.dish === dish && one.step === step);
  return found ? String(found.number) : '';
}

function movedText(moved: readonly MovedStep[], steps: readonly ListedStep[], session: SessionHere['session']): string {
  const still = moved.filter(({ from }) => from !== undefined);
  if (still.length === 0) return 'Nothing had to move.';
  const told = still.slice(0, 4).map(({ dish, step, from = 0, to }) => {
    const one = steps.find((listed) => listed.dish === dish && listed.step === step);
    return `${one?.title ?? ''} ${at(session, from)} → ${at(session, to)}`;
  });
  return `Planned anew, ${still.length === 1 ? 'one step' : `${still.length} steps`} moved: ${told.join('; ')}${still.length > 4 ? ' …' : ''}.`;
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
