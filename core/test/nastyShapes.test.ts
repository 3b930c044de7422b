import { readRecipes } from '../src/page/index.js';
import { readLabelText } from '../src/label/index.js';
import { idFromName, leadingAmount, parseLineText, searchWords, stepSpans } from '../src/text/index.js';
import { FoodIndex, lineFromText } from '../src/match/index.js';
import { cutText, tidyText } from '../src/quantity/index.js';
import { cellFigure, columnsOf, delimiterOf, guessMapping } from '../src/table/index.js';
import { isTill, itemKey, packSizeText, receiptLines, receiptTable } from '../src/receipt/index.js';
import { growth, IN_PROPORTION } from './growth.js';
import { nastyShapes } from './nastyShapes.mjs';

const index = new FoodIndex([{ id: 'leek', name: 'Leek' }]);
const rows = (text: string) => [
  ['code', 'name', 'fat (g)'],
  ...text
    .split('\n')
    .slice(0, 20)
    .map((line) => line.split(',').slice(0, 20)),
];
const LENGTH = 24_000;
const lengths = new Map([LENGTH, LENGTH / 8].map((length) => [length, nastyShapes(length)]));

function readReceipt(text: string): unknown {
  const { rows, mapping } = receiptTable(text.split('\n').map((line) => [line]));
  return receiptLines(rows, mapping, { shop: '', seen: '2026-11-29', currency: 'EUR' });
}

test.each<[string, (text: string) => unknown]>([
  ['parseLineText', parseLineText],
  ['lineFromText', (text) => lineFromText(text, index, { servings: 4, measures: 'metric' })],
  ['leadingAmount', leadingAmount],
  ['readLabelText', readLabelText],
  ['readRecipes', readRecipes],
  ['stepSpans', stepSpans],
  ['searchWords', searchWords],
  ['find', (text) => index.find(text, 5)],
  ['idFromName', (text) => idFromName(text, new Set())],
  ['cellFigure', (text) => cellFigure(text, '.')],
  ['delimiterOf', (text) => delimiterOf(text)],
  ['columnsOf', (text) => columnsOf(rows(text), 1)],
  ['guessMapping', (text) => guessMapping(rows(text), 1)],
  ['packSizeText', packSizeText],
  ['isTill', isTill],
  ['receiptLines', (text) => readReceipt(text)],
  ['itemKey', itemKey],
  ['tidyText', tidyText],
  ['cutText', (text) => cutText(text, 200)],
])('%s takes time in proportion, whatever it is given', (_, read) => {
  const slow = nastyShapes(1).flatMap(([name], at) => {
    const grew = growth(LENGTH, (length) => lengths.get(length)?.[at]?.[1] ?? '', read);
    return grew >= IN_PROPORTION ? [`${name}: ${Math.round(grew)} times as much for 8 times the length`] : [];
  });
  expect(slow).toEqual([]);
});

test('what is longer than any ingredient is none', () => {
  expect(parseLineText(`3 leeks ${'x'.repeat(500)}`)).toMatchObject({ foodWords: expect.stringMatching(/^3 leeks/) as string });
  expect(parseLineText(`3 leeks ${'x'.repeat(500)}`).amount).toBeUndefined();
});
