import type { LinePlace } from '@portiona/core';
import { useEffect, useRef } from 'react';

/** Where the caret stands: a line, or the empty row before it. */
export interface Caret extends LinePlace {
  readonly empty: boolean;
}

/** Puts the browser's focus where the caret is, after lines have moved. */
export function useCaretFocus(caret: Caret | undefined): void {
  const before = useRef<Caret>(undefined);
  useEffect(() => {
    if (!caret || before.current === caret) return;
    before.current = caret;
    const field = document.querySelector<HTMLInputElement>(`[data-row="${caret.part}/${caret.line}/${caret.empty ? 'empty' : 'line'}"]`);
    if (field && document.activeElement !== field) field.focus();
  }, [caret]);
}
