import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { agoText, currencySign, type Food } from '@portiona/core';
import { FigureSource } from '../../ui/FigureSource';
import { numberText, percentText, priceText, signedPercent } from '../../ui/numberText';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import type { ChosenLine, LineChoice } from './useReceiptReview';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { Input } from '../../ui/Input';
import { Select } from '../../ui/Select';
import { LedgerRow } from '../../ui/Ledger';
import { DropPanel } from '../../ui/DropPanel';
import { FoodFinder } from '../foods/FoodFinder';

/** Less than this share of a price is none to speak of. */
const AS_NOW = 0.005;

interface ReceiptRowProps {
  readonly line: ChosenLine;
  readonly ready: boolean;
  readonly here: LoadedKitchen;
  /** What taking it does, before its name. */
  readonly does: string;
  readonly onChoose: (choice: LineChoice) => void;
}

/** One line of a receipt: the shop's words, the food, what one holds, and how the price stands to what is paid now. */
export function ReceiptRow({ line: chosen, ready, here, does, onChoose }: ReceiptRowProps) {
  const { line, food, by, why, perKg, change, take } = chosen;
  const { date } = here.kitchen.settings;
  const { currency } = line;
  const toFood = food && (
    <Button asChild kind="quiet">
      <Link to={`/pantry/${food.id}?show=usedCost`}>All prices of {food.name}</Link>
    </Button>
  );
  const [text, setText] = useState<string>();
  const units = [...new Set(['g', 'kg', 'ml', 'l', 'oz', 'lb', 'piece', ...Object.keys(food?.measures ?? {})])];
  return (
    <LedgerRow className={ready && take ? '' : 'unmapped'}>
      <input
        type="checkbox"
        aria-label={`${does} ${line.item}`}
        checked={ready && take}
        disabled={!ready}
        onChange={({ target }) => onChoose({ take: target.checked })}
      />
      <span className="min-w-0">
        {line.item}
        {line.note !== '' && <span className="faint text-small"> {line.note}</span>}
        {line.doubt !== undefined && <span className="warn text-small block">▲ {line.doubt}</span>}
        {line.promotion && (
          <Chip tone="warn" className="ml-1.5">
            offer
          </Chip>
        )}
      </span>
      <span className="flex gap-1.5 items-center min-w-0">
        <FoodChoice item={line.item} food={food} here={here} onPick={(chosen) => onChoose({ food: chosen })} />
        {by === 'remembered' && <Chip>as before</Chip>}
        {by === 'unsure' && (
          <Chip tone="warn" title={why}>
            ▲ unsure
          </Chip>
        )}
      </span>
      <span className="flex gap-1">
        <Input
          className="w-[70px] num"
          aria-label={`What one ${line.item} holds`}
          inputMode="decimal"
          placeholder="how much?"
          value={text ?? (line.net === undefined ? '' : String(line.net))}
          aria-invalid={line.net === undefined}
          onChange={({ target }) => {
            setText(target.value);
            const net = Number(target.value.replace(',', '.'));
            if (Number.isFinite(net) && net > 0) onChoose({ net, unit: line.unit ?? 'g' });
          }}
          onBlur={() => setText(undefined)}
        />
        <Select
          className="w-[84px]"
          aria-label={`Unit of ${line.item}`}
          value={line.unit ?? 'g'}
          onChange={({ target }) => onChoose({ unit: target.value })}
        >
          {units.map((unit) => (
            <option key={unit}>{unit}</option>
          ))}
        </Select>
      </span>
      <span className="num">{priceText(Number(line.price), currency)}</span>
      <span className="num">
        {perKg !== undefined && (
          <FigureSource name={`${line.item} a kg`} steps={perKgSteps(chosen, currency)} link={toFood}>
            {priceText(perKg, currency)}
          </FigureSource>
        )}
      </span>
      <span>
        {change === undefined ? (
          <span className="faint">{food ? `first price in ${currencySign(currency).trim()}` : ''}</span>
        ) : (
          <FigureSource
            name={`${line.item} against now`}
            steps={changeSteps(chosen, currency, date)}
            link={toFood}
            className={toneOf(chosen)}
          >
            {changeText(chosen)}
          </FigureSource>
        )}
      </span>
    </LedgerRow>
  );
}

function changeText({ change = 0, doubtful }: ChosenLine): string {
  if (doubtful) return `✕ ${change > 0 ? 'far dearer' : 'far cheaper'}: is the size right?`;
  if (Math.abs(change) < AS_NOW) return 'as now';
  return `${change > 0 ? '▲' : '▼'} ${percentText(Math.abs(change))} ${change > 0 ? 'dearer' : 'cheaper'}`;
}

function toneOf({ change = 0, doubtful }: ChosenLine): string {
  return doubtful ? 'bad' : change > AS_NOW ? 'warn' : change < -AS_NOW ? 'ok' : 'muted';
}

/** Where the price a kilogram comes from: the line's price and what one holds. */
function perKgSteps({ line: { price, net, unit }, grams = 0, perKg = 0 }: ChosenLine, currency: string): ReactNode[] {
  const weighed = unit === 'g' ? [] : [`${net} ${unit} weigh ${numberText(grams, 1)} g`];
  return [
    `${priceText(Number(price), currency)} for ${net} ${unit}, as the receipt says`,
    ...weighed,
    `${priceText(Number(price), currency)} ÷ ${numberText(grams, 1)} g × 1000 = ${priceText(perKg, currency)} a kg`,
  ];
}

/** What the change is against: the pack that is paid now. */
function changeSteps({ now, perKg = 0, change = 0 }: ChosenLine, currency: string, today: string): ReactNode[] {
  if (!now) return [];
  const { net, unit, price, shop, seen } = now.pack;
  return [
    `This receipt: ${priceText(perKg, currency)} a kg`,
    `Now: ${net} ${unit} at ${shop} for ${priceText(Number(price), currency)}, seen ${agoText(seen, today)}: ${priceText(now.perKg, currency)} a kg`,
    `${priceText(perKg, currency)} ÷ ${priceText(now.perKg, currency)} − 1 = ${signedPercent(change)}`,
  ];
}

function FoodChoice({
  item,
  food,
  here,
  onPick,
}: {
  readonly item: string;
  readonly food: Food | undefined;
  readonly here: LoadedKitchen;
  readonly onPick: (food: Food) => void;
}) {
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState((item.split(/\d/)[0] ?? '').trim());
  const found = here.index.find(words, 8);
  const pick = (chosen: Food) => {
    setOpen(false);
    onPick(chosen);
  };
  return (
    <DropPanel
      trigger={
        <Button
          kind="quiet"
          className={`text-left truncate ${food ? '' : 'bad'}`}
          aria-label={food ? `Food of ${item}: ${food.name}` : `Choose a food for ${item}`}
        >
          {food?.name ?? 'Choose a food'} <span aria-hidden>▾</span>
        </Button>
      }
      open={open}
      onOpenChange={setOpen}
      className="w-[340px]"
      label="Foods for this line"
    >
      <FoodFinder
        label="Find a food"
        words={words}
        onWords={setWords}
        foods={found.map((match) => match.food)}
        here={here}
        current={food}
        onPick={pick}
        autoFocus
      />
      {found.length === 0 && <p className="muted px-2 py-1">Nothing like “{words}” in the pantry.</p>}
    </DropPanel>
  );
}
