import type { LinePlace } from '@portiona/core';
import { useState, type ReactNode } from 'react';
import { useDroppable } from '@dnd-kit/core';
import { useIsDropPlace } from './dropMark';
import type { SheetActions } from './useSheetActions';

/** An empty row: what is typed or pasted into it becomes lines. */
export function AddRow({
  place,
  actions,
  caret,
  placeholder,
  children,
}: {
  readonly place: LinePlace;
  readonly actions: SheetActions;
  readonly caret: boolean;
  readonly placeholder: string;
  /** What stands at the end of the row. */
  readonly children?: ReactNode;
}) {
  // Composed text (accents, other scripts) becomes a line only when it is whole.
  const [composing, setComposing] = useState<string>();
  const { setNodeRef } = useDroppable({ id: `${place.part}/${place.line}/end` });
  const isDropPlace = useIsDropPlace(place);
  return (
    <div className={`addrow ${isDropPlace ? 'drop' : ''}`} ref={setNodeRef}>
      <input
        data-row={`${place.part}/${place.line}/empty`}
        aria-label="New ingredient"
        placeholder={caret ? 'Type an ingredient' : placeholder}
        value={composing ?? ''}
        onFocus={() => actions.setCaret({ ...place, empty: true })}
        onChange={({ target, nativeEvent }) => {
          if (nativeEvent instanceof InputEvent && nativeEvent.isComposing) setComposing(target.value);
          else if (target.value.trim() !== '') actions.insert(place, [target.value]);
        }}
        onCompositionEnd={({ currentTarget }) => {
          setComposing(undefined);
          actions.insert(place, [currentTarget.value]);
        }}
        onPaste={(event) => {
          event.preventDefault();
          actions.insert(place, event.clipboardData.getData('text').split(/\r?\n/));
        }}
        onKeyDown={(event) => {
          if (event.key === 'Backspace' && place.line > 0) {
            event.preventDefault();
            actions.setCaret({ ...place, line: place.line - 1, empty: false });
          } else actions.onKey(event, { ...place, empty: true });
        }}
      />
      {children}
    </div>
  );
}
