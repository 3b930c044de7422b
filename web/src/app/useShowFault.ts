import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { faultPlace } from '../features/recipes/faultPlace';

/** Frames to wait for a field: its station and side come first, and may have to be loaded. */
const MOST_FRAMES = 120;

/** Leads to the field that a fault is in: its station, its side, its place on the page, with the focus in it. */
export function useShowFault(recipeId: string): (path: string) => void {
  const navigate = useNavigate();
  return useCallback(
    (path) => {
      const place = faultPlace(path);
      if (!place) return;
      void navigate(`/recipes/${recipeId}/${place.station}?side=${place.side}`);
      focusWhenThere(place.field, MOST_FRAMES);
    },
    [navigate, recipeId],
  );
}

function focusWhenThere(field: string, frames: number): void {
  requestAnimationFrame(() => {
    const found = document.querySelector<HTMLElement>(field);
    if (!found) return void (frames > 0 && focusWhenThere(field, frames - 1));
    const target = found.matches('input, textarea, select')
      ? found
      : (found.querySelector<HTMLElement>('input, textarea, select') ?? found);
    target.scrollIntoView({ block: 'center' });
    if (target.isContentEditable || target.closest('[contenteditable="true"]')) {
      target.closest<HTMLElement>('[contenteditable="true"]')?.focus();
      document.getSelection()?.collapse(target, 0);
    } else target.focus();
  });
}
