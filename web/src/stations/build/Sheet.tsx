import { Fragment, useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'react-redux';
import { Plus } from 'lucide-react';
import { batchEnergy, type Line, type Recipe } from '@portiona/core';
import { useStation } from '../station';
import { useAppDispatch, type WithRecipe } from '../../features/recipes/useRecipeState';
import {
  addPart,
  insertLines,
  moveLine,
  nudgedLine,
  removeLine,
  replaceLine,
  replacePart,
  retyped,
  type LinePlace,
} from '../../features/recipes/editRecipe';
import { recipeActions } from '../../features/recipes/recipeSlice';
import { useToast } from '../../ui/Toasts';
import { AddRow } from './AddRow';
import { LineRow } from './LineRow';
import { PartRow } from './PartRow';
import { TakePart } from './TakePart';

/** What one line may hold, and one paste bring: more is no ingredient list. */
const LONGEST_LINE = 500;
const MOST_LINES = 200;

/** Where the caret stands: a line, or the empty row before it. */
export interface Caret extends LinePlace {
  readonly empty: boolean;
}

/** What can be done to lines, by key or by press. */
export interface SheetActions {
  readonly setCaret: (caret: Caret | undefined) => void;
  readonly type: (place: LinePlace, text: string) => void;
  readonly write: (place: LinePlace, line: Line) => void;
  readonly insert: (place: LinePlace, texts: readonly string[]) => void;
  readonly remove: (place: LinePlace) => void;
  readonly onKey: (event: React.KeyboardEvent, caret: Caret) => void;
}

/** The ingredient list, typed as text; what each line comes to stands on the right of the same row. */
export function Sheet() {
  const { recipe, here, computed, showWorking } = useStation();
  const [caret, setCaret] = useState<Caret>();
  const actions = useSheetActions(setCaret);
  const figures = computed.ok ? computed.figures : undefined;
  const batchKcal = figures ? batchEnergy(figures) : 0;
  useCaretFocus(caret);
  const dispatch = useAppDispatch();
  const takePart = (line: Line) => {
    const part = Math.min(caret?.part ?? recipe.parts.length - 1, recipe.parts.length - 1);
    const place = { part, line: recipe.parts[part]?.lines.length ?? 0 };
    dispatch(recipeActions.edited({ recipe: insertLines(recipe, place, [line]) }));
    setCaret({ ...place, empty: false });
  };
  return (
    <>
      <div className="rows" role="group" aria-label="Ingredients">
        <div className="row heads">
          <span>as written</span>
          <span className="num">grams</span>
          <span className="num">kcal</span>
          <span className="num">protein</span>
          <span className="num">used {here.kitchen.settings.currency === 'EUR' ? '€' : here.kitchen.settings.currency}</span>
          <span className="share">energy share</span>
        </div>
        {recipe.parts.map((part, p) => (
          <Fragment key={part.id}>
            <PartRow part={part} at={p} figures={figures?.parts[p]} kitchen={here.kitchen} onWorking={showWorking} />
            {part.lines.map((line, l) => (
              <Fragment key={l}>
                {caret?.empty && caret.part === p && caret.line === l && (
                  <AddRow place={{ part: p, line: l }} actions={actions} caret placeholder="a line between" />
                )}
                <LineRow
                  line={line}
                  place={{ part: p, line: l }}
                  figures={figures?.parts[p]?.lines[l]}
                  batchKcal={batchKcal}
                  current={caret !== undefined && !caret.empty && caret.part === p && caret.line === l}
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
              />
            )}
          </Fragment>
        ))}
      </div>
      <div className="flex gap-2 mt-3">
        <button className="btn" onClick={() => dispatch(recipeActions.edited({ recipe: addPart(recipe) }))}>
          <Plus size={14} /> Part
        </button>
        <TakePart onTake={takePart} />
      </div>
    </>
  );
}

/** Whether the caret stands in the empty row that ends a part. */
function isAtEnd(caret: Caret | undefined, part: number, lines: number): boolean {
  return caret?.empty === true && caret.part === part && caret.line === lines;
}

/** The same actions as long as the pantry is the same; the recipe they act on is always the newest. */
function useSheetActions(setCaret: (caret: Caret | undefined) => void): SheetActions {
  const { here, showWorking } = useStation();
  const store = useStore<WithRecipe>();
  const dispatch = useAppDispatch();
  const say = useToast();
  return useMemo(() => {
    const edit = (next: Recipe, mergeKey?: string) =>
      dispatch(recipeActions.edited({ recipe: next, ...(mergeKey === undefined ? {} : { mergeKey }) }));
    const onRecipe = (act: (recipe: Recipe) => void) => {
      const { present } = store.getState().recipe;
      if (present) act(present);
    };
    const lineOf = (text: string, servings: number, old?: Line) => retyped(old, text, here, servings);
    const remove = (place: LinePlace) =>
      onRecipe((recipe) => {
        edit(removeLine(recipe, place));
        setCaret({ ...place, empty: true });
      });
    return {
      setCaret,
      type: (place, text) => {
        if (text.trim() === '') return remove(place);
        onRecipe((recipe) => {
          const line = lineOf(text, recipe.servings, recipe.parts[place.part]?.lines[place.line]);
          edit(replaceLine(recipe, place, line), `line ${place.part}/${place.line}`);
        });
      },
      write: (place, line) => onRecipe((recipe) => edit(replaceLine(recipe, place, line))),
      insert: (place, texts) =>
        onRecipe((recipe) => {
          const given = texts.map((text) => text.trim()).filter(Boolean);
          const lines = given.filter((text) => text.length <= LONGEST_LINE).slice(0, MOST_LINES);
          if (lines.length < given.length) say(refusedText(given.length - lines.length));
          if (lines.length === 0) return;
          edit(
            insertLines(
              recipe,
              place,
              lines.map((text) => lineOf(text, recipe.servings)),
            ),
            lines.length === 1 ? `line ${place.part}/${place.line}` : undefined,
          );
          setCaret({ part: place.part, line: place.line + lines.length - 1, empty: false });
        }),
      remove,
      onKey: (event, caret) =>
        onRecipe((recipe) => {
          if (event.altKey && event.key.toLowerCase() === 'w') {
            event.preventDefault();
            return showWorking('energyKcal');
          }
          const next = keyAction(event, caret, recipe);
          if (!next) return;
          event.preventDefault();
          event.stopPropagation();
          dispatch(recipeActions.stepEnded(undefined));
          if (next.recipe) edit(next.recipe);
          if (next.caret) setCaret(next.caret);
        }),
    };
  }, [here, showWorking, store, dispatch, say, setCaret]);
}

function refusedText(refused: number): string {
  return `${refused === 1 ? 'One line was' : `${refused} lines were`} not taken: a line has at most ${LONGEST_LINE} characters, a paste ${MOST_LINES} lines. Nothing else changed.`;
}

interface KeyResult {
  readonly recipe?: Recipe;
  readonly caret?: Caret;
}

/** What a key does in the sheet: the new recipe, and where the caret goes. */
function keyAction(event: React.KeyboardEvent, caret: Caret, recipe: Recipe): KeyResult | undefined {
  const { key, altKey, ctrlKey, metaKey } = event;
  const place: LinePlace = caret;
  const line = recipe.parts[caret.part]?.lines[caret.line];
  if (key === 'Enter' && !altKey && !ctrlKey) return { caret: { ...place, line: caret.empty ? caret.line : caret.line + 1, empty: true } };
  if ((key === 'ArrowUp' || key === 'ArrowDown') && (ctrlKey || metaKey) && !altKey && !caret.empty)
    return { recipe: nudgedLine(recipe, place, (key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1)), caret };
  if ((key === 'ArrowUp' || key === 'ArrowDown') && altKey && !caret.empty) {
    const moved = moveLine(recipe, place, key === 'ArrowUp' ? -1 : 1);
    return { recipe: moved.recipe, caret: { ...moved.place, empty: false } };
  }
  if (key === 'ArrowUp' || key === 'ArrowDown') return stepTo(recipe, caret, key === 'ArrowUp' ? -1 : 1);
  if (!line || caret.empty) return undefined;
  if (key.toLowerCase() === 'd' && (ctrlKey || metaKey))
    return {
      recipe: insertLines(recipe, { ...place, line: caret.line + 1 }, [{ ...line }]),
      caret: { ...place, line: caret.line + 1, empty: false },
    };
  if (key.toLowerCase() === 'o' && altKey) return { recipe: replaceLine(recipe, place, toggledOptional(line)) };
  if (key.toLowerCase() === 't' && altKey)
    return { recipe: replacePart(recipe, caret.part, { served: recipe.parts[caret.part]?.served === 'table' ? undefined : 'table' }) };
  return undefined;
}

function toggledOptional(line: Line): Line {
  const { optional, ...rest } = line;
  return optional ? rest : { ...rest, optional: true };
}

/** The row above or below, over the edges of parts; every part ends in an empty row. */
function stepTo(recipe: Recipe, caret: Caret, by: 1 | -1): KeyResult | undefined {
  const spots: Caret[] = recipe.parts.flatMap((part, p) => [
    ...part.lines.map((_, l) => ({ part: p, line: l, empty: false })),
    { part: p, line: part.lines.length, empty: true },
  ]);
  const at = spots.findIndex(
    ({ part, line, empty }) => part === caret.part && line === caret.line && (empty === caret.empty || caret.empty),
  );
  const next = spots[at + by];
  return next ? { caret: next } : undefined;
}

/** Puts the browser's focus where the caret is, after lines have moved. */
function useCaretFocus(caret: Caret | undefined): void {
  const before = useRef<Caret>(undefined);
  useEffect(() => {
    if (!caret || before.current === caret) return;
    before.current = caret;
    const field = document.querySelector<HTMLInputElement>(`[data-row="${caret.part}/${caret.line}/${caret.empty ? 'empty' : 'line'}"]`);
    if (field && document.activeElement !== field) field.focus();
  }, [caret]);
}
