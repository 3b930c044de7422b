import { dayText, figureKey, type Figure, type Kitchen, type FigureKey } from '@portiona/core';
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
                        {figure.amount === undefined ? '?' : `${leastText(figure) === '' ? '' : '≥ '}${numberText(figure.amount, digits)}`}
                      </td>
                    );
                  })}
                </tr>
              ))}
              <tr>
                <th scope="row">Used</th>
                {kinds.map(({ figures: { usedCost } }, i) => (
                  <td key={i} className="num">
                    {leastText(usedCost) === '' ? '' : '≥ '}
                    {money(usedCost.amount)}
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
        </div>
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

/** "3 boxes of € 1.13, 2 of € 1.54". */
function centsText(amounts: readonly number[], currency: string): string {
  const counts = new Map<number, number>();
  for (const amount of amounts) counts.set(amount, (counts.get(amount) ?? 0) + 1);
  return [...counts].map(([amount, count]) => `${count} of ${priceText(amount, currency)}`).join(', ');
}
