import {
  dayAfter,
  poolKey,
  type BoxPool,
  type Loosened,
  type Meal,
  type MealNote,
  type NotThen,
  type Person,
  type Target,
  type WayOut,
  type WeekMiss,
  type Whence,
  type Pools,
} from '@portiona/core';
import { figureName, figureUnit } from '../briefs/briefWords';
import { dishTitle } from '../plan/planWords';
import { numberText, priceText } from '../../ui/numberText';

export const MEAL_NAMES: Readonly<Record<Meal, string>> = { before: 'Before', main: 'Main', late: 'Late' };

/** "Thu 3". */
export function dayShort(date: string): string {
  return dateText(date, { weekday: 'short', day: 'numeric' });
}

/** "28 Feb". */
export function untilText(date: string): string {
  return dateText(date, { day: 'numeric', month: 'short' });
}

/** "Thursday 3 December". */
export function dayLong(date: string): string {
  return dateText(date, { weekday: 'long', day: 'numeric', month: 'long' });
}

function dateText(date: string, form: Intl.DateTimeFormatOptions): string {
  return new Date(`${date}T12:00:00Z`).toLocaleDateString('en-GB', { ...form, timeZone: 'UTC' });
}

/** What a dish is called where there is no room: its last word that names something, before the first comma. */
export function boxName({ title }: Pick<BoxPool, 'title'>): string {
  return dishTitle(title);
}

/** "1 box", "3 boxes". */
export function boxesText(count: number): string {
  return count === 1 ? '1 box' : `${count} boxes`;
}

/** Where a box comes from: "fridge, by Tue 1", "freezer, thaws Wed night". */
export function whenceText(whence: Whence, pool: BoxPool, date: string): string {
  if (whence === 'tonight') return 'as it is cooked';
  if (whence === 'fridge') return `fridge, by ${dayShort(pool.fridgeUntil ?? date)}`;
  return `freezer, into the fridge ${dayShort(dayAfter(date, -1))}, evening`;
}

const NOT_THEN: Readonly<Record<NotThen, string>> = {
  'not cooked yet': 'not cooked yet',
  'past its day': 'past its day',
  'not frozen long enough': 'past its days in the fridge, and a night frozen and a night to thaw do not fit in',
  'only that evening': 'kept for the evening it was cooked',
};

export function notThenText(why: NotThen): string {
  return NOT_THEN[why];
}

/** What is to be said of a box that somebody was given. */
export function noteText(note: MealNote): string {
  switch (note.kind) {
    case 'gone':
      return 'its boxes are not there any more';
    case 'too many':
      return `${note.given} given, there ${note.count === 1 ? 'is 1' : `are ${note.count}`}`;
    case 'not then':
      return notThenText(note.why);
    case 'not thawed':
      return 'frozen: it should have gone into the fridge last night';
    case 'of another':
      return `has the name ${note.name} on it`;
    case 'again':
      return 'the same dish twice running';
    case 'out of order':
      return `another of it is to be eaten by ${untilText(note.before)}, and comes later`;
    case 'off':
      return 'eats elsewhere that day';
    case 'no variant':
      return `the dish has no variant “${note.variant}” any more`;
  }
}

const LOOSENED: Readonly<Record<Loosened, string>> = {
  none: 'at a meal that is not needed otherwise',
  again: 'but that makes it twice running',
  'of another': 'but has another name on it',
  'not wished then': 'but is not wished at that meal',
  'no such meal': 'but at a meal that is not eaten from a box',
};

/** What a person asks of a day, in few words: "at least 800 kcal". */
export function targetText({ figure, is, amount }: Target, currency: string): string {
  const text =
    figure === 'usedCost'
      ? priceText(amount, currency)
      : `${numberText(amount, Number.isInteger(amount) ? 0 : 1)} ${figureUnit(figure, currency)}`;
  return figure === 'energyKcal' || figure === 'usedCost' ? `${is} ${text}` : `${is} ${text} ${figureName(figure).toLowerCase()}`;
}

/** What a person asks first of a day; nothing where they ask nothing. */
export function firstAsked({ targets = [] }: Person, currency: string): string {
  const first = targets.find(({ figure }) => figure === 'energyKcal') ?? targets[0];
  return first ? targetText(first, currency) : 'no targets';
}

/** "239 kcal short", "0.4 g salt over". */
export function missText({ judgement, meal }: WeekMiss, currency: string): string {
  if (!judgement) return `no box for ${meal ? MEAL_NAMES[meal].toLowerCase() : 'a meal'}`;
  const { target, amount, margin } = judgement;
  if (amount === undefined || margin === undefined) return `${figureName(target.figure).toLowerCase()} not known`;
  const by = Math.abs(margin);
  const text =
    target.figure === 'usedCost' ? priceText(by, currency) : `${numberText(by, decimalsOf(target))} ${figureUnit(target.figure, currency)}`;
  const name = target.figure === 'energyKcal' || target.figure === 'usedCost' ? '' : ` ${figureName(target.figure).toLowerCase()}`;
  return `${text}${name} ${target.is === 'at most' ? 'over' : target.is === 'at least' ? 'short' : 'off'}`;
}

function decimalsOf({ figure }: Target): number {
  if (figure === 'energyKcal' || figure === 'energyKj' || figure === 'weight') return 0;
  return figure === 'salt' ? 2 : 1;
}

/** What would mend a day, and at what price: "White bean and kale soup, late, would do, but that makes it twice running." */
export function wayText({ meal, pool, loosened, breaks, instead }: WayOut, pools: Pools, currency: string): string {
  const price = breaks.map(({ target }) => `not ${targetText(target, currency)} any more`);
  const said = [...(loosened === 'none' && (instead || breaks.length > 0) ? [] : [LOOSENED[loosened]]), ...price];
  const there = instead && pools.get(poolKey(instead.box));
  const place = `${instead ? `in place of ${there ? boxName(there).toLowerCase() : 'a box that is gone'}, ` : ''}${MEAL_NAMES[meal.meal].toLowerCase()}`;
  return `${boxName(pool)}, ${place}, would do${said.length === 0 ? '' : `, ${said.join(', and ')}`}.`;
}
