import { Link } from 'react-router';
import { dayText, offerText, type Kitchen, type RecipeFigures } from '@portiona/core';
import { numberText, priceText } from '../ui/numberText';
import { Button } from '../ui/Button';

/** What the till charges: whole packs of each food for the whole batch, and what is left over. */
export function TillWorking({ figures, kitchen }: { readonly figures: RecipeFigures; readonly kitchen: Kitchen }) {
  const { till, usedCost } = figures.batch;
  const { currency } = kitchen.settings;
  const { leftWorth, premium } = till;
  return (
    <>
      <h2>
        At the till, {till.cost ? `${till.unpriced.length > 0 ? 'at least ' : ''}${priceText(till.cost.toNumber(), currency)}` : 'no price'}{' '}
        for the batch
      </h2>
      <p className="intro">
        The cheapest whole packs that cover each need. The pot uses{' '}
        {usedCost.amount === undefined ? 'an unknown part' : priceText(usedCost.amount, currency)} of it
        {leftWorth > 0.005 && <>; what is left over is worth {priceText(leftWorth, currency)}</>}
        {premium > 0.005 && <>; smaller packs cost {priceText(premium, currency)} more than the best price a kilo</>}.
      </p>
      <table>
        <thead>
          <tr>
            <th>food</th>
            <th>need</th>
            <th style={{ textAlign: 'left' }}>packs</th>
            <th>price</th>
            <th>left over</th>
            <th>worth</th>
          </tr>
        </thead>
        <tbody>
          {till.rows.map(({ food, need, mix, left, leftWorth: worth }) => (
            <tr key={food}>
              <td>
                <Link to={`/pantry/${food}?show=usedCost`}>{kitchen.food(food)?.name}</Link>
              </td>
              <td className="num">{numberText(need, need < 20 ? 1 : 0)} g</td>
              <td className="src">
                {mix.packs
                  .map(
                    ({ candidate: { pack, price }, count }) =>
                      `${count} × ${pack.net} ${pack.unit} at ${priceText(price.toNumber(), currency)}, ${pack.shop}, ${[dayText(pack.seen, false), offerText(pack, (day) => dayText(day, false))].filter(Boolean).join(', ')}`,
                  )
                  .join('; ')}
              </td>
              <td className="num">{priceText(mix.price.toNumber(), currency)}</td>
              <td className="num">{left > 0 ? `${numberText(left, 0)} g` : ''}</td>
              <td className="num">{left > 0 ? priceText(worth, currency) : ''}</td>
            </tr>
          ))}
          <tr className="sum">
            <td>exact</td>
            <td />
            <td />
            <td className="num">{till.cost ? priceText(till.cost.toNumber(), currency) : '?'}</td>
            <td />
            <td className="num">{priceText(leftWorth, currency)}</td>
          </tr>
        </tbody>
      </table>
      {till.unpriced.length > 0 && (
        <div className="hint">
          <span>
            “At least”: no price for{' '}
            {till.unpriced.map((food, i) => (
              <span key={food}>
                {i > 0 && ', '}
                <Button asChild kind="quiet">
                  <Link to={`/pantry/${food}?show=usedCost`}>{kitchen.food(food)?.name}</Link>
                </Button>
              </span>
            ))}
            .
          </span>
        </div>
      )}
    </>
  );
}
