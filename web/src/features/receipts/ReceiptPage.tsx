import { useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { RECEIPT_TARGETS, type ReceiptMapping, type ReceiptTarget } from '@portiona/core';
import { useAddPricesMutation, useReceiptNamesQuery, type ReceiptRowsDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { useToast } from '../../ui/Toasts';
import { useMovedDishes } from '../prices/useMovedDishes';
import { useKitchen, type LoadedKitchen } from '../kitchen/useKitchen';
import { ReceiptRow } from './ReceiptRow';
import { isReady, seenPrice, useReceiptReview } from './useReceiptReview';
import { Button } from '../../ui/Button';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import { Ledger, LedgerRow } from '../../ui/Ledger';
import { Select } from '../../ui/Select';
import '../../ui/field.css';
import './receipts.css';

const TARGET_NAMES: Readonly<Record<ReceiptTarget, string>> = {
  item: 'Name in',
  size: 'Size in',
  unit: 'Unit in',
  quantity: 'Count in',
  price: 'Price of one in',
  total: 'Price of the line in',
  usual: 'Price before in',
  perKg: 'Price a kilogram in',
  currency: 'Currency in',
  shop: 'Shop in',
  date: 'Day in',
  offer: 'Offer in',
  note: 'Remark in',
};

/** A till receipt or price list, line by line with the foods it is most likely of, looked over before its prices are added. */
export function ReceiptPage() {
  const here = useKitchen();
  const names = useReceiptNamesQuery(undefined, { refetchOnMountOrArgChange: true }).data;
  const receipt = useLocation().state as ReceiptRowsDto | null;
  if (!receipt)
    return (
      <main className="page">
        <div className="empty">
          <h2>No receipt here</h2>
          <p className="muted mb-4">Bring one as a CSV file, and its lines stand here to look over.</p>
          <Button asChild kind="main">
            <Link to="/pantry/bring">Bring one</Link>
          </Button>
        </div>
      </main>
    );
  if (!here || !names) return <main className="page" aria-busy="true" />;
  return <Review receipt={receipt} here={here} remembered={new Map(names.map(({ words, food }) => [words, food]))} />;
}

interface ReviewProps {
  readonly receipt: ReceiptRowsDto;
  readonly here: LoadedKitchen;
  readonly remembered: ReadonlyMap<string, string>;
}

function Review({ receipt: { rows: printed, fileName }, here, remembered }: ReviewProps) {
  const { settings } = here.kitchen;
  const { rows, mapping, setMapping, shop, setShop, seen, setSeen, passed, lines, wantsShop, choose } = useReceiptReview(
    printed,
    here,
    remembered,
  );
  const [columns, setColumns] = useState(false);
  const [add, { isLoading }] = useAddPricesMutation();
  const navigate = useNavigate();
  const say = useToast();
  const ready = lines.filter(isReady);
  const taken = ready.filter(({ take }) => take);
  const asked = lines.filter(({ line, by, take }) => !take && (line.doubt !== undefined || by === 'unsure')).length;
  // Where name and price were found, the columns are out of the way until they are asked for.
  const { item, price, total, perKg } = mapping.columns;
  const told = columns || item === undefined || (price ?? total ?? perKg) === undefined || lines.length === 0;
  const shops = [...new Set(here.kitchen.content.packs.map((pack) => pack.shop))].sort();
  const telling = useMovedDishes(settings.currency);
  const addAll = async () => {
    try {
      const prices = taken.map(seenPrice);
      const { added, there } = await telling(() => add({ seenPricesDto: { prices } }).unwrap());
      say(`${added} ${added === 1 ? 'price' : 'prices'} added.${there > 0 ? ` ${there} were there already.` : ''}`);
      await navigate('/pantry');
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  return (
    <main className="page">
      <div className="page-head">
        <h1>{fileName}</h1>
        <span className="muted">
          {lines.length} {lines.length === 1 ? 'price' : 'prices'}, {lines.filter(({ food, by }) => food && by !== 'unsure').length} with
          their food
          {asked > 0 && (
            <span className="warn">
              , ▲ {asked} to look at before {asked === 1 ? 'it is' : 'they are'} added
            </span>
          )}
        </span>
        <Button asChild kind="quiet">
          <Link className="ml-auto" to="/pantry/bring">
            Bring another
          </Link>
        </Button>
        <Button kind="main" disabled={taken.length === 0 || wantsShop || isLoading} onClick={() => void addAll()}>
          Add {taken.length} {taken.length === 1 ? 'price' : 'prices'}
        </Button>
      </div>
      <div className="reading mb-3">
        {mapping.columns.shop === undefined && (
          <Field label="Shop">
            <Input
              list="shops"
              value={shop}
              maxLength={120}
              aria-invalid={wantsShop}
              placeholder="Where was it?"
              onChange={({ target }) => setShop(target.value)}
            />
            <datalist id="shops">
              {shops.map((one) => (
                <option key={one} value={one} />
              ))}
            </datalist>
          </Field>
        )}
        {mapping.columns.date === undefined && (
          <Field label="Day">
            <Input type="date" value={seen} max={settings.date} onChange={({ target }) => target.value !== '' && setSeen(target.value)} />
          </Field>
        )}
        {!told && (
          <Button kind="quiet" className="text-small self-end" onClick={() => setColumns(true)}>
            What its columns hold ▾
          </Button>
        )}
        {told && <Columns rows={rows} mapping={mapping} onChange={setMapping} />}
      </div>
      <Ledger className="receipt">
        <LedgerRow heads>
          <span />
          <span>on the receipt</span>
          <span>food</span>
          <span>one holds</span>
          <span className="num">price</span>
          <span className="num">a kg</span>
          <span>against now</span>
        </LedgerRow>
        {lines.map((line) => (
          <ReceiptRow
            key={line.line.row}
            line={line}
            ready={isReady(line)}
            here={here}
            does="Add the price of"
            onChoose={(choice) => choose(line.line.row, choice)}
          />
        ))}
        {lines.length === 0 && (
          <p className="muted p-6 col-span-full">No price found yet. Say above which columns hold the name and the price.</p>
        )}
      </Ledger>
      {passed.length > 0 && (
        <p className="faint text-small mt-2">
          Passed over: {passed.map(({ row, item, why }) => `${item === '' ? `row ${row}` : item} ${why}`).join('; ')}.
        </p>
      )}
    </main>
  );
}

function Columns({
  rows,
  mapping,
  onChange,
}: {
  readonly rows: ReceiptRowsDto['rows'];
  readonly mapping: ReceiptMapping;
  readonly onChange: (mapping: ReceiptMapping) => void;
}) {
  const width = rows.reduce((most, row) => Math.max(most, row.length), 0);
  const headings = Array.from({ length: width }, (_, c) => {
    const text = rows
      .slice(0, Math.max(1, mapping.headingLines))
      .map((row) => row[c]?.trim() ?? '')
      .filter(Boolean)
      .join(' ');
    return text === '' ? `Column ${c + 1}` : text;
  });
  return (
    <>
      {RECEIPT_TARGETS.map((target) => (
        <Field key={target} label={TARGET_NAMES[target]}>
          <Select
            value={mapping.columns[target] ?? ''}
            onChange={({ target: { value } }) => {
              const { [target]: _, ...rest } = mapping.columns;
              onChange({ ...mapping, columns: value === '' ? rest : { ...rest, [target]: Number(value) } });
            }}
          >
            <option value="">not told</option>
            {headings.map((heading, c) => (
              <option key={c} value={c}>
                {heading}
              </option>
            ))}
          </Select>
        </Field>
      ))}
    </>
  );
}
