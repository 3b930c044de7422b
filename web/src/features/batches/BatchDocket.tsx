import { useMemo, type ReactNode } from 'react';
import { useMay } from '../account/useMe';
import {
  batchBeside,
  batchFigures,
  computed,
  dayText,
  figureKey,
  type Batch,
  type CauseEffect,
  type Figure,
  type Kitchen,
  type RecipeFigures,
  type WorkedFigure,
} from '@portiona/core';
import { leastText, numberText, priceText } from '../../ui/numberText';
import { CAUSE_WORDS } from './batchWords';

/** A figure of a batch whose working is asked for. */
export interface BatchTrace {
  readonly figure: WorkedFigure;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly of: string;
}

interface BatchDocketProps {
  readonly batch: Batch;
  readonly kitchen: Kitchen;
  /** Left out: there is no place to show a working. */
  readonly onFigure?: (trace: BatchTrace) => void;
}

interface DocketRow {
  readonly name: string;
  readonly unit: string;
  readonly figure: WorkedFigure;
  readonly of: (serving: RecipeFigures['perServing']) => string;
  readonly big?: boolean;
}

/** A batch beside what it was to be: figures of one box, and what made the difference. */
export function BatchDocket({ batch, kitchen, onFigure }: BatchDocketProps) {
  const showsCosts = useMay('costs');
  const found = useMemo(
    () => computed(() => ({ beside: batchBeside(batch, kitchen), made: batchFigures(batch, [batch], kitchen) })),
    [batch, kitchen],
  );
  const title = `Docket of ${dayText(batch.date, false)}`;
  if (!found.ok)
    return (
      <aside className="docket" aria-label={title}>
        <h2>{title}</h2>
        <p className="bad mt-2">The figures cannot be worked out: {found.because}.</p>
      </aside>
    );
  const { beside, made } = found.made;
  const { designed, cooked, causes } = beside;
  const { currency } = kitchen.settings;
  const carbohydrate = figureKey('carbohydrate', kitchen.convention);
  const money = (figure: Figure) => figureText(figure, (amount) => priceText(amount, currency));
  const [was, is] = [designed.perServing, cooked.perServing];
  const in100 = ({ nutrients, weight }: typeof is) =>
    nutrients.energyKcal.amount === undefined || weight === 0 ? '?' : numberText((100 * nutrients.energyKcal.amount) / weight, 0);
  const rows: readonly DocketRow[] = [
    { big: true, name: 'Energy', unit: 'kcal', figure: 'energyKcal', of: ({ nutrients }) => figureText(nutrients.energyKcal, whole) },
    { big: true, name: 'Protein', unit: 'g', figure: 'protein', of: ({ nutrients }) => figureText(nutrients.protein, tenth) },
    { name: 'Weight', unit: 'g', figure: 'weight', of: ({ weight }) => whole(weight) },
    { name: 'In 100 g', unit: 'kcal', figure: 'energyKcal', of: in100 },
    { name: 'Carbohydrate', unit: 'g', figure: 'carbohydrate', of: ({ nutrients }) => figureText(nutrients[carbohydrate], tenth) },
    { name: 'Fat', unit: 'g', figure: 'fat', of: ({ nutrients }) => figureText(nutrients.fat, tenth) },
    ...(showsCosts ? [{ name: 'Used', unit: '', figure: 'usedCost' as const, of: ({ usedCost }: typeof is) => money(usedCost) }] : []),
  ];
  return (
    <aside className="docket batch-docket" aria-label={title}>
      <h2>
        <span>{title}</span>
        <span>per {cooked.recipe.servingName ?? 'serving'}</span>
      </h2>
      <table>
        <thead>
          <tr>
            <th>
              <span className="sr">Figure</span>
            </th>
            <th>designed</th>
            <th>as cooked</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, unit, figure, of, big = false }) => (
            <tr key={name} className={big ? 'big' : ''}>
              <th scope="row">{name}</th>
              <td className="num muted">
                <Traced
                  name={`${name}, designed`}
                  onPress={onFigure && (() => onFigure({ figure, figures: designed, kitchen, of: 'as designed' }))}
                >
                  {of(was)}
                </Traced>
              </td>
              <td className="num">
                <Traced
                  name={`${name}, as cooked`}
                  onPress={onFigure && (() => onFigure({ figure, figures: cooked, kitchen: made.kitchen, of: 'as cooked' }))}
                >
                  <b>{of(is)}</b>
                  {unit !== '' && <small> {unit}</small>}
                </Traced>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="tear" />
      {causes.length === 0 ? (
        <p className="muted text-compact">Nothing was weighed, swapped or paid otherwise: it is as designed.</p>
      ) : (
        <table className="causes">
          <caption>What made the difference</caption>
          <thead className="sr">
            <tr>
              <th>Cause</th>
              <th>kcal</th>
              <th>grams</th>
              <th>money</th>
            </tr>
          </thead>
          <tbody>
            {causes.map((cause) => (
              <Cause key={cause.cause} effect={cause} currency={currency} />
            ))}
          </tbody>
        </table>
      )}
      {made.boxes.length > 0 && (
        <>
          <div className="tear" />
          <table className="causes">
            <caption>Boxes as they were filled: of each part its total × grams in the box / what it weighed</caption>
            <tbody>
              {made.boxes.map(({ box, weight, nutrients, usedCost }, i) => (
                <tr key={i}>
                  <td>
                    {(box.count ?? 1) > 1 && `${box.count} × `}
                    {box.name} <span className="faint">{box.keep ?? 'fridge'}</span>
                  </td>
                  <td className="num">{whole(weight)} g</td>
                  <td className="num">{figureText(nutrients.energyKcal, whole)} kcal</td>
                  {showsCosts && <td className="num">{money(usedCost)}</td>}
                </tr>
              ))}
              {made.left
                .filter(({ grams }) => Math.abs(grams) > 0.5)
                .map(({ part, grams }) => (
                  <tr key={part}>
                    <td className={grams < 0 ? 'warn' : 'muted'}>
                      {grams < 0 ? '▲ too much in the boxes: ' : 'left: '}
                      {cooked.parts.find((one) => one.part.id === part)?.part.name ?? part}
                    </td>
                    <td className="num">{whole(Math.abs(grams))} g</td>
                    <td />
                    <td />
                  </tr>
                ))}
            </tbody>
          </table>
        </>
      )}
    </aside>
  );
}

const whole = (amount: number) => numberText(amount, 0);
const tenth = (amount: number) => numberText(amount, 1);

function figureText(figure: Figure | undefined, text: (amount: number) => string): string {
  if (figure?.amount === undefined) return '?';
  return `${leastText(figure) === '' ? '' : '≥ '}${text(figure.amount)}`;
}

/** A figure whose working is a press away, where there is a place for it. */
function Traced({
  name,
  onPress,
  children,
}: {
  readonly name: string;
  readonly onPress: (() => void) | undefined;
  readonly children: ReactNode;
}) {
  if (!onPress) return <>{children}</>;
  return (
    <button type="button" className="figbtn" title={`Working of ${name}`} onClick={onPress}>
      {children}
    </button>
  );
}

function Cause({ effect, currency }: { readonly effect: CauseEffect; readonly currency: string }) {
  const { cause, energyKcal, weight, usedCost } = effect;
  const showsCosts = useMay('costs');
  return (
    <tr>
      <td>{CAUSE_WORDS[cause]}</td>
      <td className="num">{signed(energyKcal, (amount) => numberText(amount, 0), 0.5)} kcal</td>
      <td className="num">{signed(weight, (amount) => numberText(amount, 0), 0.5)} g</td>
      {showsCosts && <td className="num">{signed(usedCost, (amount) => priceText(amount, currency), 0.005)}</td>}
    </tr>
  );
}

function signed(amount: number | undefined, text: (amount: number) => string, least: number): string {
  if (amount === undefined) return '?';
  if (Math.abs(amount) < least) return text(0);
  return `${amount > 0 ? '+' : '−'}${text(Math.abs(amount))}`;
}
