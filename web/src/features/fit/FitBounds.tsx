import { useState } from 'react';
import { idsByReference, adjustableLines, type Kitchen, type LineFit, type RecipeFigures, type AdjustableLine } from '@portiona/core';
import { withLineFit } from '../recipes/editRecipe';
import { recipeActions } from '../recipes/recipeSlice';
import { useAppDispatch, useRecipeState } from '../recipes/useRecipeState';
import { boundOf, boundValue, lineName, STAYS_WORDS } from './fitWords';
import { Button } from '../../ui/Button';
import { Select } from '../../ui/Select';

const WEIGHTS: readonly (readonly [number, string])[] = [
  [0.25, 'rather this'],
  [1, 'as any'],
  [4, 'rather not'],
];

/** How far each line may move, and which is rather moved; kept with the recipe. */
export function FitBounds({ figures, kitchen }: { readonly figures: RecipeFigures; readonly kitchen: Kitchen }) {
  const [open, setOpen] = useState(false);
  const lines = adjustableLines(figures, kitchen).filter(({ figures: { of } }) => of.kind !== 'unmatched');
  const ids = idsByReference(figures.recipe);
  const free = lines.filter(({ allowed }) => allowed.kind !== 'stays').length;
  return (
    <>
      <h3>
        <Button kind="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? '▾' : '▸'} How far lines may move
        </Button>{' '}
        <span className="faint font-normal text-small">
          {free} of {lines.length} may
        </span>
      </h3>
      {open && (
        <div className="bounds">
          {lines.map((line) => (
            <BoundRow key={line.at} line={line} lines={lines} ids={ids} />
          ))}
        </div>
      )}
    </>
  );
}

interface BoundRowProps {
  readonly line: AdjustableLine;
  readonly lines: readonly AdjustableLine[];
  /** What refers to each line, by where it stands. */
  readonly ids: ReadonlyMap<string, string>;
}

function BoundRow({ line, lines, ids }: BoundRowProps) {
  const dispatch = useAppDispatch();
  const { present } = useRecipeState();
  const name = lineName(line.figures);
  const { allowed } = line;
  const write = (fit: LineFit) => present && dispatch(recipeActions.edited({ recipe: withLineFit(present, line.at, fit) }));
  const { bound, weight } = line.line.fit ?? {};
  const kept = { ...(bound === undefined ? {} : { bound }), ...(weight === undefined ? {} : { weight }) };
  return (
    <div className={`bound ${allowed.kind === 'stays' ? 'faint' : ''}`}>
      <span className="truncate">{name}</span>
      <Select
        aria-label={`How far ${name} may move`}
        value={boundValue(bound)}
        onChange={({ target }) => {
          const { bound: _, ...rest } = kept;
          const next = boundOf(target.value);
          write(next === undefined ? rest : { ...rest, bound: next });
        }}
      >
        <option value="">{usualWords(line)}</option>
        <option value="locked">locked</option>
        <option value="within 0.1">by 10 % at most</option>
        <option value="within 0.2">by 20 % at most</option>
        <option value="within 0.5">by half at most</option>
        <option value="within 1">from nothing to double</option>
        <option value="whole">whole pieces</option>
        <option value="packs">whole packs</option>
        <optgroup label="in step with">
          {lines
            .filter(({ at }) => at !== line.at)
            .map(({ at, figures }) => (
              <option key={at} value={`with ${ids.get(at) ?? at}`}>
                in step with {lineName(figures)}
              </option>
            ))}
        </optgroup>
      </Select>
      <Select
        aria-label={`Whether ${name} is rather changed`}
        value={weight ?? 1}
        onChange={({ target }) => {
          const { weight: _, ...rest } = kept;
          const next = Number(target.value);
          write(next === 1 ? rest : { ...rest, weight: next });
        }}
      >
        {WEIGHTS.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Select>
    </div>
  );
}

/** What the usual bound comes to for a line. */
function usualWords({ line, allowed }: AdjustableLine): string {
  if (line.fit?.bound !== undefined) return 'as usual';
  if (allowed.kind === 'stays') return `stays: ${STAYS_WORDS[allowed.because]}`;
  return allowed.kind === 'steps' ? 'whole pieces, as usual' : 'by half, as usual';
}
