import { useMemo, useState } from 'react';
import { IfMay } from '../account/IfMay';
import { Link, useParams } from 'react-router';
import { DndContext, MouseSensor, pointerWithin, TouchSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import { ArrowDown, ArrowUp, GripVertical } from 'lucide-react';
import { useListSeriesQuery, useNumberSeriesMutation, type SeriesDishDto, type SeriesDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Input } from '../../ui/Input';
import { Ledger, LedgerRow } from '../../ui/Ledger';
import { useToast } from '../../ui/Toasts';
import { UnreadPage } from '../../ui/UnreadPage';
import { Binding } from './Binding';
import { IndexedUnder } from './IndexedUnder';
import { SeriesWords } from './SeriesWords';
import './series.css';

/** A series: its dishes in their order and by their numbers, what it says of itself, and the booklet of it. */
export function SeriesPage() {
  const { name = '' } = useParams();
  const { data, error, refetch } = useListSeriesQuery(undefined, { refetchOnMountOrArgChange: true });
  if (error) return <UnreadPage why={problemText(problemOf(error))} onRetry={() => void refetch()} />;
  if (!data) return <main className="page" aria-busy="true" />;
  const series = data.find((one) => one.name === name);
  return (
    <main className="page">
      <nav className="text-compact muted" aria-label="Where this is">
        <Link className="underline" to="/cards">
          Cards
        </Link>{' '}
        / series
      </nav>
      <div className="page-head">
        <h1>{name}</h1>
        {series && <span className="muted">{series.dishes.length === 1 ? 'one dish' : `${series.dishes.length} dishes`}</span>}
      </div>
      {series ? (
        <div className="series-page">
          <Order key={orderKey(series)} series={series} />
          <aside>
            <SeriesWords key={name} series={series} />
            <Binding series={name} />
          </aside>
        </div>
      ) : (
        <div className="empty">
          <h2>No dish is of this series</h2>
          <p className="muted">A dish says which series it is of beside its method, at its Build station.</p>
        </div>
      )}
    </main>
  );
}

/** What is saved: another order or other numbers begin anew. */
function orderKey({ dishes }: SeriesDto): string {
  return dishes.map(({ id, number }) => `${id} ${number}`).join(',');
}

function Order({ series: { dishes, trouble } }: { readonly series: SeriesDto }) {
  const [order, setOrder] = useState<readonly string[]>(() => dishes.map(({ id }) => id));
  const firstNow = Math.max(0, Math.floor(dishes.find(({ number }) => number !== null)?.number ?? 1));
  const [first, setFirst] = useState(firstNow);
  const [save, { isLoading }] = useNumberSeriesMutation();
  const say = useToast();
  const byId = useMemo(() => new Map(dishes.map((dish) => [dish.id, dish])), [dishes]);
  const numbered = order.flatMap((id, i) => {
    const dish = byId.get(id);
    return dish ? [{ dish, next: first + i }] : [];
  });
  const changed = numbered.filter(({ dish, next }) => dish.number !== next);
  const published = changed.filter(({ dish }) => dish.issue !== null);
  const moved = order.some((id, i) => id !== dishes[i]?.id) || first !== firstNow;
  // Numbers as they stand are shown until there is a reason to give others.
  const offers = moved || trouble.length > 0;
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  const move = (id: string, to: number) => {
    const rest = order.filter((one) => one !== id);
    const at = Math.min(Math.max(0, to), rest.length);
    setOrder([...rest.slice(0, at), id, ...rest.slice(at)]);
  };
  const keep = () => {
    save({ numberingDto: { dishes: numbered.map(({ dish: { id, revision }, next }) => ({ id, revision, number: next })) } })
      .unwrap()
      .then(() => say(`Numbered ${first} to ${first + numbered.length - 1}.`))
      .catch((error: unknown) => say(problemText(problemOf(error))));
  };
  return (
    <section>
      {trouble.map((what) => (
        <p key={what} className="warn series-trouble">
          ▲ {what}
        </p>
      ))}
      <DndContext
        sensors={sensors}
        collisionDetection={pointerWithin}
        onDragEnd={({ active, over }) => {
          if (over && over.id !== active.id) move(String(active.id), order.indexOf(String(over.id)));
        }}
      >
        <Ledger className="series-dishes">
          <LedgerRow heads>
            <span />
            <span className="num">no.</span>
            <span>dish</span>
            <span>card</span>
            <span>in the index under</span>
            <span />
          </LedgerRow>
          {numbered.map(({ dish, next }, i) => (
            <DishRow
              key={dish.id}
              dish={dish}
              next={offers ? next : (dish.number ?? next)}
              onUp={i === 0 ? undefined : () => move(dish.id, i - 1)}
              onDown={i === numbered.length - 1 ? undefined : () => move(dish.id, i + 1)}
            />
          ))}
        </Ledger>
      </DndContext>
      <div className="series-numbering">
        <label className="flex gap-2 items-center">
          The first is no.
          <Input
            className="w-[72px] num"
            type="number"
            min={0}
            max={90_000}
            value={first}
            onChange={({ target }) => {
              if (target.validity.valid && target.value !== '') setFirst(Math.round(Number(target.value)));
            }}
          />
        </label>
        <IfMay right="edit">
          <Button kind={offers && changed.length > 0 ? 'main' : 'plain'} disabled={isLoading || changed.length === 0} onClick={keep}>
            Number them {first} to {first + numbered.length - 1}
          </Button>
        </IfMay>
        <span className="muted text-compact" role="status">
          {changed.length === 0
            ? 'They are numbered so.'
            : `${changed.length === 1 ? 'One dish gets' : `${changed.length} dishes get`} another number${
                published.length === 0
                  ? '.'
                  : `; ${published.length === 1 ? 'one published card prints' : `${published.length} published cards print`} the old one until the next issue.`
              }`}
        </span>
        {moved && (
          <Button
            kind="quiet"
            onClick={() => {
              setOrder(dishes.map(({ id }) => id));
              setFirst(firstNow);
            }}
          >
            As it was
          </Button>
        )}
      </div>
    </section>
  );
}

interface DishRowProps {
  readonly dish: SeriesDishDto;
  readonly next: number;
  readonly onUp: (() => void) | undefined;
  readonly onDown: (() => void) | undefined;
}

function DishRow({ dish, next, onUp, onDown }: DishRowProps) {
  const { id, title, number, issue, printed, takenBack } = dish;
  const { setNodeRef, isOver } = useDroppable({ id });
  const { setNodeRef: setHandle, listeners, transform } = useDraggable({ id });
  return (
    <LedgerRow
      ref={setNodeRef}
      className={isOver ? 'drop' : ''}
      style={transform ? { transform: `translateY(${transform.y}px)`, position: 'relative', zIndex: 2 } : undefined}
    >
      <span ref={setHandle} {...listeners} className="series-handle" aria-hidden>
        <GripVertical size={15} />
      </span>
      <span className="num">
        {number !== null && number !== next && <del className="muted">{number}</del>}{' '}
        <b className={number === next ? '' : 'warn'}>{next}</b>
      </span>
      <Link className="dish" to={`/recipes/${id}/card`}>
        {title}
      </Link>
      <span className="text-compact">
        {issue === null ? (
          <span className="muted">not published</span>
        ) : takenBack !== null ? (
          <span className="warn">▲ issue {issue}, taken back</span>
        ) : printed !== null && printed !== number ? (
          <span className="warn">
            ▲ issue {issue} prints no. {printed}
          </span>
        ) : (
          `issue ${issue}`
        )}
      </span>
      <IndexedUnder key={dish.indexed.join(',')} dish={dish} />
      <span className="series-moves">
        <Button kind="icon" disabled={!onUp} onClick={onUp} aria-label={`${title}: earlier`}>
          <ArrowUp size={15} />
        </Button>
        <Button kind="icon" disabled={!onDown} onClick={onDown} aria-label={`${title}: later`}>
          <ArrowDown size={15} />
        </Button>
      </span>
    </LedgerRow>
  );
}
