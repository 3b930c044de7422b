import { useState } from 'react';
import { foodsOf, foodsOfBatch, isSamePaid, paidOfReceipt, recipesUnder, type Batch, type BatchEdit, type Kitchen } from '@portiona/core';
import { useAddPricesMutation, useReadReceiptMutation, useReceiptNamesQuery, type ReceiptRowsDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Ledger } from '../../ui/Ledger';
import { PasteText } from '../../ui/PasteText';
import { useToast } from '../../ui/Toasts';
import { numberText, priceText } from '../../ui/numberText';
import { useKitchen, type LoadedKitchen } from '../kitchen/useKitchen';
import { ReceiptRow } from '../receipts/ReceiptRow';
import { RECEIPT_TEXT } from '../receipts/receiptText';
import { isReady, seenPrice, useReceiptReview, type ChosenLine } from '../receipts/useReceiptReview';
import '../receipts/receipts.css';

interface SlipPaidProps {
  readonly batch: Batch;
  readonly kitchen: Kitchen;
  readonly onEdit: (edit: BatchEdit) => void;
}

/** What was paid for a batch, from what the till printed: its lines are looked over, and those of this dish are noted. */
export function SlipPaid({ batch, kitchen, onEdit }: SlipPaidProps) {
  const here = useKitchen();
  const names = useReceiptNamesQuery(undefined, { refetchOnMountOrArgChange: true }).data;
  const [read, { isLoading }] = useReadReceiptMutation();
  const [slip, setSlip] = useState<ReceiptRowsDto>();
  const [trouble, setTrouble] = useState('');
  const take = async (text: string) => {
    setTrouble('');
    try {
      setSlip(await read({ fileName: 'Slip', body: new Blob([text], { type: 'text/csv' }) }).unwrap());
    } catch (error) {
      setTrouble(problemText(problemOf(error)));
    }
  };
  return (
    <div className="slip">
      {trouble !== '' && (
        <p className="bad text-small" role="alert">
          ✕ {trouble}
        </p>
      )}
      {slip && here && names ? (
        <Looked
          slip={slip}
          here={here}
          remembered={new Map(names.map(({ words, food }) => [words, food]))}
          {...{ batch, kitchen, onEdit }}
          onDone={() => setSlip(undefined)}
        />
      ) : (
        <PasteText
          action="From what the till printed"
          label="What the till printed, as text"
          placeholder={RECEIPT_TEXT}
          busy={isLoading}
          onText={(text) => void take(text)}
        />
      )}
    </div>
  );
}

interface LookedProps extends SlipPaidProps {
  readonly slip: ReceiptRowsDto;
  readonly here: LoadedKitchen;
  readonly remembered: ReadonlyMap<string, string>;
  readonly onDone: () => void;
}

/** The slip's lines: those that are surely of this dish are taken, of every other it is said why not. */
function Looked({ slip, here, remembered, batch, kitchen, onEdit, onDone }: LookedProps) {
  const { lines, passed, shop, setShop, seen, setSeen, mapping, wantsShop, choose } = useReceiptReview(slip.rows, here, remembered);
  const [asPrices, setAsPrices] = useState(false);
  const [add] = useAddPricesMutation();
  const say = useToast();
  const { currency } = kitchen.settings;
  const recipe = batch.then ?? kitchen.recipe(batch.recipe);
  const own = new Set([...foodsOfBatch(batch), ...(recipe ? recipesUnder(recipe, kitchen).flatMap(foodsOf) : [])]);
  const looked = lines.map((line) => ({ line, ...standsFor(line, own, batch, currency) }));
  const taken = looked.flatMap(({ line, take }) => (take && isReady(line) ? [line] : []));
  const packs = taken.flatMap((line) => paidOfReceipt(line.line, line.food.id, kitchen.settings) ?? []);
  const sum = packs.reduce((all, { price }) => all + Number(price), 0);
  const note = async () => {
    for (const pack of packs) onEdit({ do: 'paid', pack });
    onDone();
    if (!asPrices) return say(`${packs.length === 1 ? 'One line is' : `${packs.length} lines are`} noted.`);
    try {
      const { added, there } = await add({ seenPricesDto: { prices: taken.map(seenPrice) } }).unwrap();
      say(`${packs.length} noted; ${added} prices added to the pantry${there > 0 ? `, ${there} were there already` : ''}.`);
    } catch (error) {
      say(`${packs.length} noted. Their prices were not added to the pantry: ${problemText(problemOf(error))}`);
    }
  };
  return (
    <section aria-label="Lines of the slip" className="grid gap-2">
      {mapping.columns.shop === undefined && (
        <Field label="Shop" className="max-w-[260px]">
          <Input
            value={shop}
            maxLength={120}
            aria-invalid={wantsShop}
            placeholder="Where was it?"
            onChange={({ target }) => setShop(target.value)}
          />
        </Field>
      )}
      <Ledger className="receipt">
        {looked.map(({ line, take, why }) => (
          <ReceiptRow
            key={line.line.row}
            line={{
              ...line,
              take,
              line: { ...line.line, ...(why === '' ? {} : { note: [line.line.note, why].filter(Boolean).join('; ') }) },
            }}
            ready={isReady(line) && line.line.currency === currency}
            here={here}
            does="Paid for this batch:"
            onChoose={(choice) => choose(line.line.row, choice)}
          />
        ))}
      </Ledger>
      {lines.length === 0 && <p className="warn text-compact">▲ No price is found in it. Note what was paid line by line below.</p>}
      {passed.length > 0 && (
        <p className="faint text-small">
          Passed over: {passed.map(({ row, item, why }) => `${item === '' ? `row ${row}` : item} ${why}`).join('; ')}.
        </p>
      )}
      <p className="text-compact flex flex-wrap gap-3 items-center">
        <Button kind="main" disabled={packs.length === 0 || wantsShop} onClick={() => void note()}>
          Note {packs.length}, {priceText(sum, currency)}
        </Button>
        <label className="flex gap-1.5 items-center">
          <input type="checkbox" checked={asPrices} onChange={({ target }) => setAsPrices(target.checked)} />
          as prices of the pantry, too
        </label>
        {asPrices && mapping.columns.date === undefined && (
          <label className="flex gap-1.5 items-center">
            seen on
            <Input
              type="date"
              value={seen}
              max={here.kitchen.settings.date}
              onChange={({ target }) => target.value !== '' && setSeen(target.value)}
            />
          </label>
        )}
        <Button kind="quiet" onClick={onDone}>
          not now
        </Button>
        {packs.length < lines.length && (
          <span className="muted">
            {lines.length - packs.length} of {numberText(lines.length, 0)} lines are not taken.
          </span>
        )}
      </p>
    </section>
  );
}

/** Whether a line is taken for the batch, and where it is not by itself, why. */
function standsFor(
  line: ChosenLine,
  own: ReadonlySet<string>,
  batch: Batch,
  currency: string,
): { readonly take: boolean; readonly why: string } {
  if (line.line.currency !== currency) return { take: false, why: `in ${line.line.currency}: a batch is paid in ${currency}` };
  if (!isReady(line)) return { take: false, why: line.food ? 'say what one holds' : '' };
  const pack = paidOfReceipt(line.line, line.food.id, { currency });
  const isThere = pack !== undefined && (batch.paid ?? []).some((one) => isSamePaid(one, pack));
  const why = isThere ? 'noted already' : own.has(line.food.id) ? '' : 'not in this dish';
  return { take: line.said ?? (line.take && why === ''), why };
}
