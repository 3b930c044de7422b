import { dayText, priceHistory, type Food, type PriceSeries } from '@portiona/core';
import { IfMay } from '../account/IfMay';
import { useRestorePackMutation, type SavedPackDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { priceText } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';
import { Button } from '../../ui/Button';

/** Packs that were put away: they count no more, and are taken out again. */
export function PacksPutAway({ food, away }: { readonly food: Food; readonly away: readonly SavedPackDto[] }) {
  const [restore] = useRestorePackMutation();
  const say = useToast();
  const documents = away.map(({ document }) => document);
  const takeOut = async ({ prices }: PriceSeries) => {
    try {
      for (const { pack } of prices) if (pack.id !== undefined) await restore({ id: pack.id }).unwrap();
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  return (
    <details className="text-compact mt-2">
      <summary className="muted">Put away, {priceHistory(food, documents).length}</summary>
      <ul>
        {priceHistory(food, documents).map((series) => {
          const { net, unit, shop, currency, prices, latest } = series;
          return (
            <li key={`${shop} ${net} ${unit} ${currency}`} className="flex gap-3 items-baseline py-1">
              <span className="flex-1">
                {net} {unit} at {shop}, {priceText(latest.price, currency)} on {dayText(latest.pack.seen, true)}
                {prices.length > 1 && ` and ${prices.length - 1} before`}
              </span>
              <IfMay right="edit">
                <Button kind="quiet" aria-label={`Take out ${net} ${unit} at ${shop}`} onClick={() => void takeOut(series)}>
                  Take out
                </Button>
              </IfMay>
            </li>
          );
        })}
      </ul>
    </details>
  );
}
