import { useState } from 'react';
import { Check } from 'lucide-react';
import { Input } from '../../ui/Input';
import { priceText } from '../../ui/numberText';
import { PackRow } from './PackRow';
import { sizeText, type ListedPack } from './shoppingRows';
import { aisleText, shortName } from './shoppingWords';
import type { ShoppingWork } from './useShopping';

/** What is to be got in one shop, aisle by aisle; what is in the basket folds into one line. */
export function ShopList({ packs, work }: { readonly packs: readonly ListedPack[]; readonly work: ShoppingWork }) {
  const open = packs.filter(({ inBasket }) => !inBasket);
  const got = packs.filter(({ inBasket }) => inBasket);
  const aisles = [...new Set(open.map(({ food }) => food.aisle ?? 'other'))];
  const money = (amount: number) => priceText(amount, work.list.currency);
  return (
    <div className="shop-list">
      {got.length > 0 && (
        <details className="in-basket">
          <summary>
            <span className="shop-tick got" aria-hidden>
              <Check size={16} />
            </span>
            <span>{got.map(({ food }) => shortName(food.name)).join(', ')}</span>
            <b>{money(got.reduce((sum, { price }) => sum + price, 0))}</b>
          </summary>
          {got.map((pack) => (
            <GotRow key={`${pack.key}-got`} pack={pack} work={work} />
          ))}
        </details>
      )}
      {aisles.map((aisle) => (
        <section key={aisle} aria-label={aisle}>
          <h3 className="aisle">{aisleText(aisle)}</h3>
          {open
            .filter(({ food }) => (food.aisle ?? 'other') === aisle)
            .map((pack) => (
              <PackRow key={pack.key} pack={pack} work={work} />
            ))}
        </section>
      ))}
      {open.length === 0 && <p className="ok all-got">✓ All of it is in the basket.</p>}
    </div>
  );
}

function GotRow({
  pack: { key, food, pack, count, paid, putAway, instead, insteadId },
  work: { list, tick },
}: {
  readonly pack: ListedPack;
  readonly work: ShoppingWork;
}) {
  const [text, setText] = useState(paid ?? '');
  const name = shortName(food.name);
  const sound = text === '' || /^\d{1,10}([.,]\d{1,4})?$/.test(text);
  return (
    <div className="shop-row got">
      <button
        type="button"
        className="shop-tick got"
        role="checkbox"
        aria-checked
        aria-label={`${name}, in the basket`}
        disabled={putAway}
        onClick={() => tick(key, 'open', 0)}
      >
        <Check size={16} aria-hidden />
      </button>
      <span className="shop-what">
        <span className="shop-name">
          <b>{name},</b> {count > 1 && `${count} × `}
          {sizeText(pack)}
        </span>
        {instead !== undefined && <span className="shop-for">in place of {instead}</span>}
        {putAway && <span className="shop-for">in stock</span>}
      </span>
      <label className="shop-paid">
        <span className="sr">One of {name} cost, at the till</span>
        <Input
          inputMode="decimal"
          value={text}
          placeholder={String(pack.price)}
          aria-invalid={!sound}
          disabled={putAway}
          onChange={({ target }) => setText(target.value)}
          onBlur={() =>
            sound &&
            text !== (paid ?? '') &&
            tick(key, 'bought', count, {
              ...(text === '' ? {} : { paid: text.replace(',', '.') }),
              ...(insteadId === undefined ? {} : { instead: insteadId }),
            })
          }
        />
        <small>{list.currency} each</small>
      </label>
    </div>
  );
}
