import { useState, type ReactNode } from 'react';
import { DndContext, DragOverlay, PointerSensor, pointerWithin, useSensor, useSensors, type DragMoveEvent } from '@dnd-kit/core';
import { lineText, type LinePlace } from '@portiona/core';
import { holds, type Selection } from '../../features/recipes/selection';
import { useStation } from '../station';
import { DropMark } from './dropMark';
import type { LineSelection } from './useLineSelection';

/** A press must travel so many pixels before it drags: less selects. The same object at every key, or every row would be made anew. */
const POINTER = { activationConstraint: { distance: 5 } };
/** Keys move lines in their own way, and say so where they do. */
const INSTRUCTIONS = { draggable: 'Shift and the arrows select lines, Alt and the arrows move them.' };

/** Lines are dragged by their handles: one, or all that are selected, within their part and into others. */
export function LinesDragged({ selected, children }: { readonly selected: LineSelection; readonly children: ReactNode }) {
  const { recipe, here } = useStation();
  const sensors = useSensors(useSensor(PointerSensor, POINTER));
  const [dragged, setDragged] = useState<Selection>();
  const [before, setBefore] = useState<LinePlace>();
  const end = () => {
    setDragged(undefined);
    setBefore(undefined);
  };
  const [first] = dragged ?? [];
  const line = first && recipe.parts[first.part]?.lines[first.line];
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={{ screenReaderInstructions: INSTRUCTIONS }}
      onDragStart={({ active }) => {
        const place = placeOfId(String(active.id));
        setDragged(holds(selected.lines, place) ? selected.lines : [place]);
      }}
      // What is under the pointer is known one move late: both are listened to, or the last move would be lost.
      onDragMove={(event) => setBefore(placeUnder(event))}
      onDragOver={(event) => setBefore(placeUnder(event))}
      onDragCancel={end}
      onDragEnd={() => {
        if (dragged && before) selected.drop(dragged, before);
        end();
      }}
    >
      <DropMark value={dragged ? before : undefined}>{children}</DropMark>
      <DragOverlay dropAnimation={null}>
        {line && dragged && (
          <div className="dragged">
            {dragged.length > 1 ? `${dragged.length} lines` : (line.text ?? lineText(line, here.foodsById.get(line.food ?? '')))}
          </div>
        )}
      </DragOverlay>
    </DndContext>
  );
}

function placeOfId(id: string): LinePlace {
  const [part, line] = id.split('/').map(Number);
  return { part: part ?? 0, line: line ?? 0 };
}

/** The place before which lines would be dropped: the line under the pointer, or the one behind it from its middle on. */
function placeUnder({ over, activatorEvent, delta }: DragMoveEvent): LinePlace | undefined {
  if (!over || !(activatorEvent instanceof PointerEvent)) return undefined;
  const place = placeOfId(String(over.id));
  const lower = activatorEvent.clientY + delta.y > over.rect.top + over.rect.height / 2;
  return lower && !String(over.id).endsWith('/end') ? { ...place, line: place.line + 1 } : place;
}
