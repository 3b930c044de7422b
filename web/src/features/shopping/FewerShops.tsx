import { useState } from 'react';
import { shopsCompared } from '@portiona/core';
import { priceText } from '../../ui/numberText';
import type { ShoppingWork } from './useShopping';

/** What one shop only would cost, and what each further one saves. */
export function FewerShops({ work: { here, list } }: { readonly work: ShoppingWork }) {
  const [open, setOpen] = useState(false);
  const compared = open ? shopsCompared(here.shopping) : undefined;
  const money = (amount: number) => priceText(amount, list.currency);
  return (
    <details className="shop-more" onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary>In fewer shops</summary>
      {compared && (
        <div className="shops-compared">
          <table>
            <caption>The best of so many</caption>
            <tbody>
              {compared.upTo.map(({ shops, cost, missing }, i) => {
                const before = compared.upTo[i - 1];
                return (
                  <tr key={shops.join()}>
                    <th scope="row">{shops.join(', ')}</th>
                    <td className="num">{money(cost.toNumber())}</td>
                    <td>
                      {missing.length > 0 && <span className="warn">▲ lacks {missing.length}</span>}
                      {before && missing.length === before.missing.length && `saves ${money(before.cost.minus(cost).toNumber())}`}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <table>
            <caption>At one only</caption>
            <tbody>
              {compared.alone.map(({ shops, cost, missing }) => (
                <tr key={shops.join()}>
                  <th scope="row">{shops.join()}</th>
                  <td className="num">{money(cost.toNumber())}</td>
                  <td>{missing.length > 0 && <span className="warn">▲ lacks {missing.length}</span>}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </details>
  );
}
