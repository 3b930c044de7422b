// How many rows of the corpus of receipts and price lists are taken for what they are. Both halves: the one that was looked at while the reader was written, and the one that was not.
import { delimiterOf, isTill, quoteOf, receiptLines, receiptTable } from '../dist/index.js';
import { readReceiptsMeant, receiptFares, rowsOfText } from '../test/receiptsMeant.mjs';

for (const half of [false, true]) {
  const fares = readReceiptsMeant()
    .filter(({ unseen }) => unseen === half)
    .map(({ text, given, rows }) => {
      const table = receiptTable(rowsOfText(text, { isTill, delimiterOf, quoteOf }));
      return receiptFares(rows, receiptLines(table.rows, table.mapping, { ...given, seen: table.seen ?? given.seen }));
    });
  const sum = (of) => fares.reduce((all, fare) => all + fare[of], 0);
  console.log(
    `${half ? 'second' : 'first'} half: ${((100 * sum('right')) / sum('rows')).toFixed(1)} % of ${sum('rows')} rows right, ${sum('silent')} wrong and unmarked`,
  );
}
