import { lazy, Suspense } from 'react';
import { Redo2, Undo2 } from 'lucide-react';
import { useSearchParams } from 'react-router';
import { useStation } from '../station';
import { useAppDispatch, useRecipeState } from '../../features/recipes/useRecipeState';
import { recipeActions } from '../../features/recipes/recipeSlice';

import { Sheet } from './Sheet';

/** The editor is as large as the rest of the desk: it comes when it is asked for. */
const MethodForm = lazy(async () => ({ default: (await import('./method/MethodForm')).MethodForm }));

/** Where a dish is written: its lines as text, and its method. */
export function BuildStation() {
  const { recipe, showWorking } = useStation();
  const [search, setSearch] = useSearchParams();
  const side = search.get('side') === 'method' ? 'method' : 'lines';
  const setSide = (next: 'lines' | 'method') =>
    setSearch(
      (before) => {
        const after = new URLSearchParams(before);
        if (next === 'method') after.set('side', next);
        else after.delete('side');
        return after;
      },
      { replace: true },
    );
  const dispatch = useAppDispatch();
  const canUndo = useRecipeState().past.length > 0;
  const canRedo = useRecipeState().future.length > 0;
  return (
    <div className="sheet">
      <div className="bar2">
        <span className="seg" role="tablist" aria-label="Sides of the sheet">
          <button role="tab" aria-selected={side === 'lines'} onClick={() => setSide('lines')}>
            Ingredients
          </button>
          <button role="tab" aria-selected={side === 'method'} onClick={() => setSide('method')}>
            Method and keeping
          </button>
        </span>
        <button
          className="btn"
          disabled={!canUndo}
          onClick={() => dispatch(recipeActions.undone(undefined))}
          aria-label="Undo"
          title="Undo (Ctrl Z)"
        >
          <Undo2 size={15} />
        </button>
        <button
          className="btn"
          disabled={!canRedo}
          onClick={() => dispatch(recipeActions.redone(undefined))}
          aria-label="Redo"
          title="Redo (Shift Ctrl Z)"
        >
          <Redo2 size={15} />
        </button>
        <MeasuresPicker />
        {side === 'lines' && (
          <span className="tools">
            <button className="btn" onClick={() => showWorking('variants')} title="Variants (Alt V)">
              Variants{recipe.variants ? ` ${recipe.variants.length}` : ''}
            </button>
            <button className="btn" onClick={() => showWorking('drives')} title="What drives it (Alt D)">
              What drives it
            </button>
            <button className="btn" onClick={() => showWorking('scale')} title="Scale (Alt S)">
              Scale
            </button>
            <button className="btn" onClick={() => showWorking('fit')} title="Make it fit (Alt F)">
              Make it fit
            </button>
          </span>
        )}
      </div>
      {side === 'lines' ? (
        <Sheet />
      ) : (
        <Suspense fallback={<p className="muted">The method is being brought.</p>}>
          <MethodForm recipe={recipe} key={recipe.id} />
        </Suspense>
      )}
    </div>
  );
}

/** Which cups and spoons are meant. */
function MeasuresPicker() {
  const { recipe, here } = useStation();
  const dispatch = useAppDispatch();
  return (
    <label className="muted text-[13px] flex items-center gap-1.5">
      <span className="sr">Cups and spoons</span>
      <select
        className="field"
        value={recipe.measures ?? here.kitchen.settings.measures}
        onChange={({ target }) =>
          dispatch(recipeActions.edited({ recipe: { ...recipe, measures: target.value as NonNullable<typeof recipe.measures> } }))
        }
      >
        <option value="metric">metric cups and spoons</option>
        <option value="us">US cups and spoons</option>
        <option value="au">Australian cups and spoons</option>
        <option value="imperial">imperial cups and spoons</option>
      </select>
    </label>
  );
}
