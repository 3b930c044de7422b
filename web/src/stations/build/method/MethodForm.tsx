import type { Recipe, Storage } from '@portiona/core';
import { useAppDispatch } from '../../../features/recipes/useRecipeState';
import { withHead } from '../../../features/recipes/editRecipe';
import { recipeActions } from '../../../features/recipes/recipeSlice';
import { FoundMark } from '../../../features/check/FoundMark';
import { SeriesNumber } from '../../../features/series/SeriesNumber';
import { useStation } from '../../station';
import { MethodEditor } from './MethodEditor';
import { NumberField } from '../../../ui/NumberField';
import { TextArea } from '../../../ui/TextArea';
import { Field } from '../../../ui/Field';
import { Input } from '../../../ui/Input';
import './method.css';

/** How the dish is made and kept, as the card will say it. */
export function MethodForm({ recipe }: { readonly recipe: Recipe }) {
  const dispatch = useAppDispatch();
  const change = (next: Partial<Recipe>, mergeKey?: string) =>
    dispatch(recipeActions.edited({ recipe: withHead(recipe, next), ...(mergeKey === undefined ? {} : { mergeKey }) }));
  const store = (next: Partial<Storage>) =>
    change({ storage: Object.fromEntries(Object.entries({ ...recipe.storage, ...next }).filter(([, held]) => held !== undefined)) });
  return (
    <div className="method-form">
      <div className="grid gap-3 content-start">
        <Field label="Under the title">
          <TextArea
            className="font-serif"
            data-field="lead"
            rows={2}
            maxLength={1000}
            value={recipe.lead ?? ''}
            onChange={({ target }) => change({ lead: target.value === '' ? undefined : target.value }, 'lead')}
          />
        </Field>
        <Found at="lead" of="the text under the title" />
        <div>
          <p className="text-small muted mb-1">Method, one step a paragraph</p>
          <MethodEditor />
        </div>
      </div>
      <div className="grid gap-2.5 content-start">
        <Field label="One serving is called">
          <Input
            data-field="servingName"
            maxLength={60}
            value={recipe.servingName ?? ''}
            placeholder="serving"
            onChange={({ target }) => change({ servingName: target.value.trim() === '' ? undefined : target.value }, 'servingName')}
          />
        </Field>
        <Field label="Series">
          <Input
            data-field="series"
            maxLength={120}
            value={recipe.series ?? ''}
            onChange={({ target }) => change({ series: target.value === '' ? undefined : target.value }, 'series')}
          />
        </Field>
        <div className="pair">
          <NumberField label="Number" amount={recipe.number} onChange={(number) => change({ number })} />
          <SeriesNumber recipe={recipe} onNumber={(number) => change({ number })} />
          <NumberField label="Minutes at the stove" amount={recipe.activeMinutes} onChange={(activeMinutes) => change({ activeMinutes })} />
          <NumberField label="Minutes in all" amount={recipe.totalMinutes} onChange={(totalMinutes) => change({ totalMinutes })} />
          <NumberField label="Days in the fridge" amount={recipe.storage?.fridgeDays} onChange={(fridgeDays) => store({ fridgeDays })} />
          <NumberField
            label="Months in the freezer"
            amount={recipe.storage?.freezerMonths}
            onChange={(freezerMonths) => store({ freezerMonths })}
          />
        </div>
        <label className="flex gap-2 items-center">
          <input
            type="checkbox"
            checked={recipe.storage?.freezes !== false}
            onChange={({ target }) => store({ freezes: target.checked })}
          />
          Freezes well
        </label>
        <Field label="Reheating">
          <TextArea
            data-field="storage"
            rows={2}
            maxLength={500}
            value={recipe.storage?.reheat ?? ''}
            placeholder="Once only, until steaming hot all through: 74 °C / 165 °F."
            onChange={({ target }) => store({ reheat: target.value === '' ? undefined : target.value })}
          />
        </Field>
        <Found at="storage" of="how it is kept" />
      </div>
    </div>
  );
}

/** What Check finds in a text that is written here. */
function Found({ at, of }: { readonly at: 'lead' | 'storage'; readonly of: string }) {
  const findings = useStation().check.byPlace.get(at) ?? [];
  return (
    <>
      {findings.map((finding) => (
        <p key={`${finding.code} ${finding.message}`} className={`text-small ${finding.severity === 'wrong' ? 'bad' : 'warn'}`}>
          <FoundMark findings={[finding]} of={of} /> {finding.message}
        </p>
      ))}
    </>
  );
}
