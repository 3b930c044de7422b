import { useState } from 'react';
import { type Recipe, withoutLines, type LinePlace } from '@portiona/core';
import { useStation } from '../station';
import { useAppDispatch } from '../../features/recipes/useRecipeState';
import { recipeActions } from '../../features/recipes/recipeSlice';
import {
  between,
  doubled,
  dropped,
  madeOptional,
  placesOf,
  shifted,
  textOfLines,
  toggled,
  type Selected,
  type Selection,
} from '../../features/recipes/selection';
import { useToast } from '../../ui/Toasts';
import type { Caret } from './caret';

/** How a press on a line's handle selects: it alone, it as well, or all up to it. */
export type SelectBy = 'alone' | 'also' | 'upTo';

/** The lines selected, and what can be done with them. */
export interface LineSelection {
  readonly lines: Selection;
  readonly select: (place: LinePlace, by: SelectBy) => void;
  readonly clear: () => void;
  readonly shift: (by: 1 | -1) => void;
  /** Before the line that stands at a place; lines other than the selected ones may be dragged as well. */
  readonly drop: (lines: Selection, before: LinePlace) => void;
  readonly double: () => void;
  readonly makeOptional: () => void;
  readonly copy: () => void;
  readonly takeOut: () => void;
  /** Keys of the sheet that are about several lines; others are left to the line. */
  readonly onKey: (event: React.KeyboardEvent) => void;
}

const NONE: Selection = [];

/** Lines selected in the sheet: with Shift and the arrows, or by their handles. */
export function useLineSelection(caret: Caret | undefined, setCaret: (caret: Caret) => void): LineSelection {
  const { recipe, here } = useStation();
  const dispatch = useAppDispatch();
  const say = useToast();
  const [state, setState] = useState<{ readonly anchor: LinePlace; readonly lines: Selection }>();
  const there = (place: LinePlace) => recipe.parts[place.part]?.lines[place.line] !== undefined;
  // Undo may have taken some of them away.
  const lines = state ? state.lines.filter(there) : NONE;
  const keep = (next: Selection) => setState(next[0] ? { anchor: next[0], lines: next } : undefined);
  const edit = (next: Recipe) => {
    dispatch(recipeActions.stepEnded(undefined));
    dispatch(recipeActions.edited({ recipe: next }));
  };
  const take = ({ recipe: next, selection }: Selected) => {
    edit(next);
    keep(selection);
    if (selection[0]) setCaret({ ...selection[0], empty: false });
  };
  const clear = () => setState(undefined);
  const select = (place: LinePlace, by: SelectBy) => {
    if (by === 'also') keep(toggled(recipe, lines, place));
    else if (by === 'upTo' && state) setState({ anchor: state.anchor, lines: between(recipe, state.anchor, place) });
    else keep(lines.length === 1 && lines[0] && lines[0].part === place.part && lines[0].line === place.line ? NONE : [place]);
  };
  const extend = (by: 1 | -1) => {
    if (!caret || caret.empty) return;
    const all = placesOf(recipe);
    const head = all[all.findIndex(({ part, line }) => part === caret.part && line === caret.line) + by];
    if (!head) return;
    const anchor = lines.length > 0 && state ? state.anchor : { part: caret.part, line: caret.line };
    setState({ anchor, lines: between(recipe, anchor, head) });
    setCaret({ ...head, empty: false });
  };
  const copy = () => {
    const text = textOfLines(recipe, lines, here.foodsById);
    // A page that is not served safely has none.
    const clipboard = navigator.clipboard as Clipboard | undefined;
    if (!clipboard) return say('This browser copies only from safe pages; nothing changed.');
    clipboard.writeText(text).then(
      () => say(lines.length === 1 ? 'One line copied.' : `${lines.length} lines copied.`),
      () => say('The browser would not copy; nothing changed.'),
    );
  };
  const takeOut = () => {
    edit(withoutLines(recipe, lines));
    const [first] = lines;
    clear();
    if (first) setCaret({ ...first, empty: true });
  };
  const acts = {
    shift: (by: 1 | -1) => take(shifted(recipe, lines, by)),
    drop: (dragged: Selection, before: LinePlace) => take(dropped(recipe, dragged, before)),
    double: () => take(doubled(recipe, lines)),
    makeOptional: () => edit(madeOptional(recipe, lines)),
    copy,
    takeOut,
  };
  const onKey = (event: React.KeyboardEvent) => {
    // What is typed in a menu that was opened from a line is the menu's.
    if (!(event.target instanceof Element) || !event.target.matches('.line-field, .grip')) return;
    const act = keyAct(event, lines.length > 0, { ...acts, extend, clear });
    if (act === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
  return { lines, select, clear, ...acts, onKey };
}

type Acts = Pick<LineSelection, 'shift' | 'double' | 'makeOptional' | 'copy' | 'takeOut' | 'clear'> & {
  readonly extend: (by: 1 | -1) => void;
};

/** What a key does with several lines; undefined: it is no key of theirs. Writing on lets go of them. */
function keyAct(event: React.KeyboardEvent, some: boolean, acts: Acts): (() => void) | undefined {
  const { key, altKey, shiftKey } = event;
  const ctrl = event.ctrlKey || event.metaKey;
  const arrow = key === 'ArrowUp' ? -1 : key === 'ArrowDown' ? 1 : undefined;
  if (arrow !== undefined && shiftKey && !altKey && !ctrl) return () => acts.extend(arrow);
  if (!some) return undefined;
  if (arrow !== undefined && altKey) return () => acts.shift(arrow);
  if (key === 'Delete') return acts.takeOut;
  if (key === 'Escape') return acts.clear;
  if (ctrl && key.toLowerCase() === 'd') return acts.double;
  if (ctrl && key.toLowerCase() === 'c') return acts.copy;
  if (altKey && key.toLowerCase() === 'o') return acts.makeOptional;
  if (!ctrl && !altKey && !['Shift', 'Tab'].includes(key)) acts.clear();
  return undefined;
}
