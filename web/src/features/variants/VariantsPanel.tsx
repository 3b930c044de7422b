import { useMemo, useState } from 'react';
import {
  briefJudgements,
  briefVerdict,
  promotedVariant,
  recipeFigures,
  variantRecipe,
  type Kitchen,
  type Recipe,
  type RecipeFigures,
  type Variant,
} from '@portiona/core';
import { SidePanel } from '../../ui/SidePanel';
import { useToast } from '../../ui/Toasts';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import { withHead } from '../recipes/editRecipe';
import { recipeActions } from '../recipes/recipeSlice';
import { useAppDispatch } from '../recipes/useRecipeState';
import { COMPARED, ComparedRow, DifferingFigure, figureOf } from '../recipes/DifferingFigure';
import { VariantChanges } from './VariantChanges';
import { Button } from '../../ui/Button';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import './variants.css';

interface VariantsPanelProps {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly here: LoadedKitchen;
  readonly onClose: () => void;
}

const NAMES = ['as cooked', 'cheaper', 'vegetarian', 'reader’s choice'] as const;
/** Side by side with the base. */
const MOST_SHOWN = 4;

/** Other ways to make the dish, side by side with it: each is named changes, never a copy. */
export function VariantsPanel({ recipe, figures, here, onClose }: VariantsPanelProps) {
  const { kitchen } = here;
  const variants = useMemo(() => recipe.variants ?? [], [recipe]);
  const [hidden, setHidden] = useState<ReadonlySet<number>>(new Set());
  const [open, setOpen] = useState(0);
  const dispatch = useAppDispatch();
  const say = useToast();
  const shown = variants
    .map((variant, index) => ({ variant, index }))
    .filter(({ index }) => !hidden.has(index))
    .slice(0, MOST_SHOWN);
  const made = useMemo(() => variants.map((variant) => tried(variant, recipe, kitchen)), [variants, recipe, kitchen]);
  const write = (next: readonly Variant[]) =>
    dispatch(recipeActions.edited({ recipe: withHead(recipe, { variants: next.length === 0 ? undefined : next }) }));
  const add = () => {
    const name = NAMES.find((one) => !variants.some((variant) => variant.name === one)) ?? `variant ${variants.length + 1}`;
    write([...variants, { name, changes: [] }]);
    setOpen(variants.length);
  };
  const current = variants[open];
  const promote = (index: number) => {
    const name = variants[index]?.name ?? '';
    dispatch(recipeActions.edited({ recipe: promotedVariant(recipe, index, freeName('as it was', variants)) }));
    setOpen(0);
    say(`“${name}” is the dish now; what it was stays as a variant. Ctrl Z takes it back.`);
  };
  return (
    <SidePanel label="Variants" subject="variants" onClose={onClose} className="fitting">
      <h2>Variants</h2>
      {variants.length === 0 ? (
        <>
          <p className="intro">
            Another way to make this dish, kept as changes of it: as cooked, cheaper, vegetarian, the reader’s choice. When the dish
            changes, its variants change with it.
          </p>
          <Button kind="main" onClick={add}>
            Begin a variant
          </Button>
        </>
      ) : (
        <>
          <table className="variants">
            <thead>
              <tr>
                <th>a {recipe.servingName ?? 'serving'}</th>
                <th>as designed</th>
                {shown.map(({ variant, index }) => (
                  <th key={index}>
                    <button aria-pressed={index === open} onClick={() => setOpen(index)} title="See and change what it changes">
                      {variant.name}
                    </button>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {COMPARED.map((row) => (
                <ComparedRow key={row} row={row} base={figures} of="the dish as designed" kitchen={kitchen}>
                  {shown.map(({ index, variant }) => (
                    <DifferingFigure
                      key={index}
                      row={row}
                      base={figureOf(row, figures, kitchen)}
                      made={made[index]}
                      of={`the variant “${variant.name}”`}
                      kitchen={kitchen}
                    />
                  ))}
                </ComparedRow>
              ))}
              {recipe.brief && (
                <tr>
                  <td>Brief</td>
                  <td className="num">{verdictText(figures, recipe, kitchen)}</td>
                  {shown.map(({ index }) => (
                    <td key={index} className="num">
                      {made[index] ? verdictText(made[index], recipe, kitchen) : ''}
                    </td>
                  ))}
                </tr>
              )}
            </tbody>
          </table>
          {variants.length > MOST_SHOWN && (
            <p className="flex gap-3 flex-wrap text-small mt-1">
              {variants.map(({ name }, i) => (
                <label key={i} className="flex gap-1 items-center">
                  <input type="checkbox" checked={!hidden.has(i)} onChange={() => setHidden(toggled(hidden, i))} /> {name}
                </label>
              ))}
            </p>
          )}
          {current && (
            <>
              <div className="flex gap-2 items-end mt-3">
                <Field label="Variant" className="flex-1">
                  <Input
                    value={current.name}
                    maxLength={80}
                    list="variant-names"
                    onChange={({ target }) =>
                      target.value.trim() !== '' && write(variants.map((one, i) => (i === open ? { ...one, name: target.value } : one)))
                    }
                  />
                  <datalist id="variant-names">
                    {NAMES.map((name) => (
                      <option key={name} value={name} />
                    ))}
                  </datalist>
                </Field>
                <Button disabled={current.changes.length === 0} onClick={() => promote(open)}>
                  Make it the dish
                </Button>
                <Button
                  onClick={() => {
                    write(variants.filter((_, i) => i !== open));
                    setOpen(0);
                    say(`“${current.name}” is taken out. Ctrl Z puts it back.`);
                  }}
                >
                  Take out
                </Button>
              </div>
              <VariantChanges
                key={open}
                recipe={recipe}
                here={here}
                variant={current}
                onChange={(changes) => write(variants.map((one, i) => (i === open ? { ...one, changes } : one)))}
              />
            </>
          )}
          <Button className="mt-3" onClick={add}>
            Begin another
          </Button>
        </>
      )}
    </SidePanel>
  );
}

/** Figures of a variant; undefined where one of its lines names what is not here. */
function tried(variant: Variant, recipe: Recipe, kitchen: Kitchen): RecipeFigures | undefined {
  try {
    return recipeFigures(variantRecipe(recipe, variant), kitchen);
  } catch {
    return undefined;
  }
}

function verdictText(figures: RecipeFigures, { brief }: Recipe, kitchen: Kitchen): string {
  if (!brief) return '';
  return { meets: '✓ meets', perhaps: '▲ perhaps', misses: '✕ misses' }[briefVerdict(briefJudgements(figures, brief, kitchen))];
}

function freeName(name: string, variants: readonly Variant[]): string {
  let [free, n] = [name, 2];
  while (variants.some((one) => one.name === free)) free = `${name} ${n++}`;
  return free;
}

function toggled(set: ReadonlySet<number>, one: number): ReadonlySet<number> {
  const next = new Set(set);
  if (!next.delete(one)) next.add(one);
  return next;
}
