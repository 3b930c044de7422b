import type { LinePlace } from '@portiona/core';
import { useDraggable } from '@dnd-kit/core';
import { GripVertical } from 'lucide-react';
import type { SelectBy } from './useLineSelection';

interface RowHandleProps {
  readonly place: LinePlace;
  readonly name: string;
  readonly selected: boolean;
  readonly onSelect: (place: LinePlace, by: SelectBy) => void;
}

/** At the left of a line: a press selects it, Ctrl as well, Shift all up to it; pulled, it moves. */
export function RowHandle({ place, name, selected, onSelect }: RowHandleProps) {
  const { setNodeRef, listeners } = useDraggable({ id: `${place.part}/${place.line}` });
  return (
    <button
      ref={setNodeRef}
      className="grip"
      tabIndex={-1}
      aria-pressed={selected}
      aria-label={`Select ${name}`}
      title="Press to select, pull to move"
      onClick={({ shiftKey, ctrlKey, metaKey }) => onSelect(place, shiftKey ? 'upTo' : ctrlKey || metaKey ? 'also' : 'alone')}
      {...listeners}
    >
      <GripVertical size={14} />
    </button>
  );
}
