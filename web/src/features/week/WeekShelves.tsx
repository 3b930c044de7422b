import { useDraggable, useDroppable } from '@dnd-kit/core';
import { shelvesOn, type BoxPool, type ShelfGroup, type ShelvedBox } from '@portiona/core';
import { DropPanel } from '../../ui/DropPanel';
import type { Looks } from './looks';
import { BoxMark } from './BoxMark';
import type { WeekHere } from './useWeek';
import { withGone } from './weekEdits';
import { boxesText, boxName, dayLong, dayShort, untilText } from './weekWords';

interface WeekShelvesProps {
  readonly here: WeekHere;
  readonly looks: Looks;
  readonly initials: ReadonlyMap<string, string>;
  readonly date: string;
}

/** What stands in the fridge and in the freezer on the morning of the chosen day, and who each box waits for. */
export function WeekShelves({ here, looks, initials, date }: WeekShelvesProps) {
  const { week, ground, change } = here;
  const { fridge, freezer, past } = shelvesOn(week, ground, date);
  const shown = { looks, initials, date, onGone: (pool: BoxPool) => change((one) => withGone(one, pool, 1)) };
  return (
    <div className="week-shelves">
      <Shelf
        id="fridge"
        name="Fridge"
        said={`${dayLong(date).split(' ')[0] ?? ''} morning, ${boxesText(countOf(fridge))}`}
        groups={fridge}
        {...shown}
      />
      <Shelf id="freezer" name="Freezer" said={boxesText(countOf(freezer))} groups={freezer} frozen {...shown} />
      {past.length > 0 && (
        <p className="warn text-small week-past">
          ▲ Past their day and given to nobody:{' '}
          {past
            .map(({ pool, boxes }) => `${boxes.length} ${boxName(pool).toLowerCase()}, by ${untilText(pool.fridgeUntil ?? pool.cooked)}`)
            .join('; ')}
          . They are not to be eaten.
        </p>
      )}
      {(week.gone ?? []).length > 0 && <GoneBoxes here={here} />}
    </div>
  );
}

function countOf(groups: readonly ShelfGroup[]): number {
  return groups.reduce((sum, { boxes }) => sum + boxes.length, 0);
}

interface ShelfProps extends Omit<WeekShelvesProps, 'here'> {
  readonly id: string;
  readonly name: string;
  readonly said: string;
  readonly groups: readonly ShelfGroup[];
  readonly frozen?: boolean;
  readonly onGone: (pool: BoxPool) => void;
}

function Shelf({ id, name, said, groups, frozen = false, date, looks, initials, onGone }: ShelfProps) {
  const { setNodeRef, isOver } = useDroppable({ id: `shelf ${id}`, data: { shelf: true } });
  return (
    <section aria-label={`${name}, ${said}`}>
      <h3>
        {name} <span>{said}</span>
      </h3>
      <div ref={setNodeRef} className={`week-shelf ${isOver ? 'over' : ''}`}>
        {groups.length === 0 && <span className="faint">no box</span>}
        {groups.map((group) => (
          <Group key={`${group.pool.key} ${String(group.thawed)}`} {...{ group, frozen, date, looks, initials, onGone }} />
        ))}
      </div>
    </section>
  );
}

/** Boxes drawn of a group: of more, how many more there are is said. */
const DRAWN = 8;

function Group({
  group: { pool, boxes, until, thawed },
  frozen,
  date,
  looks,
  initials,
  onGone,
}: Pick<ShelfProps, 'date' | 'looks' | 'initials' | 'onGone'> & { readonly group: ShelfGroup; readonly frozen: boolean }) {
  const spare = boxes.filter(({ meal }) => !meal).length;
  const due = !frozen && until <= date;
  return (
    <div className="week-group">
      <div className="week-boxes">
        {boxes.slice(0, DRAWN).map((box, i) => (
          <ShelfBox key={i} {...{ box, pool, frozen, looks, initials }} number={i} thawed={thawed} />
        ))}
        {boxes.length > DRAWN && <small className="muted">+{boxes.length - DRAWN}</small>}
      </div>
      <DropPanel
        label={pool.title}
        className="week-about"
        trigger={
          <button type="button" className="week-group-name">
            {boxes.length} {looks.get(pool.recipe)?.short ?? boxName(pool)}
          </button>
        }
      >
        <About pool={pool} spare={spare} onGone={onGone} />
      </DropPanel>
      <small className={due || thawed ? 'due' : ''}>
        {thawed ? 'thawed, today' : due ? 'today' : frozen ? untilText(until) : `by ${dayShort(until)}`}
        <span>
          {spare > 0 && (spare === boxes.length ? ', spare' : `, ${spare} spare`)}
          {pool.planned && pool.cooked < date && ', planned'}
        </span>
      </small>
    </div>
  );
}

/** By whose word boxes keep, and that one of them is not there any more. */
function About({ pool, spare, onGone }: { readonly pool: BoxPool; readonly spare: number; readonly onGone: (pool: BoxPool) => void }) {
  const { box, cooked, fridgeUntil, freezerUntil, because, planned, name } = pool;
  return (
    <>
      <p>
        <b>{pool.title}</b>
      </p>
      <p className="text-small">
        {planned ? 'To be cooked' : 'Cooked'} {dayLong(cooked)}
        {name === undefined ? '' : `, boxes “${name}”`}.
        {fridgeUntil !== undefined && ` In the fridge until ${dayLong(fridgeUntil)} (${because}).`}
        {freezerUntil === undefined ? ' It is not frozen.' : ` In the freezer until ${untilText(freezerUntil)}.`}
      </p>
      <p className="text-small">
        <a className="underline" href={'session' in box ? `/plan/${box.session}` : `/portion/${box.batch}`}>
          {'session' in box ? 'The session' : 'The batch, and what is in its boxes'}
        </a>
      </p>
      {spare > 0 && (
        <button type="button" className="week-out" onClick={() => onGone(pool)}>
          One is gone: eaten, given away or thrown away
        </button>
      )}
    </>
  );
}

function ShelfBox({
  box: { meal },
  pool,
  frozen,
  looks,
  initials,
  number,
  thawed,
}: Pick<ShelfProps, 'looks' | 'initials'> & {
  readonly box: ShelvedBox;
  readonly pool: BoxPool;
  readonly frozen: boolean;
  readonly number: number;
  readonly thawed: boolean;
}) {
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `shelf ${pool.key} ${String(frozen)} ${String(thawed)} ${number}`,
    data: { box: pool.box, from: meal, look: looks.get(pool.recipe)?.look },
  });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      className={`week-drag ${isDragging ? 'dragging' : ''}`}
      title={meal ? `for ${dayLong(meal.date)}` : 'nobody’s yet: drag it to a meal'}
    >
      <BoxMark
        look={looks.get(pool.recipe)?.look ?? 0}
        whence={frozen ? 'freezer' : 'fridge'}
        initial={meal && (initials.get(meal.person) ?? '?')}
        tall
      />
    </span>
  );
}

/** Boxes that somebody said are gone, and that they are there after all. */
function GoneBoxes({ here: { week, ground, change } }: { readonly here: WeekHere }) {
  return (
    <p className="text-small muted week-past">
      Gone:{' '}
      {ground.pools.flatMap((pool) => {
        const count = (week.gone ?? []).reduce(
          (sum, one) => (JSON.stringify(one.box) === JSON.stringify(pool.box) ? sum + one.count : sum),
          0,
        );
        return count === 0
          ? []
          : [
              <span key={pool.key}>
                {count} {boxName(pool).toLowerCase()}{' '}
                <button type="button" className="underline" onClick={() => change((one) => withGone(one, pool, -1))}>
                  one is there after all
                </button>
                .{' '}
              </span>,
            ];
      })}
    </p>
  );
}
