// Every reader of text over every nasty shape, at two lengths: what takes much more than in proportion is told.
import {
  cellFigure,
  columnsOf,
  cutText,
  delimiterOf,
  FoodIndex,
  foodWords,
  guessMapping,
  idFromName,
  itemKey,
  leadingAmount,
  lineFromText,
  isTill,
  packSizeText,
  receiptLines,
  receiptTable,
  parseLineText,
  quoteOf,
  readLabelText,
  readRecipes,
  recipeFromRead,
  searchWords,
  stepSpans,
  tidyText,
} from '../dist/index.js';
import { nastyShapes } from '../test/nastyShapes.mjs';

const FOODS = [
  { id: 'leek', name: 'Leek', measures: { piece: 110 } },
  { id: 'oil', name: 'Olive oil', names: ['Oil of olives'] },
];
const index = new FoodIndex(FOODS);
const rows = (text) => [
  ['code', 'name', 'fat (g)', 'price'],
  ...text
    .split('\n')
    .slice(0, 50)
    .map((line) => line.split(',').slice(0, 20)),
];

/** Each reader, given a text as a person could paste it. */
export const READERS = {
  parseLineText,
  lineFromText: (text) => lineFromText(text, index, { servings: 4, measures: 'metric' }),
  leadingAmount,
  readLabelText,
  readRecipes,
  recipeFromRead: (text) => {
    const [read] = readRecipes(text);
    return (
      read &&
      recipeFromRead({ ...read, sections: read.sections.map((one) => ({ ...one, lines: one.lines.slice(0, 50) })) }, index, new Set())
    );
  },
  stepSpans: (text) => stepSpans(text.slice(0, 20_000)),
  cellFigure: (text) => cellFigure(text, '.'),
  delimiterOf: (text) => delimiterOf(text, quoteOf(text)),
  columnsOf: (text) => columnsOf(rows(text), 1),
  guessMapping: (text) => guessMapping(rows(text), 1),
  isTill,
  receiptLines: (text) => {
    // The server hands on 5,000 rows at most.
    const lines = text.split('\n', 5000).map((line) => [line]);
    const { rows: read, mapping } = receiptTable(lines);
    return receiptLines(read, mapping, { shop: '', seen: '2026-11-29', currency: 'EUR' });
  },
  packSizeText,
  itemKey,
  foodWords,
  searchWords,
  find: (text) => index.find(text, 5),
  idFromName: (text) => idFromName(text, new Set()),
  tidyText,
  cutText: (text) => cutText(text, 200),
};

const LENGTH = Number(process.argv[2] ?? 1_000_000);
const LONGEST = 1_500;
if (process.argv[1]?.endsWith('nasty.mjs')) {
  const shapes = nastyShapes(LENGTH);
  let slow = 0;
  for (const [name, read] of Object.entries(READERS)) {
    let worst = [0, ''];
    const began = performance.now();
    for (const [shape, text] of shapes) {
      const started = performance.now();
      read(text);
      const took = performance.now() - started;
      if (took > worst[0]) worst = [took, shape];
    }
    if (worst[0] > LONGEST) slow++;
    console.log(
      `${name.padEnd(16)} ${String(shapes.length).padStart(4)} shapes of ${LENGTH} letters in ${((performance.now() - began) / 1000).toFixed(1).padStart(5)} s   slowest ${Math.round(worst[0])} ms: ${worst[1].slice(0, 50)}`,
    );
  }
  console.log(slow === 0 ? 'none takes more than in proportion' : `${slow} take too long`);
}
