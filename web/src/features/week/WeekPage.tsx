import { useMemo, useState } from 'react';
import { useMay } from '../account/useMe';
import { Link, useParams } from 'react-router';
import { DndContext, DragOverlay, MouseSensor, pointerWithin, TouchSensor, useSensor, useSensors } from '@dnd-kit/core';
import { daysOfWeek, weekSeen, type BoxOf, type Person } from '@portiona/core';
import { Button } from '../../ui/Button';
import { dayOf } from '../../ui/timeText';
import { UnreadPage } from '../../ui/UnreadPage';
import { PlanHead } from '../plan/PlanHead';
import { OnlyLooking } from '../account/OnlyLooking';
import { DocumentNotice } from '../saving/DocumentNotice';
import { useUndoKeys } from '../saving/useUndoKeys';
import { BoxMark } from './BoxMark';
import { DayDocket } from './DayDocket';
import { initialsOf, looksOf } from './looks';
import { PersonForm } from './PersonForm';
import { useProposal } from './useProposal';
import { useWeek, type WeekHere } from './useWeek';
import { mondayOf, withBox, withMeals, withMoved, type MealPlace } from './weekEdits';
import { WeekGrid } from './WeekGrid';
import { WeekLooks } from './WeekLooks';
import { WeekMore } from './WeekMore';
import { WeekMoney } from './WeekMoney';
import { WeekShelves } from './WeekShelves';
import { WeekSum } from './WeekSum';
import { dayLong } from './weekWords';
import '../plan/plan.css';
import './week.css';

/** A press must travel so many pixels before it drags. */
const MOUSE = { activationConstraint: { distance: 6 } };
/** A thumb rests before it drags: else it scrolls. */
const TOUCH = { activationConstraint: { delay: 220, tolerance: 8 } };

/** A week of boxes: who eats which on what day, what the days come to, and what stands on the shelves. */
export function WeekPage() {
  const { from } = useParams();
  const [today] = useState(() => dayOf(new Date()));
  const monday = mondayOf(from !== undefined && /^\d{4}-\d{2}-\d{2}$/.test(from) && !Number.isNaN(Date.parse(from)) ? from : today);
  const { here, trouble, reload } = useWeek(monday);
  if (trouble !== undefined) return <UnreadPage why={trouble} onRetry={reload} />;
  if (!here) return <main className="page" aria-busy="true" />;
  return <WeekOfBoxes key={monday} here={here} reload={reload} />;
}

function WeekOfBoxes({ here, reload }: { readonly here: WeekHere; readonly reload: () => void }) {
  const { week, ground, opened, change, undo, redo } = here;
  const days = daysOfWeek(week);
  const looks = useMemo(() => looksOf(ground.pools), [ground.pools]);
  const initials = useMemo(() => initialsOf(ground.people), [ground.people]);
  const seen = useMemo(() => weekSeen(week, ground), [week, ground]);
  const proposal = useProposal(week, ground);
  const [chosen, setChosen] = useState({
    person: ground.people[0]?.id ?? '',
    date: days.includes(ground.today) ? ground.today : (days[0] ?? week.from),
  });
  const [form, setForm] = useState<{ readonly person: Person | undefined; readonly name?: string }>();
  const [dragged, setDragged] = useState<number>();
  const sensors = useSensors(useSensor(MouseSensor, MOUSE), useSensor(TouchSensor, TOUCH));
  const showsCosts = useMay('costs');
  useUndoKeys(undo, redo);
  const proposed = useMemo(() => {
    const open = new Set(proposal.open);
    return proposal.open.length === 0
      ? []
      : weekSeen({ ...week, meals: [...week.meals, ...proposal.open] }, ground).filter(({ meal }) => open.has(meal));
  }, [proposal.open, week, ground]);
  const person = ground.people.find(({ id }) => id === chosen.person) ?? ground.people[0];
  return (
    <main className="plan-page week-page">
      <PlanHead
        over={
          <>
            {ground.people.length === 0 ? 'nobody yet' : ground.people.map(({ name }) => name).join(' and ')}
            {opened.sessions.some(({ date }) => days.includes(date)) &&
              `, ${opened.sessions
                .filter(({ date }) => days.includes(date))
                .map(({ name }) => name.toLowerCase())
                .join(', ')}`}
          </>
        }
        title={`Week of ${dayLong(week.from).split(' ').slice(1).join(' ')}`}
        session={(opened.sessions.find(({ date }) => date >= ground.today) ?? opened.sessions.at(-1))?.id}
      />
      <OnlyLooking what="week" />
      <DocumentNotice here={here} what="week" />
      <DndContext
        sensors={sensors}
        collisionDetection={pointerWithin}
        accessibility={{ screenReaderInstructions: { draggable: 'Press Enter to choose a box for a meal instead.' } }}
        onDragStart={({ active }) => setDragged((active.data.current as Dragged | undefined)?.look)}
        onDragCancel={() => setDragged(undefined)}
        onDragEnd={({ active, over }) => {
          setDragged(undefined);
          const moved = active.data.current as Dragged | undefined;
          const to = over?.data.current as { readonly place?: MealPlace; readonly shelf?: true } | undefined;
          if (!moved || !to) return;
          const { from, box } = moved;
          if (to.shelf && from) change((one) => withBox(one, from, undefined));
          const { place } = to;
          if (!place) return;
          setChosen({ person: place.person, date: place.date });
          if (from) change((one) => withMoved(one, from, place));
          else if (box) change((one) => withBox(one, place, box));
        }}
      >
        <div className="desk">
          <section className="bench week" aria-label="Week">
            <div className="week-head">
              {ground.people.length > 0 && (
                <WeekSum {...{ here, proposal }} more={<WeekMore here={here} onAdd={() => setForm({ person: undefined })} />} />
              )}
            </div>
            {ground.people.length === 0 ? (
              <NobodyYet here={here} onAdd={(name) => setForm({ person: undefined, ...(name === undefined ? {} : { name }) })} />
            ) : (
              <>
                <div className="week-scroll">
                  <WeekGrid
                    {...{ here, seen, proposed, looks, chosen }}
                    onChoose={(who, date) => setChosen({ person: who, date })}
                    onTake={(meals) => change((one) => withMeals(one, meals))}
                    onPerson={(one) => setForm({ person: one })}
                  />
                </div>
                <WeekShelves {...{ here, looks, initials }} date={chosen.date} />
                <WeekLooks {...{ here, seen, proposal }} />
              </>
            )}
          </section>
          <div className="slot plan-slot week-slot">
            {person && <DayDocket {...{ here, person, looks }} date={chosen.date} />}
            {ground.people.length > 0 && showsCosts && <WeekMoney here={here} />}
          </div>
        </div>
        <DragOverlay>{dragged !== undefined && <BoxMark look={dragged} tall />}</DragOverlay>
      </DndContext>
      {form && (
        <PersonForm
          key={form.person?.id ?? 'new'}
          saved={opened.people.find(({ id }) => id === form.person?.id)}
          {...(form.name === undefined ? {} : { name: form.name })}
          others={ground.people}
          dishes={opened.dishes}
          currency={opened.currency}
          onClose={() => setForm(undefined)}
          onRemoved={reload}
        />
      )}
    </main>
  );
}

/** What a drag carries. */
interface Dragged {
  readonly box?: BoxOf;
  readonly from?: MealPlace;
  readonly look?: number;
}

/** Nobody eats from the boxes: who may, by the names that stand on boxes. */
function NobodyYet({ here: { ground }, onAdd }: { readonly here: WeekHere; readonly onAdd: (name?: string) => void }) {
  const names = [...new Set(ground.pools.flatMap(({ name }) => name ?? []))].slice(0, 6);
  return (
    <div className="week-nobody">
      <h2>Who eats from the boxes?</h2>
      <p className="muted">
        Say who, and what a day is to come to. Then boxes of batches and of planned sessions are given to days: by hand, or proposed.
      </p>
      <div className="flex gap-2 flex-wrap">
        {names.map((name) => (
          <Button key={name} onClick={() => onAdd(name)}>
            {name}
          </Button>
        ))}
        <Button kind="main" onClick={() => onAdd()}>
          Add somebody
        </Button>
      </div>
      {ground.pools.length === 0 && (
        <p className="muted">
          There are no boxes yet. <Link to="/plan">Plan a session</Link>, or put a batch into boxes.
        </p>
      )}
    </div>
  );
}
