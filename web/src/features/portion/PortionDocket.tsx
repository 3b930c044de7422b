import { useState } from 'react';
import { Link } from 'react-router';
import { dayText, figureKey, type Figure, type Kitchen, type FigureKey, type PartFigures } from '@portiona/core';
import { leastText, numberText, priceText } from '../../ui/numberText';
import type { Portioned } from './portioned';

/** What each box holds, a column for every size, and the proof that boxes and what is left are the batch. */
export function PortionDocket({ found, kitchen }: { readonly found: Portioned; readonly kitchen: Kitchen }) {
  const { batch, kinds, portion } = found;
  const { currency } = kitchen.settings;
  const carbohydrate = figureKey('carbohydrate', kitchen.convention);
  const rows: readonly (readonly [name: string, key: FigureKey, digits: number, big?: boolean])[] = [
    ['Energy, kcal', 'energyKcal', 0, true],
    ['Protein, g', 'protein', 1, true],
    ['Carbohydrate, g', carbohydrate, 1],
    ['Fat, g', 'fat', 1],
    ['Fibre, g', 'fibre', 1],
  ];
  const money = (amount: number | undefined) => (amount === undefined ? '?' : priceText(amount, currency));
  const { left, whole, shares } = portion;
  const [traced, setTraced] = useState<Traced>();
  const shown = traced && kinds[traced.kind];
  const sum = (amount: Figure) => (amount.amount === undefined ? '?' : numberText(amount.amount, 0));
  return (
    <aside className="docket portion-docket" aria-label="Docket of the boxes">
      <h2>
        <span>Docket</span>
        <span>per box, batch of {dayText(batch.date, false)}</span>
      </h2>
      {kinds.length === 0 ? (
        <p className="muted">In no boxes yet. Fill some, and what each holds stands here.</p>
      ) : (
        <div className="portion-scroll">
          <table>
            <thead>
              <tr>
                <th>
                  <span className="sr">Figure</span>
                </th>
                {kinds.map(({ kind }, i) => (
                  <th key={i} scope="col" className="num">
                    {kind.name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              <tr>
                <th scope="row">Weight, g</th>
                {kinds.map(({ figures }, i) => (
                  <td key={i} className="num">
                    {numberText(figures.weight, 0)}
                  </td>
                ))}
              </tr>
              {rows.map(([name, key, digits, big]) => (
                <tr key={name} className={big ? 'big' : ''}>
                  <th scope="row">{name}</th>
                  {kinds.map(({ figures }, i) => {
                    const figure = figures.nutrients[key];
                    return (
                      <td key={i} className="num">
                        <button
                          type="button"
                          className="figbtn"
                          title={`Working of ${name}, ${kinds[i]?.kind.name ?? ''}`}
                          aria-expanded={traced?.kind === i && traced.key === key}
                          onClick={() => setTraced(traced?.kind === i && traced.key === key ? undefined : { kind: i, key, name, digits })}
                        >
                          {figure.amount === undefined
                            ? '?'
                            : `${leastText(figure) === '' ? '' : '≥ '}${numberText(figure.amount, digits)}`}
                        </button>
                      </td>
                    );
                  })}
                </tr>
              ))}
              <tr>
                <th scope="row">Used</th>
                {kinds.map(({ figures: { usedCost } }, i) => (
                  <td key={i} className="num">
                    <button
                      type="button"
                      className="figbtn"
                      title={`Working of used cost, ${kinds[i]?.kind.name ?? ''}`}
                      aria-expanded={traced?.kind === i && traced.key === 'used'}
                      onClick={() =>
                        setTraced(
                          traced?.kind === i && traced.key === 'used' ? undefined : { kind: i, key: 'used', name: 'Used', digits: 2 },
                        )
                      }
                    >
                      {leastText(usedCost) === '' ? '' : '≥ '}
                      {money(usedCost.amount)}
                    </button>
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
        </div>
      )}
      {traced && shown && (
        <BoxWorking
          title={`${traced.name}, a box of ${shown.kind.name}`}
          grams={shown.kind.grams}
          parts={portion.parts}
          of={(part) => (traced.key === 'used' ? part.usedCost : part.nutrients[traced.key])}
          text={(amount) => (traced.key === 'used' ? priceText(amount, currency) : numberText(amount, traced.digits))}
          sum={traced.key === 'used' ? shown.figures.usedCost : shown.figures.nutrients[traced.key]}
          log={`/batches/${batch.recipe}?batch=${batch.id}`}
        />
      )}
      {kinds.length > 0 && (
        <>
          <div className="tear" />
          <p className="portion-proof">
            <span>
              {kinds.map(({ kind, figures }) => `${kind.count} × ${sum(figures.nutrients.energyKcal)}`).join(' + ')} +{' '}
              {sum(left.nutrients.energyKcal)} left
            </span>
            <b>{sum(whole.nutrients.energyKcal)} kcal</b>
          </p>
          <p className="portion-proof">
            <span>
              {kinds.map(({ kind, figures }) => `${kind.count} × ${money(figures.usedCost.amount)}`).join(' + ')} +{' '}
              {money(left.usedCost.amount)} left
            </span>
            <b>{money(whole.usedCost.amount)}</b>
          </p>
          {shares && (
            <p className="muted text-small">
              Shared to the cent:{' '}
              {centsText(
                shares.boxes.flat().map((one) => one.toNumber()),
                currency,
              )}
              , {priceText(shares.left.toNumber(), currency)} left; nothing is lost.
            </p>
          )}
          <p className="muted text-small">A box holds of each part its total × grams in the box / what it weighed.</p>
        </>
      )}
    </aside>
  );
}

/** A figure of a box whose working is open. */
interface Traced {
  readonly kind: number;
  readonly key: FigureKey | 'used';
  readonly name: string;
  readonly digits: number;
}

/** How a figure of a box comes about: of each part its whole, times the share of it that is in the box. */
function BoxWorking({
  title,
  grams,
  parts,
  of,
  text,
  sum,
  log,
}: {
  readonly title: string;
  readonly grams: { readonly [part: string]: number };
  readonly parts: readonly PartFigures[];
  readonly of: (part: PartFigures) => Figure;
  readonly text: (amount: number) => string;
  readonly sum: Figure;
  /** Where the whole of a part leads to its lines. */
  readonly log: string;
}) {
  const held = parts.filter(({ part }) => (grams[part.id] ?? 0) > 0);
  return (
    <section className="box-working" aria-label={`Working: ${title}`}>
      <h3>{title}</h3>
      {held.map((part) => {
        const whole = of(part).amount;
        const inside = grams[part.part.id] ?? 0;
        return (
          <p key={part.part.id} className="portion-proof">
            <span>
              {part.part.name}: {whole === undefined ? '?' : text(whole)} × {numberText(inside, Number.isInteger(inside) ? 0 : 1)} g /{' '}
              {numberText(part.cooked, 0)} g
            </span>
            <b>{whole === undefined ? '?' : text((whole * inside) / part.cooked)}</b>
          </p>
        );
      })}
      <p className="portion-proof">
        <Link className="underline" to={log}>
          Lines of the batch
        </Link>
        <b>= {sum.amount === undefined ? '?' : text(sum.amount)}</b>
      </p>
    </section>
  );
}

/** "3 boxes of € 1.13, 2 of € 1.54". */
function centsText(amounts: readonly number[], currency: string): string {
  const counts = new Map<number, number>();
  for (const amount of amounts) counts.set(amount, (counts.get(amount) ?? 0) + 1);
  return [...counts].map(([amount, count]) => `${count} of ${priceText(amount, currency)}`).join(', ');
}
