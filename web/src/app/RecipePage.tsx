import { useEffect, useMemo, useRef, useState } from 'react';
import { NavLink, Outlet, useLocation, useNavigate, useMatch, useParams, useSearchParams } from 'react-router';
import { sameDocument, snappedAmounts, type Recipe, type RecipeFigures } from '@portiona/core';
import { problemOf, problemText } from '../api/problem';
import { Docket } from '../docket/Docket';
import { DocketBar } from '../docket/DocketBar';
import { DocketSlot } from '../docket/DocketSlot';
import { FoundMark } from '../features/check/FoundMark';
import { checkSign, useCheck, type CheckHere } from '../features/check/useCheck';
import { usePublishedDrift } from '../features/check/usePublishedDrift';
import { useReadyFit } from '../features/fit/fitWorker';
import { useKitchen, type LoadedKitchen } from '../features/kitchen/useKitchen';
import { saveNow } from '../features/recipes/autosave';
import { localDraft } from '../features/recipes/localDraft';
import { openedRecipe } from '../features/recipes/openedRecipe';
import { AlsoHere } from '../features/live/AlsoHere';
import { useLiveRecipe } from '../features/live/useLiveRecipe';
import { OnlyLooking } from '../features/account/OnlyLooking';
import { NoteMark } from '../features/notes/NoteMark';
import { noteVisit } from '../features/recent/recentPlaces';
import { recipeActions } from '../features/recipes/recipeSlice';
import { stepsBefore } from '../features/recipes/undoSteps';
import { TracingProvider, type Traced } from '../features/recipes/tracing';
import { useFigures } from '../features/recipes/useFigures';
import type { StationContext } from '../stations/station';
import { isTool, TOOL_PANELS, type PanelName, type ToolPanel } from '../working/panelName';
import { UpstreamNotice } from './UpstreamNotice';
import { SaveNotice } from './SaveNotice';
import { useAppDispatch, useRecipeState } from '../features/recipes/useRecipeState';
import { STATIONS } from './stations';
import { store } from './store';
import { TOOLS } from './toolPanels';
import './recipePage.css';
import { later } from '../ui/later';
import { Arriving } from '../ui/Arriving';

/** Says where a figure comes from: it comes when one is asked. */
const { View: WorkingPanel } = later(async () => ({ default: (await import('./beside')).WorkingPanel }));

/** A recipe: its head, its stations, and the docket beside them. */
export function RecipePage() {
  const { recipeId = '' } = useParams();
  const trouble = useOpenRecipe(recipeId);
  const state = useRecipeState();
  const { present, id, subRecipes, learned } = state;
  useLiveRecipe(recipeId, state);
  const here = useKitchen(subRecipes, learned);
  // The card prints what people can measure, and its figures are of just that: so are the docket and the working beside it.
  const onCard = useMatch('/recipes/:id/card') !== null;
  const shown = useMemo(() => (onCard && present ? snappedAmounts(present).recipe : present), [onCard, present]);
  const computed = useFigures(shown, here);
  const check = useCheck(present, here?.kitchen, usePublishedDrift(recipeId));
  const { pathname } = useLocation();
  const [search, setSearch] = useSearchParams();
  const working = search.get('working') as PanelName | null;
  const showWorking = useMemo(
    () => (figure: PanelName | null) =>
      setSearch(
        (before) => {
          const after = new URLSearchParams(before);
          if (figure === null) after.delete('working');
          else after.set('working', figure);
          return after;
        },
        { replace: true },
      ),
    [setSearch],
  );
  useReadyFit(present);
  useStationKeys(recipeId, showWorking);
  if (trouble !== undefined)
    return (
      <main className="page">
        <div className="empty" role="alert">
          <h2>This recipe cannot be opened</h2>
          <p className="muted">{trouble}</p>
        </div>
      </main>
    );
  if (!present || id !== recipeId || !here || !computed) return <main className="page" aria-busy="true" />;
  return (
    <main>
      <Head recipe={present} check={check} />
      <SaveNotice />
      <OnlyLooking what="dish" besides=" and cook it" />
      <UpstreamNotice id={recipeId} serving={present.servingName ?? 'serving'} kitchen={here.kitchen} />
      <div className="desk">
        <section className="bench" aria-label="Station">
          {computed.ok ? null : (
            <p className="notice bad" role="alert">
              The figures cannot be worked out: {computed.reason}.
            </p>
          )}
          <Arriving meanwhile={<p className="page muted">Being laid out …</p>} resetKeys={[pathname]}>
            <Outlet context={{ recipe: present, here, computed, check, showWorking } satisfies StationContext} />
          </Arriving>
        </section>
        {working !== null && computed.ok && (
          <Panel
            name={working}
            recipe={present}
            figures={computed.figures}
            here={here}
            onClose={() => showWorking(null)}
            onFigure={showWorking}
          />
        )}
        {computed.ok && (
          <DocketSlot>
            <Docket
              recipe={present}
              figures={computed.figures}
              findings={computed.findings}
              check={check}
              kitchen={here.kitchen}
              here={here}
              open={working}
              onOpen={showWorking}
            />
            <DocketBar recipe={present} figures={computed.figures} kitchen={here.kitchen} />
          </DocketSlot>
        )}
      </div>
    </main>
  );
}

interface PanelProps {
  readonly name: PanelName;
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly here: LoadedKitchen;
  readonly onClose: () => void;
  readonly onFigure: (figure: PanelName) => void;
}

function Panel({ name, here, onFigure, ...rest }: PanelProps) {
  const of = { ...rest, kitchen: here.kitchen };
  if (!isTool(name))
    return (
      <Arriving>
        <WorkingPanel figure={name} index={here.index} {...of} />
      </Arriving>
    );
  return <ToolWithWorking key={name} name={name} here={here} onFigure={onFigure} {...rest} />;
}

/** A tool, and over it the working of a figure that it shows of the dish as it would be; the tool stays as it was meanwhile. */
function ToolWithWorking({ name, here, onFigure, onClose, ...rest }: PanelProps & { readonly name: ToolPanel }) {
  const [traced, setTraced] = useState<Traced>();
  const back = () => setTraced(undefined);
  // Escape in the working leads back to the tool, and does not close both.
  const of = { ...rest, kitchen: here.kitchen, onClose: traced ? back : onClose };
  const { View: Tool } = TOOLS[name];
  return (
    <TracingProvider value={setTraced}>
      <div className={traced ? 'hidden' : 'contents'}>
        <Arriving>
          <Tool {...of} here={here} onFigure={onFigure} />
        </Arriving>
      </div>
      <Arriving>{traced && <WorkingPanel {...traced} kitchen={here.kitchen} index={here.index} onClose={back} />}</Arriving>
    </TracingProvider>
  );
}

function Head({ recipe, check }: { readonly recipe: Recipe; readonly check: CheckHere }) {
  const dispatch = useAppDispatch();
  const { id, title, series, number } = recipe;
  useEffect(() => noteVisit({ to: `/recipes/${id}/build`, name: title }), [id, title]);
  const strip = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  // On a phone the strip is longer than the screen: the station that is stood at is in sight.
  useEffect(() => {
    const { current } = strip;
    const at = current?.querySelector<HTMLElement>('[aria-current="page"]');
    if (current && at) current.scrollLeft = Math.max(0, at.offsetLeft - (current.clientWidth - at.offsetWidth) / 2);
  }, [pathname]);
  return (
    <div className="head">
      <div className="head-title">
        <div className="series">
          {[series, number === undefined ? undefined : `no. ${number}`].filter(Boolean).join(', ')}
          <FoundMark findings={check.byPlace.get('title') ?? []} of="the title" />
          <NoteMark place="recipe" of="this dish" />
          <AlsoHere recipeId={id} />
        </div>
        <h1>
          <textarea
            className="title-field"
            aria-label="Title"
            rows={1}
            value={title}
            maxLength={200}
            onKeyDown={(event) => {
              // A title is of one line, however many it takes to read it.
              if (event.key !== 'Enter') return;
              event.preventDefault();
              event.currentTarget.blur();
            }}
            onChange={({ target }) =>
              dispatch(recipeActions.edited({ recipe: { ...recipe, title: target.value.replace(/[\r\n]+/g, ' ') }, mergeKey: 'title' }))
            }
            onBlur={() => dispatch(recipeActions.stepEnded(undefined))}
          />
        </h1>
      </div>
      <nav className="stations" aria-label="Stations" ref={strip}>
        {STATIONS.map(({ path, name, glyph }) => (
          <NavLink key={path} to={path}>
            <StationGlyph glyph={glyph} check={path === 'check' ? check : undefined} />
            {name}
          </NavLink>
        ))}
      </nav>
    </div>
  );
}

/** A station's sign; Check's says how the dish stands. */
function StationGlyph({ glyph, check }: { readonly glyph: string; readonly check: CheckHere | undefined }) {
  if (!check)
    return (
      <span className="station-glyph" aria-hidden>
        {glyph}
      </span>
    );
  const { sign, words, tone } = checkSign(check);
  return (
    <span className={`station-glyph ${tone}`} title={words}>
      <span aria-hidden>{sign}</span>
      <span className="sr">{words}: </span>
    </span>
  );
}

/** Loads a recipe into the desk, with work that had not reached the server; sends what waits when it is left. */
function useOpenRecipe(id: string): string | undefined {
  const dispatch = useAppDispatch();
  const [trouble, setTrouble] = useState<{ readonly id: string; readonly text: string }>();
  useEffect(() => {
    let here = true;
    const open = async () => {
      try {
        const opened = await openedRecipe(id, dispatch);
        const saved = opened;
        const kept = localDraft(id);
        const recovered = kept && !sameDocument(kept.document, opened.document) ? kept : undefined;
        const steps = await stepsBefore(id, recovered?.document ?? saved.document);
        if (!here) return;
        dispatch(recipeActions.opened({ saved, subRecipes: opened.subRecipes, usedIn: opened.usedIn, learned: opened.learned, steps }));
        if (recovered) dispatch(recipeActions.recovered(recovered));
      } catch (error) {
        if (here) setTrouble({ id, text: problemText(problemOf(error)) });
      }
    };
    void open();
    const onLeave = () => saveNow(store.getState().recipe, dispatch);
    window.addEventListener('pagehide', onLeave);
    return () => {
      here = false;
      window.removeEventListener('pagehide', onLeave);
      saveNow(store.getState().recipe, dispatch);
      dispatch(recipeActions.closed(undefined));
    };
  }, [id, dispatch]);
  return trouble?.id === id ? trouble.text : undefined;
}

/** Whether undoing is the field's own: in a dialog, and where what is written is not the recipe's yet. */
function undoesItself(target: EventTarget | null): boolean {
  return target instanceof Element && target.closest('[role="dialog"], [data-own-undo]') !== null;
}

/** Alt and a key goes to a station or opens a tool; undo and redo work everywhere at the desk. */
function useStationKeys(recipeId: string, showWorking: (panel: PanelName) => void): void {
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const key = event.key.toLowerCase();
      const station = event.altKey && STATIONS.find((one) => one.key === key);
      const tool = event.altKey && TOOL_PANELS.find((one) => TOOLS[one].key === key);
      if (station) void navigate(`/recipes/${recipeId}/${station.path}`);
      else if (tool) showWorking(tool);
      else if ((event.ctrlKey || event.metaKey) && key === 'z' && !undoesItself(event.target))
        dispatch(event.shiftKey ? recipeActions.redone(undefined) : recipeActions.undone(undefined));
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [recipeId, navigate, dispatch, showWorking]);
}
