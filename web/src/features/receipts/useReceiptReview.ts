import { useMemo, useState } from 'react';
import {
  matchedLine,
  receiptLines,
  receiptTable,
  standing,
  type Food,
  type MatchedLine,
  type ReceiptLine,
  type ReceiptMapping,
} from '@portiona/core';
import type { ReceiptRowsDto } from '../../api/api.gen';
import type { LoadedKitchen } from '../kitchen/useKitchen';

/** What a person changed of a line. */
export interface LineChoice {
  readonly food?: Food;
  readonly net?: number;
  readonly unit?: string;
  readonly take?: boolean;
}

/** A receipt being looked over: what its columns hold, its shop and day, and each line as it was read and then chosen. */
export function useReceiptReview(printed: ReceiptRowsDto['rows'], here: LoadedKitchen, remembered: ReadonlyMap<string, string>) {
  const { settings } = here.kitchen;
  const [table] = useState(() => receiptTable(printed));
  const [mapping, setMapping] = useState<ReceiptMapping>(table.mapping);
  const [shop, setShop] = useState('');
  const [seen, setSeen] = useState(table.seen ?? settings.date);
  const [choices, setChoices] = useState<ReadonlyMap<number, LineChoice>>(new Map());
  const read = useMemo(
    () => receiptLines(table.rows, mapping, { shop: shop.trim(), seen, currency: settings.currency, today: settings.date }),
    [table, mapping, shop, seen, settings],
  );
  const matched = useMemo(
    () =>
      read.lines.map((line) => matchedLine(line, here.foodsById, here.index, remembered, (food) => here.kitchen.packsOf(food), settings)),
    [read, here, remembered, settings],
  );
  const lines = matched.map((match) => chosen(match, choices.get(match.line.row), here));
  return {
    rows: table.rows,
    ...{ mapping, setMapping, shop, setShop, seen, setSeen },
    passed: read.passed,
    lines,
    wantsShop: mapping.columns.shop === undefined && shop.trim() === '',
    choose: (row: number, choice: LineChoice) => setChoices((before) => new Map(before).set(row, { ...before.get(row), ...choice })),
  };
}

/** A line as the person has it: what was read, changed by what they chose. */
function chosen({ line, food, by, ...stands }: MatchedLine, choice: LineChoice | undefined, here: LoadedKitchen) {
  const said = choice?.take;
  if (!choice)
    return { line, food, by, ...stands, said, take: food !== undefined && !stands.doubtful && by !== 'unsure' && line.doubt === undefined };
  const changed: ReceiptLine = {
    ...line,
    ...(choice.net === undefined ? {} : { net: choice.net }),
    ...(choice.unit === undefined ? {} : { unit: choice.unit }),
  };
  const now = choice.food ?? food;
  return {
    line: changed,
    food: now,
    by: choice.food ? ('you' as const) : by,
    why: choice.food ? undefined : stands.why,
    ...standing(changed, now, (id) => here.kitchen.packsOf(id), here.kitchen.settings),
    said,
    take: choice.take ?? now !== undefined,
  };
}

export type ChosenLine = ReturnType<typeof chosen>;

/** A line that says all that a price needs. */
export type ReadyLine = ChosenLine & {
  readonly food: Food;
  readonly line: ReceiptLine & { readonly net: number; readonly unit: string };
};

export function isReady(line: ChosenLine): line is ReadyLine {
  return line.food !== undefined && line.line.net !== undefined && line.line.unit !== undefined;
}

/** A line as a price seen: of one of its packs. */
export function seenPrice({ line: { net, unit, item, price, currency, promotion, usual, shop, seen }, food }: ReadyLine) {
  return {
    item,
    document: {
      ...{ food: food.id, net, unit, price, currency, shop, seen },
      ...(promotion ? { promotion } : {}),
      ...(usual === undefined ? {} : { usual }),
    },
  };
}
