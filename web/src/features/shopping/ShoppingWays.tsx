import { useState } from 'react';
import { IfMay } from '../account/IfMay';
import { useAddPricesMutation, usePutBasketAwayMutation } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { dayOf } from '../../ui/timeText';
import { useToast } from '../../ui/Toasts';
import type { ShoppingWork } from './useShopping';
import { kitchenAddress } from '../../api/kitchenAtHand';

/** Sheets, prices noted back, and the basket put into stock. */
export function ShoppingWays({ chosen, work }: { readonly chosen: readonly string[]; readonly work: ShoppingWork }) {
  const { here, waiting, list, reload } = work;
  const [putAway, putting] = usePutBasketAwayMutation();
  const [addPrices, adding] = useAddPricesMutation();
  const say = useToast();
  const sessions = encodeURIComponent(chosen.join(','));
  const got = here.shops.flatMap(({ packs }) => packs.filter((pack) => pack.inBasket && !pack.putAway));
  const paid = got.filter((one) => one.paid !== undefined && Number(one.paid) !== Number(one.pack.price));
  const [today] = useState(() => dayOf(new Date()));
  return (
    <span className="shop-ways">
      {paid.length > 0 && (
        <IfMay right="edit">
          <Button
            disabled={adding.isLoading}
            onClick={() =>
              void addPrices({
                seenPricesDto: {
                  prices: paid.map(({ pack, paid: price = '' }) => ({
                    document: {
                      food: pack.food,
                      net: pack.net,
                      unit: pack.unit,
                      price,
                      currency: list.currency,
                      shop: pack.shop,
                      seen: today,
                    },
                  })),
                },
              })
                .unwrap()
                .then(() => say(`${paid.length === 1 ? 'One price' : `${paid.length} prices`} noted, seen ${today}.`))
                .catch((failed: unknown) => say(`No price was noted: ${problemText(problemOf(failed))}`))
            }
          >
            Note {paid.length === 1 ? 'what one cost' : `${paid.length} prices`}
          </Button>
        </IfMay>
      )}
      {got.length > 0 && (
        <IfMay right="edit">
          <Button
            disabled={putting.isLoading || waiting > 0}
            onClick={() =>
              void putAway({ sessions: chosen.join(',') })
                .unwrap()
                .then(({ added }) => {
                  say(added === 1 ? 'One thing is in stock now.' : `${added} things are in stock now.`);
                  reload();
                })
                .catch((failed: unknown) => say(`Nothing was put into stock: ${problemText(problemOf(failed))}`))
            }
          >
            Basket into stock
          </Button>
        </IfMay>
      )}
      <Button asChild kind="quiet">
        <a href={kitchenAddress(`/exports/shopping.txt?sessions=${sessions}`)} download>
          Text
        </a>
      </Button>
      <Button asChild kind="quiet">
        <a href={kitchenAddress(`/exports/shopping.pdf?sessions=${sessions}`)} download>
          PDF
        </a>
      </Button>
      <Button asChild kind="quiet">
        <a href={kitchenAddress(`/exports/shopping.csv?sessions=${sessions}`)} download>
          CSV
        </a>
      </Button>
      <Button kind="quiet" onClick={() => window.print()}>
        Print
      </Button>
    </span>
  );
}
