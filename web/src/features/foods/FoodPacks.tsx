import { useMemo } from 'react';
import { IfMay } from '../account/IfMay';
import { bestPack, candidatePacks, currencySign, priceHistory, type Food, type Kitchen, type PriceSeries } from '@portiona/core';
import type { SavedPackDto } from '../../api/api.gen';
import { priceText } from '../../ui/numberText';
import { NewPack } from './NewPack';
import { PackRow } from './PackRow';
import { PacksPutAway } from './PacksPutAway';
import { PriceChart } from './PriceChart';

/** The packs a food is bought in, what they cost, where and when that was seen. */
export function FoodPacks({
  food,
  packs,
  away,
  kitchen,
}: {
  readonly food: Food;
  /** Every price it ever had, but for those put away. */
  readonly packs: readonly SavedPackDto[];
  readonly away: readonly SavedPackDto[];
  readonly kitchen: Kitchen;
}) {
  const { currency } = kitchen.settings;
  const history = useMemo(
    () =>
      priceHistory(
        food,
        packs.map(({ document }) => document),
      ).filter((series) => series.currency === currency),
    [food, packs, currency],
  );
  const savedOf = ({ prices }: PriceSeries) => packs.filter(({ document }) => prices.some(({ pack }) => pack.id === document.id));
  const best = bestPack(
    candidatePacks(
      food,
      packs.map(({ document }) => document),
      kitchen.settings,
    ),
  );
  return (
    <>
      <h2>
        <span>Packs and prices</span>
        <span className="font-normal faint">
          {best ? `counted at ${priceText(best.perKg, currency)} a kg, ${best.pack.shop}` : 'no current price'}
        </span>
      </h2>
      <div className="packs">
        <div className="pack text-tiny faint" aria-hidden>
          <span>net</span>
          <span>unit</span>
          <span>{currencySign(currency)}</span>
          <span>shop</span>
          <span>seen</span>
          <span />
        </div>
        {history.map((series) => (
          <PackRow
            key={`${series.shop} ${series.net} ${series.unit} ${series.latest.pack.id ?? ''} ${series.latest.pack.price}`}
            series={series}
            saved={savedOf(series)}
            food={food}
            kitchen={kitchen}
            best={best?.pack.id === series.latest.pack.id}
          />
        ))}
        <IfMay right="edit">
          <NewPack food={food} kitchen={kitchen} first={packs.length === 0} />
        </IfMay>
      </div>
      {history.some(({ prices }) => prices.length > 1) && (
        <PriceChart history={history} currency={currency} today={kitchen.settings.date} />
      )}
      {away.length > 0 && <PacksPutAway food={food} away={away} />}
    </>
  );
}
