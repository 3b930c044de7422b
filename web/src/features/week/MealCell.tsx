import { useDraggable, useDroppable } from '@dnd-kit/core';
import type { MealSeen, Person, PlannedMeal, Week, WeekGround } from '@portiona/core';
import { DropPanel } from '../../ui/DropPanel';
import type { Looks } from './looks';
import { BoxMark } from './BoxMark';
import { MealChooser } from './MealChooser';
import { withBox, type MealPlace } from './weekEdits';
import { boxName, dayLong, MEAL_NAMES, noteText, whenceText } from './weekWords';

interface MealCellProps {
  readonly place: MealPlace;
  readonly person: Person;
  readonly seen: MealSeen | undefined;
  /** A box that is proposed, where there is none. */
  readonly proposed: MealSeen | undefined;
  readonly looks: Looks;
  readonly week: Week;
  readonly ground: WeekGround;
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly focusable: boolean;
  readonly cell: string;
  readonly onFocus: () => void;
  readonly onChange: (next: (week: Week) => Week) => void;
  readonly onTake: (meal: PlannedMeal) => void;
}

/** One meal of somebody on a day: its box, one that is proposed, or none; pressed, another can be chosen. */
export function MealCell({
  place,
  person,
  seen,
  proposed,
  looks,
  week,
  ground,
  open,
  onOpen,
  focusable,
  cell,
  onFocus,
  onChange,
  onTake,
}: MealCellProps) {
  const id = JSON.stringify([place.person, place.date, place.meal]);
  const { setNodeRef: dropRef, isOver } = useDroppable({ id: `meal ${id}`, data: { place } });
  const {
    setNodeRef: dragRef,
    listeners,
    isDragging,
  } = useDraggable({ id: `box ${id}`, data: { from: place, look: seen?.pool && looks.get(seen.pool.recipe)?.look }, disabled: !seen });
  const shown = seen ?? proposed;
  const notes = (seen?.notes ?? []).map(noteText);
  const where = `${person.name}, ${dayLong(place.date)}, ${MEAL_NAMES[place.meal]}`;
  const what = wordsOf(seen, proposed, notes);
  const variant = shown && 'session' in shown.meal.box ? shown.meal.box.variant : undefined;
  const button = (
    <button
      ref={dragRef}
      type="button"
      className={`week-meal ${seen ? '' : proposed ? 'proposed' : 'none'} ${isDragging ? 'dragging' : ''} ${notes.length > 0 ? 'noted' : ''}`}
      aria-label={`${where}: ${what}`}
      title={notes.length > 0 ? `▲ ${notes.join('; ')}` : undefined}
      tabIndex={focusable ? 0 : -1}
      data-cell={cell}
      onFocus={onFocus}
      onKeyDown={(event) => {
        if ((event.key === 'Delete' || event.key === 'Backspace') && seen) onChange((one) => withBox(one, place, undefined));
      }}
      {...listeners}
      {...(!seen && proposed ? { onClick: () => onTake(proposed.meal) } : {})}
    >
      {shown ? (
        <>
          <BoxMark look={looks.get(shown.pool?.recipe ?? '')?.look ?? 0} whence={shown.whence} />
          <span className="week-name">
            {shown.pool ? (looks.get(shown.pool.recipe)?.short ?? boxName(shown.pool)) : 'gone'}
            {variant !== undefined && <small>{variant}</small>}
          </span>
          {notes.length > 0 && (
            <span className="warn week-flag" aria-hidden>
              ▲
            </span>
          )}
        </>
      ) : (
        <span className="week-none" aria-hidden>
          –
        </span>
      )}
    </button>
  );
  return (
    <td ref={dropRef} className={isOver ? 'over' : ''}>
      {!seen && proposed ? (
        button
      ) : (
        <DropPanel label={where} className="week-chooser" trigger={button} open={open} onOpenChange={onOpen}>
          <MealChooser {...{ place, person, seen, looks, week, ground, onChange }} onDone={() => onOpen(false)} />
        </DropPanel>
      )}
    </td>
  );
}

function wordsOf(seen: MealSeen | undefined, proposed: MealSeen | undefined, notes: readonly string[]): string {
  if (seen) {
    const from = seen.whence && seen.pool ? `, ${whenceText(seen.whence, seen.pool, seen.meal.date)}` : '';
    return `${boxWords(seen)}${from}${notes.length > 0 ? `; ${notes.join('; ')}` : ''}`;
  }
  return proposed?.pool ? `${boxWords(proposed)} is proposed; press to take it` : 'no box';
}

function boxWords({ pool, meal: { box } }: MealSeen): string {
  const variant = 'session' in box && box.variant !== undefined ? `, ${box.variant}` : '';
  return `${pool?.title ?? 'a box that is gone'}${variant}`;
}
