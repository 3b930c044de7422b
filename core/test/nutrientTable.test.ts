import { LABEL_NUTRIENTS, NUTRIENTS, nutrientRow, RULE_SETS, TABLE_TARGETS } from '../src/index.js';
import { labelWordOf } from '../src/label/labelWords.js';

test('every nutrient is named by labels and tables, and has its place where it is printed', () => {
  expect(NUTRIENTS).toHaveLength(18);
  for (const nutrient of LABEL_NUTRIENTS) {
    const { name, labelWords, headings } = nutrientRow(nutrient);
    expect(name).not.toBe('');
    // Kilojoules are read off the figure, not off a word of their own.
    if (nutrient === 'energyKj') continue;
    for (const word of labelWords.split('|')) expect(labelWordOf(word).word).toBe(nutrient === 'energyKcal' ? 'energy' : nutrient);
    expect(headings.length).toBeGreaterThan(0);
    for (const { target } of headings) expect(TABLE_TARGETS).toContain(target);
  }
});

test.each(RULE_SETS)('what %s prints stands in an order of its own, from one on', (rules) => {
  const places = LABEL_NUTRIENTS.flatMap((nutrient) => nutrientRow(nutrient).printed[rules]?.place ?? []).sort((a, b) => a - b);
  expect(places).toEqual(places.map((_, i) => i + 1));
});

test('no word of a label stands for two nutrients', () => {
  const words = LABEL_NUTRIENTS.flatMap((nutrient) => nutrientRow(nutrient).labelWords.split('|').filter(Boolean));
  expect(new Set(words).size).toBe(words.length);
});
