import { Redo2, Undo2 } from 'lucide-react';
import { useSearchParams } from 'react-router';
import { useStation } from '../station';
import { useAppDispatch, useRecipeState } from '../../features/recipes/useRecipeState';
import { recipeActions } from '../../features/recipes/recipeSlice';

import { EmptyPantry } from '../../features/foods/StarterPantry';
import { Sheet } from './Sheet';
import { Button } from '../../ui/Button';
import { Select } from '../../ui/Select';
import { TabList, TabPanel, Tabs } from '../../ui/Tabs';
import './sheet.css';
import { later } from '../../ui/later';
import { Arriving } from '../../ui/Arriving';

/** The editor is as large as the rest of the desk: it comes when it is asked for. */
const { View: MethodForm } = later(async () => ({ default: (await import('./method/MethodForm')).MethodForm }));

/** Where a dish is written: its lines as text, and its method. */
export function BuildStation() {
  const { recipe, here, showWorking } = useStation();
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
    <Tabs className="sheet" value={side} onChange={setSide}>
      <div className="sheet-bar">
        <TabList
          label="Sides of the sheet"
          options={[
            ['lines', 'Ingredients'],
            ['method', 'Method and keeping'],
          ]}
        />
        <Button disabled={!canUndo} onClick={() => dispatch(recipeActions.undone(undefined))} aria-label="Undo" hint="Undo (Ctrl Z)">
          <Undo2 size={15} />
        </Button>
        <Button disabled={!canRedo} onClick={() => dispatch(recipeActions.redone(undefined))} aria-label="Redo" hint="Redo (Shift Ctrl Z)">
          <Redo2 size={15} />
        </Button>
        <MeasuresPicker />
        {side === 'lines' && (
          <span className="tools">
            <Button onClick={() => showWorking('variants')} hint="Variants (Alt V)">
              Variants{recipe.variants ? ` ${recipe.variants.length}` : ''}
            </Button>
            <Button onClick={() => showWorking('drives')} hint="What drives it (Alt D)">
              What drives it
            </Button>
            <Button onClick={() => showWorking('scale')} hint="Scale (Alt S)">
              Scale
            </Button>
            <Button onClick={() => showWorking('fit')} hint="Make it fit (Alt F)">
              Make it fit
            </Button>
          </span>
        )}
      </div>
      <TabPanel value="lines">
        {here.foods.length === 0 && <EmptyPantry />}
        <Sheet />
      </TabPanel>
      <TabPanel value="method">
        <Arriving meanwhile={<p className="muted">The method is being brought.</p>}>
          <MethodForm recipe={recipe} key={recipe.id} />
        </Arriving>
      </TabPanel>
    </Tabs>
  );
}

/** Which cups and spoons are meant. */
function MeasuresPicker() {
  const { recipe, here } = useStation();
  const dispatch = useAppDispatch();
  return (
    <label className="muted text-compact flex items-center gap-1.5">
      <span className="sr">Cups and spoons</span>
      <Select
        value={recipe.measures ?? here.kitchen.settings.measures}
        onChange={({ target }) =>
          dispatch(recipeActions.edited({ recipe: { ...recipe, measures: target.value as NonNullable<typeof recipe.measures> } }))
        }
      >
        <option value="metric">metric cups and spoons</option>
        <option value="us">US cups and spoons</option>
        <option value="au">Australian cups and spoons</option>
        <option value="imperial">imperial cups and spoons</option>
      </Select>
    </label>
  );
}
