import { useEffect } from 'react';

/** Control and Z take the last change back, with Shift they make it again; in fields they are the field's own. */
export function useUndoKeys(undo: (() => void) | undefined, redo: (() => void) | undefined): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
      if (event.target instanceof HTMLElement && event.target.matches('input:not([type=checkbox], [type=radio]), textarea')) return;
      event.preventDefault();
      if (event.shiftKey) redo?.();
      else undo?.();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undo, redo]);
}
