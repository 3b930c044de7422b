import { useState, type KeyboardEvent } from 'react';
import { Link } from 'react-router';
import {
  dayFigures,
  daysOfWeek,
  freezesOn,
  isOff,
  MEALS,
  mealsOf,
  poolsByKey,
  thawsOn,
  type Meal,
  type MealSeen,
  type Person,
  type PlannedMeal,
} from '@portiona/core';
import { numberText } from '../../ui/numberText';
import { movesText, type Looks } from './looks';
import { MealCell } from './MealCell';
import type { WeekHere } from './useWeek';
import { isAt, type MealPlace } from './weekEdits';
import { dayLong, dayShort, firstAsked, MEAL_NAMES } from './weekWords';

interface WeekGridProps {
  readonly here: WeekHere;
  readonly seen: readonly MealSeen[];
  readonly proposed: readonly MealSeen[];
  readonly looks: Looks;
  readonly chosen: { readonly person: string; readonly date: string };
  readonly onChoose: (person: string, date: string) => void;
  readonly onTake: (meals: readonly PlannedMeal[]) => void;
  readonly onPerson: (person: Person) => void;
}

/** Days across, people down: a box for each meal, what each day comes to, and what goes from place to place of an evening. */
export function WeekGrid({ here, seen, proposed, looks, chosen, onChoose, onTake, onPerson }: WeekGridProps) {
  const { week, ground, opened, change } = here;
  const days = daysOfWeek(week);
  const [at, setAt] = useState('0 0');
  const [open, setOpen] = useState<MealPlace>();
  const rows = rowsOf(ground.people, seen);
  const evenings = days.map((date) => ({ date, thaw: thawsOn(week, ground, date), freeze: freezesOn(week, ground, date) }));
  return (
    <table className="week-grid" aria-label="Boxes by day and person" onKeyDown={(event) => byArrows(event, setAt)}>
      <thead>
        <tr>
          <td />
          {days.map((date) => {
            const sessions = opened.sessions.filter((one) => one.date === date);
            const off = ground.people.filter(({ id }) => isOff(week, id, date));
            const offered = proposed.filter(({ meal }) => meal.date === date);
            return (
              <th key={date} scope="col" className={date === chosen.date ? 'chosen' : ''}>
                <b aria-label={dayLong(date)}>
                  {dayShort(date)}
                  {date === ground.today && <small> today</small>}
                </b>
                {sessions.map(({ id, start, name }) => (
                  <Link key={id} to={`/plan/${id}`} className="week-cooks" title={name}>
                    cook {start}
                  </Link>
                ))}
                {off.length > 0 && <span>{off.map(({ name }) => name).join(', ')} off</span>}
                {offered.length > 0 && (
                  <button type="button" className="week-take" onClick={() => onTake(offered.map(({ meal }) => meal))}>
                    Take {offered.length}
                    <span className="sr"> proposed for {dayLong(date)}</span>
                  </button>
                )}
              </th>
            );
          })}
        </tr>
      </thead>
      {ground.people.map((person) => {
        const own = rows.filter((row) => row.person === person);
        const offered = proposed.filter(({ meal }) => meal.person === person.id);
        return (
          <tbody key={person.id}>
            {own.map(({ meal, row }, i) => (
              <tr key={meal} className={i === 0 ? 'first' : ''}>
                <th scope="row">
                  {i === 0 && (
                    <span className="week-who">
                      <button
                        type="button"
                        className="week-person"
                        onClick={() => onPerson(person)}
                        title={`What ${person.name} eats, and how much`}
                      >
                        {person.name}
                      </button>
                      {offered.length > 0 && (
                        <button type="button" className="week-take" onClick={() => onTake(offered.map((one) => one.meal))}>
                          Take {offered.length}
                          <span className="sr"> proposed for {person.name}</span>
                        </button>
                      )}
                    </span>
                  )}
                  <span>{MEAL_NAMES[meal]}</span>
                </th>
                {days.map((date, column) => {
                  const place = { person: person.id, date, meal };
                  const cell = `${row} ${column}`;
                  return (
                    <MealCell
                      key={date}
                      {...{ place, person, looks, week, ground, cell }}
                      seen={seen.find((one) => isAt(place)(one.meal))}
                      proposed={proposed.find((one) => isAt(place)(one.meal))}
                      open={open !== undefined && isAt(place)(open)}
                      onOpen={(next) => setOpen(next ? place : undefined)}
                      focusable={at === cell}
                      onFocus={() => {
                        setAt(cell);
                        onChoose(person.id, date);
                      }}
                      onChange={change}
                      onTake={(one) => onTake([one])}
                    />
                  );
                })}
              </tr>
            ))}
            <tr className="week-sums">
              <th scope="row">{firstAsked(person, opened.currency)}</th>
              {days.map((date, column) => (
                <DaySum
                  key={date}
                  {...{ here, person, date }}
                  cell={`${rows.filter((one) => one.person === person).length + (own[0]?.row ?? 0)} ${column}`}
                  focusable={at === `${own.length + (own[0]?.row ?? 0)} ${column}`}
                  chosen={chosen.person === person.id && chosen.date === date}
                  onChoose={() => {
                    setAt(`${own.length + (own[0]?.row ?? 0)} ${column}`);
                    onChoose(person.id, date);
                  }}
                />
              ))}
            </tr>
          </tbody>
        );
      })}
      <tbody>
        <tr className="week-evening">
          <th scope="row">That evening</th>
          {evenings.map(({ date, thaw, freeze }) => (
            <td key={date} className={date === chosen.date ? 'chosen' : ''}>
              {thaw.length > 0 && (
                <span>
                  <small>to the fridge</small> <b>{movesText(thaw, looks)}</b>
                </span>
              )}
              {freeze.length > 0 && (
                <span>
                  <small>freeze</small> <b>{movesText(freeze, looks)}</b>
                </span>
              )}
              {thaw.length + freeze.length === 0 && '–'}
            </td>
          ))}
        </tr>
      </tbody>
    </table>
  );
}

/** Every meal of everybody that is eaten from a box, or has one, in order; `row` counts the rows with sums between them. */
function rowsOf(
  people: readonly Person[],
  seen: readonly MealSeen[],
): { readonly person: Person; readonly meal: Meal; readonly row: number }[] {
  const rows: { person: Person; meal: Meal; row: number }[] = [];
  let row = 0;
  for (const person of people) {
    const own = mealsOf(person).map(({ meal }) => meal);
    const given = new Set(seen.flatMap(({ meal }) => (meal.person === person.id ? [meal.meal] : [])));
    for (const meal of MEALS) if (own.includes(meal) || given.has(meal)) rows.push({ person, meal, row: row++ });
    row++;
  }
  return rows;
}

/** The arrows go from cell to cell. */
function byArrows(event: KeyboardEvent<HTMLTableElement>, onAt: (cell: string) => void): void {
  const by = { ArrowRight: [0, 1], ArrowLeft: [0, -1], ArrowDown: [1, 0], ArrowUp: [-1, 0] }[event.key];
  const from = (event.target as HTMLElement).dataset['cell'];
  if (!by || from === undefined) return;
  const [row = 0, column = 0] = from.split(' ').map(Number);
  const to = `${row + (by[0] ?? 0)} ${column + (by[1] ?? 0)}`;
  const next = event.currentTarget.querySelector<HTMLElement>(`[data-cell="${to}"]`);
  if (!next) return;
  event.preventDefault();
  onAt(to);
  next.focus();
}

function DaySum({
  here: { week, ground },
  person,
  date,
  cell,
  focusable,
  chosen,
  onChoose,
}: {
  readonly here: WeekHere;
  readonly person: Person;
  readonly date: string;
  readonly cell: string;
  readonly focusable: boolean;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}) {
  const meals = week.meals.filter((one) => one.person === person.id && one.date === date);
  const { figureOf, judgements, boxes } = dayFigures(meals, person, poolsByKey(ground.pools));
  const [energy, protein] = [figureOf('energyKcal'), figureOf('protein')];
  const off = isOff(week, person.id, date);
  const hard = judgements.filter(({ target }) => target.wish !== true);
  const missed = hard.some(({ verdict }) => verdict === 'missed' || verdict === 'unknown');
  const unsure = hard.some(({ verdict }) => verdict === 'unsure');
  const mark = off ? 'off' : boxes.length === 0 || hard.length === 0 ? '' : missed ? '▲' : unsure ? '≈' : '✓';
  const said = off
    ? 'eats elsewhere'
    : { '': '', '▲': 'a target is missed', '≈': 'within the targets, not surely', '✓': 'all targets hold', off: '' }[mark];
  return (
    <td className={chosen ? 'picked' : ''}>
      <button
        type="button"
        className="week-sum"
        data-cell={cell}
        tabIndex={focusable ? 0 : -1}
        aria-pressed={chosen}
        title={said}
        onClick={onChoose}
        onFocus={onChoose}
      >
        <span className="sr">
          {person.name}, {dayLong(date)}:{' '}
        </span>
        {boxes.length === 0 ? (
          <span className="faint">–</span>
        ) : (
          <span>
            <b>
              {energy.atLeast ? '≥ ' : ''}
              {energy.amount === undefined ? '?' : numberText(energy.amount, 0)}
            </b>
            <span className="sr"> kcal, protein</span> {protein.amount === undefined ? '?' : numberText(protein.amount, 0)} g
          </span>
        )}
        <i className={missed && !off ? 'warn' : 'ok'}>
          <span aria-hidden={mark !== 'off'}>{mark}</span>
          {said !== '' && <span className="sr">, {said}</span>}
        </i>
      </button>
    </td>
  );
}
