import { Fragment, useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { Plus } from 'lucide-react';
import { batchEnergy, type Line } from '@portiona/core';
import { useStation } from '../station';
import { useAppDispatch } from '../../features/recipes/useRecipeState';
import { addPart, insertLines } from '../../features/recipes/editRecipe';
import { recipeActions } from '../../features/recipes/recipeSlice';
import { holds } from '../../features/recipes/selection';
import { AddRow } from './AddRow';
import { useCaretFocus, type Caret } from './caret';
import { ColumnChoice } from './ColumnChoice';
import { useMay } from '../../features/account/useMe';
import { COLUMNS, FOOD_COLUMN, keepColumns, keptColumns, SHARE_COLUMN } from './columns';
import { LineRow } from './LineRow';
import { LinesDragged } from './LinesDragged';
import { PartRow } from './PartRow';
import { SelectionBar } from './SelectionBar';
import { TakePart } from './TakePart';
import { useLineSelection, type LineSelection } from './useLineSelection';
import { useSheetActions } from './useSheetActions';
import { Button } from '../../ui/Button';

/** The ingredient list, typed as text; what each line comes to stands on the right of the same row. */
export function Sheet() {
  const { recipe, here, computed, check, showWorking } = useStation();
  // A recipe that has no line yet is begun with its first; on a screen that is touched that would bring up the keyboard unasked.
  const [caret, setCaret] = useState<Caret | undefined>(() =>
    recipe.parts.every(({ lines }) => lines.length === 0) && matchMedia('(pointer: fine)').matches
      ? { part: 0, line: 0, empty: true }
      : undefined,
  );
  const actions = useSheetActions(setCaret);
  const [shown, setShown] = useState(keptColumns);
  const showsCosts = useMay('costs');
  const columns = useMemo(() => COLUMNS.filter(({ id }) => shown.includes(id) && (id !== 'usedCost' || showsCosts)), [shown, showsCosts]);
  const shares = shown.includes(SHARE_COLUMN);
  const named = shown.includes(FOOD_COLUMN);
  const figures = computed.ok ? computed.figures : undefined;
  const batchKcal = figures ? batchEnergy(figures) : 0;
  const selected = useLineSelection(caret, setCaret);
  // One for all rows, for as long as they stand: a row that says the same is not made anew.
  const latest = useRef(selected.select);
  useLayoutEffect(() => {
    latest.current = selected.select;
  });
  const select = useCallback<LineSelection['select']>((place, by) => latest.current(place, by), []);
  useCaretFocus(caret);
  const rows = useRef<HTMLDivElement>(null);
  useShareWidths(rows, batchKcal);
  const dispatch = useAppDispatch();
  const takePart = (line: Line) => {
    const part = Math.min(caret?.part ?? recipe.parts.length - 1, recipe.parts.length - 1);
    const place = { part, line: recipe.parts[part]?.lines.length ?? 0 };
    dispatch(recipeActions.edited({ recipe: insertLines(recipe, place, [line]) }));
    setCaret({ ...place, empty: false });
  };
  return (
    <LinesDragged selected={selected}>
      <div
        className="rows"
        role="group"
        aria-label="Ingredients"
        style={widthsOf(columns.length, shares, named)}
        ref={rows}
        onKeyDownCapture={selected.onKey}
      >
        <div className="row heads">
          <span>
            as written
            <ColumnChoice
              shown={shown}
              kitchen={here.kitchen}
              onChoose={(next) => {
                keepColumns(next);
                setShown(next);
              }}
            />
          </span>
          {columns.map(({ id, head }) => (
            <span key={id} className="num">
              {head(here.kitchen)}
            </span>
          ))}
          {shares && <span className="share">energy share</span>}
          {named && <span className="as-food">counted as</span>}
        </div>
        {recipe.parts.map((part, p) => (
          <Fragment key={part.id}>
            <PartRow part={part} at={p} figures={figures?.parts[p]} columns={columns} onWorking={showWorking} />
            {part.lines.map((line, l) => (
              <Fragment key={l}>
                {caret?.empty && caret.part === p && caret.line === l && (
                  <AddRow place={{ part: p, line: l }} actions={actions} caret placeholder="a line between" />
                )}
                <LineRow
                  line={line}
                  place={{ part: p, line: l }}
                  figures={figures?.parts[p]?.lines[l]}
                  columns={columns}
                  shares={shares}
                  named={named}
                  servingName={recipe.servingName ?? 'serving'}
                  current={caret !== undefined && !caret.empty && caret.part === p && caret.line === l}
                  selected={holds(selected.lines, { part: p, line: l })}
                  found={check.byPlace.get(`${part.id}/${l + 1}`)}
                  here={here}
                  onSelect={select}
                  onWorking={showWorking}
                  actions={actions}
                />
              </Fragment>
            ))}
            {(part.lines.length === 0 || p === recipe.parts.length - 1 || isAtEnd(caret, p, part.lines.length)) && (
              <AddRow
                place={{ part: p, line: part.lines.length }}
                actions={actions}
                caret={isAtEnd(caret, p, part.lines.length)}
                placeholder={
                  part.lines.length === 0 ? 'Type an ingredient: 300 g red lentils, rinsed. Or paste a whole list.' : 'Add a line'
                }
              >
                {p === recipe.parts.length - 1 && (
                  <>
                    <Button onClick={() => dispatch(recipeActions.edited({ recipe: addPart(recipe) }))}>
                      <Plus size={14} /> Part
                    </Button>
                    <TakePart onTake={takePart} />
                  </>
                )}
              </AddRow>
            )}
          </Fragment>
        ))}
      </div>
      <SelectionBar selected={selected} />
    </LinesDragged>
  );
}

/** A width for each column beside the words. */
function widthsOf(columns: number, shares: boolean, named: boolean): React.CSSProperties {
  const widths = `${'64px '.repeat(columns)}${shares ? '92px ' : ''}${named ? 'minmax(90px, 0.4fr)' : ''}`;
  return { '--columns': widths, '--count': columns + (shares ? 1 : 0) } as React.CSSProperties;
}

/**
 * Draws each line's share of the batch's energy. The whole changes at every key, and with it every share: the bars alone are drawn
 * anew, not the lines that they stand beside.
 */
function useShareWidths(rows: React.RefObject<HTMLElement | null>, batchKcal: number): void {
  useLayoutEffect(() => {
    for (const bar of rows.current?.querySelectorAll<HTMLElement>('[data-kcal]') ?? []) {
      const share = batchKcal > 0 ? Number(bar.dataset.kcal) / batchKcal : 0;
      // To the half per cent, which is half a point of its 92: less is not seen, and would be painted forty times over.
      const width = share > 0.004 ? `${Math.min(100, Math.max(0.5, Math.round(share * 200) / 2))}%` : '0';
      if (bar.style.width !== width) bar.style.width = width;
    }
  });
}

/** Whether the caret stands in the empty row that ends a part. */
function isAtEnd(caret: Caret | undefined, part: number, lines: number): boolean {
  return caret?.empty === true && caret.part === part && caret.line === lines;
}
