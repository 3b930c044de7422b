import { useState } from 'react';
import { useMay } from '../account/useMe';
import { Link } from 'react-router';
import {
  dayFigures,
  daysOfWeek,
  isOff,
  poolsByKey,
  thawsOn,
  whenceOn,
  type BriefFigure,
  type DayBox,
  type DayFigures,
  type Person,
  type TargetJudgement,
} from '@portiona/core';
import { numberText, priceText } from '../../ui/numberText';
import { figureName, figureUnit, standingText, verdictClass, verdictGlyph } from '../briefs/briefWords';
import { movesText, type Looks } from './looks';
import { BoxMark } from './BoxMark';
import type { WeekHere } from './useWeek';
import { withOff } from './weekEdits';
import { boxesText, boxName, dayShort, targetText } from './weekWords';

interface DayDocketProps {
  readonly here: WeekHere;
  readonly person: Person;
  readonly date: string;
  readonly looks: Looks;
}

/** Figures of a day that are shown without being asked for, after those with targets. */
const PLAIN: readonly BriefFigure[] = ['carbohydrate', 'fat', 'fibre', 'salt'];
const BIG: readonly BriefFigure[] = ['energyKcal', 'protein'];

/** What one person eats on one day: its boxes added up and held against the day's targets; what it costs; what is to be done that evening. */
export function DayDocket({ here, person, date, looks }: DayDocketProps) {
  const showsCosts = useMay('costs');
  const { week, ground, opened, change } = here;
  const { currency } = opened;
  const [traced, setTraced] = useState<BriefFigure | 'till' | 'week'>();
  const pools = poolsByKey(ground.pools);
  const day = dayFigures(
    week.meals.filter((one) => one.person === person.id && one.date === date),
    person,
    pools,
  );
  const own = week.meals.filter((one) => one.person === person.id);
  const whole = dayFigures(own, person, pools);
  const used = whole.figureOf('usedCost');
  const targets = day.judgements.filter(({ target }) => !BIG.includes(target.figure));
  const plain = PLAIN.filter((figure) => !targets.some(({ target }) => target.figure === figure));
  const thaws = thawsOn(week, ground, date);
  const off = isOff(week, person.id, date);
  const trace = (figure: BriefFigure | 'till' | 'week') => () => setTraced(traced === figure ? undefined : figure);
  return (
    <aside className="docket plan-docket week-docket" aria-label={`Docket of ${dayShort(date)}, ${person.name}`}>
      <h2>
        <span>Docket of {dayShort(date)}</span>
        <span>{person.name}</span>
      </h2>
      <ul className="week-day">
        {day.boxes.map(({ meal, pool, content }) => (
          <li key={meal.meal}>
            <BoxMark look={looks.get(pool?.recipe ?? '')?.look ?? 0} whence={pool && plainWhence(whenceOn(pool, meal.date, meal.meal))} />
            {pool ? (
              <Link to={'batch' in meal.box ? `/portion/${meal.box.batch}` : `/recipes/${pool.recipe}`}>
                {pool.title}
                {'session' in meal.box && meal.box.variant !== undefined && <small>{meal.box.variant}</small>}
              </Link>
            ) : (
              <span className="warn">▲ a box that is not there any more</span>
            )}
            <b className="num">
              {content?.figures.energyKcal?.amount === undefined ? '?' : numberText(content.figures.energyKcal.amount, 0)}
            </b>
          </li>
        ))}
        {day.boxes.length === 0 && <li className="muted">{off ? 'Eats elsewhere.' : 'No box yet.'}</li>}
      </ul>
      <label className="week-off">
        <input type="checkbox" checked={off} onChange={({ target }) => change((one) => withOff(one, person.id, date, target.checked))} />{' '}
        eats elsewhere that day
      </label>
      <div className="tear" />
      {BIG.map((figure) => (
        <BigFigure key={figure} {...{ figure, day, currency }} open={traced === figure} onOpen={trace(figure)} />
      ))}
      <div className="tear" />
      {targets.map((judgement) => (
        <FigureRow
          key={`${judgement.target.figure} ${judgement.target.is}`}
          {...{ day, currency, judgement, figure: judgement.target.figure }}
          open={traced === judgement.target.figure}
          onOpen={trace(judgement.target.figure)}
        />
      ))}
      {plain.map((figure) => (
        <FigureRow key={figure} {...{ day, currency, figure }} open={traced === figure} onOpen={trace(figure)} />
      ))}
      {showsCosts && (
        <>
          <div className="tear" />
          <FigureRow {...{ day, currency, figure: 'usedCost' as const }} open={traced === 'usedCost'} onOpen={trace('usedCost')} />
          <button type="button" className="fig" aria-expanded={traced === 'till'} onClick={trace('till')}>
            <span className="fig-name">At the till, each dish alone</span>
            <span className="fig-value">
              {day.till.amount === undefined ? '?' : `${day.till.atLeast ? '≥ ' : ''}${priceText(day.till.amount, currency)}`}
            </span>
          </button>
          {traced === 'till' && (
            <Sum boxes={day.boxes} of={({ content }) => content?.till} text={(amount) => priceText(amount, currency)} />
          )}
          <button type="button" className="fig" aria-expanded={traced === 'week'} onClick={trace('week')}>
            <span className="fig-name">
              {person.name}’s week, {boxesText(own.length)}
            </span>
            <span className="fig-value">
              {used.amount === undefined ? '?' : `${used.atLeast ? '≥ ' : ''}${priceText(used.amount, currency)}`}
            </span>
          </button>
          {traced === 'week' && (
            <ul className="week-working">
              {daysOfWeek(week).map((one) => {
                const { amount, atLeast } = dayFigures(
                  own.filter((meal) => meal.date === one),
                  person,
                  pools,
                ).figureOf('usedCost');
                return (
                  <li key={one}>
                    <span>{dayShort(one)}</span>
                    <b>{amount === undefined ? '?' : `${atLeast ? '≥ ' : ''}${priceText(amount, currency)}`}</b>
                  </li>
                );
              })}
            </ul>
          )}
        </>
      )}
      <div className="tear" />
      <p className="fig">
        <span className="fig-name">Tonight into the fridge</span>
        <b>{thaws.length === 0 ? '–' : movesText(thaws, looks)}</b>
      </p>
    </aside>
  );
}

function plainWhence(whence: ReturnType<typeof whenceOn>) {
  return typeof whence === 'string' ? whence : undefined;
}

interface FigureProps {
  readonly figure: BriefFigure;
  readonly day: DayFigures;
  readonly currency: string;
  readonly open: boolean;
  readonly onOpen: () => void;
}

/** A figure that most days are about: its sum, its band, and the target as a mark on the bar. */
function BigFigure({ figure, day, currency, open, onOpen }: FigureProps) {
  const { amount, atLeast, band } = day.figureOf(figure);
  const own = day.judgements.filter(({ target }) => target.figure === figure);
  const most = Math.max(amount ?? 0, band?.[1] ?? 0, ...own.map(({ target }) => target.amount * 1.15), 1);
  const share = (at: number) => `${Math.min(100, (100 * at) / most)}%`;
  return (
    <div className="week-big">
      <button type="button" className="fig big" aria-expanded={open} onClick={onOpen}>
        <span className="fig-name">{figure === 'energyKcal' ? 'Energy' : figureName(figure)}</span>
        <span className="fig-value">
          {atLeast ? '≥ ' : ''}
          {amount === undefined ? '?' : numberText(amount, figure === 'energyKcal' ? 0 : 1)}
          <small>{figureUnit(figure, currency)}</small>
        </span>
      </button>
      <span className="week-bar" aria-hidden>
        <i className={figure === 'protein' ? 'pat-protein' : 'energy'} style={{ width: share(amount ?? 0) }} />
        {band && <u style={{ left: share(band[0]), width: share(band[1] - band[0]) }} />}
        {own.map(({ target }, i) => (
          <em key={i} style={{ left: share(target.amount) }} />
        ))}
      </span>
      {own.map((judgement, i) => (
        <p key={i} className={`week-verdict ${verdictClass(judgement.verdict)}`}>
          <span aria-hidden>{verdictGlyph(judgement.verdict)}</span> {targetText(judgement.target, currency)}
          <small>{standingText(judgement, { settings: { currency } })}</small>
        </p>
      ))}
      {open && (
        <Sum
          boxes={day.boxes}
          of={({ content }) => content?.figures[figure]?.amount}
          text={(one) => `${numberText(one, figure === 'energyKcal' ? 0 : 1)} ${figureUnit(figure, currency)}`}
        />
      )}
    </div>
  );
}

function FigureRow({ figure, day, currency, judgement, open, onOpen }: FigureProps & { readonly judgement?: TargetJudgement }) {
  const { amount, atLeast } = day.figureOf(figure);
  const money = figure === 'usedCost';
  const text = (one: number) =>
    money ? priceText(one, currency) : `${numberText(one, one < 10 ? 1 : one < 99.95 ? 1 : 0)} ${figureUnit(figure, currency)}`;
  return (
    <>
      <button type="button" className="fig" aria-expanded={open} onClick={onOpen}>
        <span className="fig-name">
          {money ? 'Used' : figureName(figure)}
          {judgement && `, ${targetText({ ...judgement.target, figure: 'energyKcal' }, currency).replace(' kcal', '')}`}
        </span>
        <span className="fig-value">
          {judgement && (
            <small className={verdictClass(judgement.verdict)}>
              {verdictGlyph(judgement.verdict)} {judgement.verdict === 'unsure' ? 'near' : ''}{' '}
            </small>
          )}
          {atLeast && amount !== undefined ? '≥ ' : ''}
          {amount === undefined ? '?' : text(amount)}
        </span>
      </button>
      {open && <Sum boxes={day.boxes} of={({ content }) => content?.figures[figure]?.amount} text={text} />}
    </>
  );
}

/** How a figure of the day comes about: each box's own, added up. */
function Sum({
  boxes,
  of,
  text,
}: {
  readonly boxes: readonly DayBox[];
  readonly of: (box: DayBox) => number | undefined;
  readonly text: (amount: number) => string;
}) {
  return (
    <ul className="week-working">
      {boxes.map((box) => {
        const amount = of(box);
        return (
          <li key={box.meal.meal}>
            <span>{box.pool ? boxName(box.pool) : 'gone'}</span>
            <b>{amount === undefined ? '?' : text(amount)}</b>
          </li>
        );
      })}
      {boxes.length === 0 && <li className="muted">No box: nothing.</li>}
    </ul>
  );
}
