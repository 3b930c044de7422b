import { useState } from 'react';
import {
  boxesOf,
  contentOf,
  givenOf,
  ruleAgainst,
  whenceOn,
  type BoxOf,
  type BoxPool,
  type Loosened,
  type MealSeen,
  type Person,
  type Week,
  type WeekGround,
} from '@portiona/core';
import { numberText } from '../../ui/numberText';
import type { Looks } from './looks';
import { BoxMark } from './BoxMark';
import { isAt, withAgain, withBox, withSeasoned, type MealPlace } from './weekEdits';
import { boxesText, boxName, notThenText, whenceText } from './weekWords';

interface MealChooserProps {
  readonly place: MealPlace;
  readonly person: Person;
  readonly seen: MealSeen | undefined;
  readonly looks: Looks;
  readonly week: Week;
  readonly ground: WeekGround;
  readonly onChange: (next: (week: Week) => Week) => void;
  readonly onDone: () => void;
}

const RULES: Readonly<Record<Exclude<Loosened, 'none'>, string>> = {
  again: 'the same dish twice running',
  'of another': 'has another name on it',
  'not wished then': 'not wished at this meal',
  'no such meal': 'at a meal not eaten from a box',
};

/** A box that may be given, and what speaks against it. */
interface Offer {
  readonly pool: BoxPool;
  readonly box: BoxOf;
  readonly left: number;
  readonly against: Loosened;
  readonly not: string | undefined;
}

/** Boxes for one meal: those that keep and that nothing speaks against first, then with what does; and taking it out. */
export function MealChooser({ place, person, seen, looks, week, ground, onChange, onDone }: MealChooserProps) {
  const [all, setAll] = useState(false);
  const offers = offersFor(place, person, week, ground);
  const then = offers.filter(({ not, left }) => not === undefined && left > 0);
  const other = offers.filter(({ not, left }) => not !== undefined || left <= 0);
  const give = ({ box, against, pool }: Offer) => {
    onChange((one) => {
      const given = withBox(one, place, box);
      return against === 'again' ? withAgain(given, place.person, place.date, pool.recipe) : given;
    });
    onDone();
  };
  const seasoning = seen?.pool && 'session' in seen.pool.box && seen.pool.contents.length > 1 ? seen.pool : undefined;
  return (
    <>
      {then.length === 0 && <p className="muted p-2">No box that keeps until then is left.</p>}
      {then.map((offer) => (
        <OfferRow
          key={`${offer.pool.key} ${variantOf(offer.box) ?? ''}`}
          offer={offer}
          looks={looks}
          date={place.date}
          meal={place.meal}
          onGive={() => give(offer)}
        />
      ))}
      {other.length > 0 && (
        <button type="button" className="week-more" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Not' : `${other.length} more that are not`} for this meal
        </button>
      )}
      {all &&
        other.map(({ pool, box, not, left }) => (
          <p key={`${pool.key} ${variantOf(box) ?? ''}`} className="week-not">
            <BoxMark look={looks.get(pool.recipe)?.look ?? 0} />
            <span>
              {boxName(pool)}
              <small>{left <= 0 ? 'all given' : not}</small>
            </span>
          </p>
        ))}
      {seasoning && <Seasonings pool={seasoning} place={place} week={week} onChange={onChange} />}
      {seen && (
        <button
          type="button"
          className="week-out"
          onClick={() => {
            onChange((one) => withBox(one, place, undefined));
            onDone();
          }}
        >
          Take it out
        </button>
      )}
    </>
  );
}

function variantOf(box: BoxOf): string | undefined {
  return 'session' in box ? box.variant : undefined;
}

function offersFor(place: MealPlace, person: Person, week: Week, ground: WeekGround): Offer[] {
  const without = withBox(week, place, undefined);
  const given = givenOf([...ground.others, ...without.meals], [...ground.gone, ...(week.gone ?? [])]);
  const offers = ground.pools.flatMap((pool): Offer[] => {
    const left = pool.count - (given.get(pool.key) ?? 0);
    const whence = whenceOn(pool, place.date, place.meal);
    const not =
      typeof whence !== 'string'
        ? notThenText(whence.not)
        : whence === 'freezer' && place.date <= ground.today
          ? 'frozen: it cannot thaw in time'
          : undefined;
    return boxesOf(pool, week).map((box) => ({
      pool,
      box,
      left,
      not,
      against: ruleAgainst({ ...place, box }, pool, person, without, ground),
    }));
  });
  return offers.sort((a, b) => Number(a.against !== 'none') - Number(b.against !== 'none'));
}

function OfferRow({
  offer: { pool, box, left, against },
  looks,
  date,
  meal,
  onGive,
}: {
  readonly offer: Offer;
  readonly looks: Looks;
  readonly date: string;
  readonly meal: MealPlace['meal'];
  readonly onGive: () => void;
}) {
  const whence = whenceOn(pool, date, meal);
  const energy = contentOf(pool, box)?.figures.energyKcal?.amount;
  const variant = variantOf(box);
  if (typeof whence !== 'string') return null;
  return (
    <button type="button" className="week-offer" onClick={onGive}>
      <BoxMark look={looks.get(pool.recipe)?.look ?? 0} whence={whence} />
      <span>
        {boxName(pool)}
        {variant === undefined ? '' : `, ${variant}`}
        {pool.name === undefined ? '' : ` (${pool.name})`}
        <small>
          {whenceText(whence, pool, date)}, {boxesText(left)} left
        </small>
        {against !== 'none' && <small className="warn">▲ {RULES[against]}</small>}
      </span>
      <span className="num">{energy === undefined ? '?' : numberText(energy, 0)}</span>
    </button>
  );
}

/** Which variants of a dish its boxes are seasoned as one by one: the same pot, another taste each day. */
function Seasonings({
  pool,
  place,
  week,
  onChange,
}: {
  readonly pool: BoxPool;
  readonly place: MealPlace;
  readonly week: Week;
  readonly onChange: (next: (week: Week) => Week) => void;
}) {
  const { box } = pool;
  if (!('session' in box)) return null;
  const chosen = week.seasoned?.find(({ session, dish }) => session === box.session && dish === box.dish)?.variants ?? [];
  const current = week.meals.find(isAt(place));
  return (
    <fieldset className="week-seasonings">
      <legend>Seasoned box by box as</legend>
      {pool.contents.flatMap(({ variant }) =>
        variant === undefined
          ? []
          : [
              <label key={variant}>
                <input
                  type="checkbox"
                  checked={chosen.includes(variant)}
                  onChange={({ target }) =>
                    onChange((one) => {
                      const next = target.checked ? [...chosen, variant] : chosen.filter((name) => name !== variant);
                      const seasoned = withSeasoned(one, box.session, box.dish, next);
                      const taken = current && variantOf(current.box) === variant && !target.checked;
                      return taken ? withBox(seasoned, place, box) : seasoned;
                    })
                  }
                />
                {variant}
              </label>,
            ],
      )}
      <small className="muted">One pot, another taste each day. The shopping list counts the dish as it is written.</small>
    </fieldset>
  );
}
