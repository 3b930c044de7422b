import { LONGEST_LINE, linesApart, withoutLines, type LinePlace } from '@portiona/core';
import { useMemo } from 'react';
import { useStore } from 'react-redux';
import type { Line, Recipe } from '@portiona/core';
import { useStation } from '../station';
import { useAppDispatch, type WithRecipe } from '../../features/recipes/useRecipeState';
import { insertLines, replaceLine, retyped } from '../../features/recipes/editRecipe';
import { recipeActions } from '../../features/recipes/recipeSlice';
import { useToast } from '../../ui/Toasts';
import type { Caret } from './caret';
import { keyAction } from './sheetKeys';

/** What one line may hold, and one paste bring: more is no ingredient list. */
const MOST_LINES = 200;

/** What can be done to lines, by key or by press. */
export interface SheetActions {
  readonly setCaret: (caret: Caret | undefined) => void;
  readonly type: (place: LinePlace, text: string) => void;
  readonly write: (place: LinePlace, line: Line) => void;
  readonly insert: (place: LinePlace, texts: readonly string[]) => void;
  readonly remove: (place: LinePlace) => void;
  readonly onKey: (event: React.KeyboardEvent, caret: Caret) => void;
}

/** The same actions as long as the pantry is the same; the recipe they act on is always the newest. */
export function useSheetActions(setCaret: (caret: Caret | undefined) => void): SheetActions {
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
    const lineOf = (text: string, recipe: Recipe, old?: Line) => retyped(old, text, here, recipe);
    const remove = (place: LinePlace) =>
      onRecipe((recipe) => {
        edit(withoutLines(recipe, [place]));
        setCaret({ ...place, empty: true });
      });
    return {
      setCaret,
      type: (place, text) => {
        if (text.trim() === '') return remove(place);
        onRecipe((recipe) => {
          const line = lineOf(text, recipe, recipe.parts[place.part]?.lines[place.line]);
          edit(replaceLine(recipe, place, line), `line ${place.part}/${place.line}`);
        });
      },
      write: (place, line) => onRecipe((recipe) => edit(replaceLine(recipe, place, line))),
      insert: (place, texts) =>
        onRecipe((recipe) => {
          const given = texts.map((text) => text.trim()).filter(Boolean);
          const short = given.filter((text) => text.length <= LONGEST_LINE).slice(0, MOST_LINES);
          if (short.length < given.length) say(refusedText(given.length - short.length));
          // Of a list that is pasted, "salt and pepper" is two lines; of a line that is typed the person is asked.
          const lines = given.length > 1 ? short.flatMap((text) => linesApart(text, here.index)) : short;
          if (lines.length === 0) return;
          edit(
            insertLines(
              recipe,
              place,
              lines.map((text) => lineOf(text, recipe)),
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
