import { delimiterOf, isTill, quoteOf, receiptLines, receiptTable } from '../src/index.js';
import { readReceiptsMeant, receiptFares, rowsOfText } from './receiptsMeant.mjs';

test.each(readReceiptsMeant())('$name: each row is what it is', ({ text, given, rows }) => {
  const table = receiptTable(rowsOfText(text, { isTill, delimiterOf, quoteOf }));
  const { faults, silent } = receiptFares(rows, receiptLines(table.rows, table.mapping, { ...given, seen: table.seen ?? given.seen }));
  expect(faults).toEqual([]);
  expect(silent).toBe(0);
});
