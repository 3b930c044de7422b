import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  cardContent,
  cardFacts,
  cardSmallPrint,
  asRead,
  FORMAT_NAMES,
  Kitchen,
  laidCard,
  printedRecipe,
  readKitchen,
  type CardChoices,
  type CardContent,
  type CardSheet,
  type Format,
  type KitchenContent,
  type Mark,
  type Recipe,
  type TextMark,
} from '@portiona/core';
import { loadImage } from '@napi-rs/canvas';
import { cardTypesetter } from '../src/sheets/cardTypesetter.js';
import { drawnPdf } from '../src/sheets/drawnPdf.js';
import { drawnPng } from '../src/sheets/drawnPng.js';
import { drawnSvg } from '../src/sheets/drawnSvg.js';

const read = readKitchen(JSON.parse(readFileSync(join(__dirname, '../../demo/saltmarsh-suppers.json'), 'utf8')), '2026-11-25');
if (!read.ok) throw new Error(JSON.stringify(read.faults));
const demo: KitchenContent = read.entry;
const kitchen = new Kitchen(demo);
const NONE = new Map<string, Buffer>();

/** How cards are printed, between them every rule set, both ways round of units, and everything that can be on one or not. */
const PRINTED: readonly (readonly [string, CardChoices])[] = [
  ['as usual', {}],
  ['by EU rules, ounces first, everything on it', { rules: 'eu', units: 'us', perPart: true, claims: true, about: true }],
  [
    'by US rules, grams first, as little as can be',
    { rules: 'us', units: 'metric', cost: 'none', figures: [], topping: false, cautions: 'short', numbers: 'de' },
  ],
];
const CASES = PRINTED.flatMap(([name, card]) => demo.recipes.map((recipe) => [recipe.title, name, { ...recipe, card }] as const));

function laid(card: CardContent, format: Format): CardSheet {
  return laidCard({ card, format, set: cardTypesetter, edition: { issue: 3, on: '17 Nov 2026' } });
}

const made = new Map<Recipe, { readonly card: CardContent; readonly sheets: ReadonlyMap<Format, CardSheet> }>();

/** A recipe's card and its sheets, laid out once. */
function sheetsOf(recipe: Recipe) {
  const known = made.get(recipe);
  if (known) return known;
  const card = cardContent(recipe, kitchen);
  const all = { card, sheets: new Map(FORMAT_NAMES.map((format) => [format, laid(card, format)])) };
  made.set(recipe, all);
  return all;
}

function marksOf(sheet: CardSheet): readonly (readonly Mark[])[] {
  return sheet.pages.map(({ blocks }) => blocks.flatMap(({ marks }) => marks));
}

function textsOf(sheet: CardSheet): readonly (readonly TextMark[])[] {
  return marksOf(sheet).map((marks) => marks.filter((mark): mark is TextMark => mark.kind === 'text'));
}

/** Words in any order: outputs may part a line otherwise, and say the same. */
function wordsOf(text: string): readonly string[] {
  return text
    .split(/[\s\u00a0]+/)
    .filter((word) => word !== '')
    .sort();
}

function pdfWords(pdf: Buffer): readonly string[] {
  const file = join(mkdtempSync(join(tmpdir(), 'portiona-sheet-')), 'card.pdf');
  writeFileSync(file, pdf);
  return wordsOf(execFileSync('pdftotext', ['-raw', file, '-'], { encoding: 'utf8' }).replace(/\f/g, ' '));
}

/** Everything that a reader relies on, wherever it stands. */
function relied(card: CardContent): string {
  const {
    title,
    series,
    lead,
    energy,
    energyKj,
    macros,
    intoEachBox,
    used,
    usedForAll,
    till,
    topping,
    claims = [],
    sections,
    steps,
    cautions,
    table = [],
  } = asRead(card);
  return [
    title,
    series,
    lead,
    ...[energy, energyKj, used, usedForAll, till, ...macros, ...(topping?.figures ?? [])].map((figure) => figure?.text ?? ''),
    ...intoEachBox.flatMap(({ grams, part, figures = [] }) => [grams, part, ...figures.map(({ text }) => text)]),
    ...claims,
    ...cardFacts(asRead(card)).flatMap(({ said, of }) => [said, of]),
    ...sections.flatMap(({ lines }) =>
      lines.flatMap(({ amount, food, note, second, allergens }) => [amount === 'to taste' ? '' : amount, food, note, second, ...allergens]),
    ),
    ...steps.flatMap(({ part, runs }) => [part, runs.map(({ text }) => text).join('')]),
    ...table.flatMap(({ perServing, per100g }) => (perServing === 'not known' ? [] : [perServing, per100g])),
    cautions.fridge,
    cautions.freezer,
    cautions.reheat,
    cardSmallPrint(asRead(card)),
  ].join(' ');
}

/** Letters and numbers of a text: what commas and brackets stand beside is a matter of its sentence. */
function bare(text: string): readonly string[] {
  return [...new Set(text.toLowerCase().match(/[\p{L}\p{N}½¼¾⅓⅔⅛€]+(?:[.,’][\p{N}]+)*/gu) ?? [])];
}

test.each(CASES)(
  '%s, %s: everything is on its page, nothing upon anything, nothing torn, and the last page a third full',
  (_title, _name, recipe: Recipe) => {
    for (const [format, sheet] of sheetsOf(recipe).sheets) {
      expect({ format, torn: sheet.torn, lacking: sheet.lacking }).toEqual({ format, torn: [], lacking: [] });
      if (sheet.pages.length > 1) expect(sheet.pages.at(-1)?.filled).toBeGreaterThanOrEqual(1 / 3);
      expect(sheet.pages.every(({ filled }) => filled > 0 && filled <= 1 + 1e-6)).toBe(true);
      for (const texts of textsOf(sheet)) {
        for (const { x, y, width, size } of texts) {
          expect(x).toBeGreaterThanOrEqual(0);
          expect(x + width).toBeLessThanOrEqual(sheet.width);
          expect(y - size * 0.75).toBeGreaterThanOrEqual(0);
          expect(y + size * 0.25).toBeLessThanOrEqual(sheet.height);
        }
        expect(upon(texts)).toEqual([]);
      }
      // Nothing on paper is so small that it cannot be read; nothing of a picture is smaller than 28 of its pixels.
      const smallest = Math.min(...textsOf(sheet).flatMap((texts) => texts.map(({ size }) => size)));
      expect(smallest).toBeGreaterThanOrEqual(sheet.unit === 'px' ? 24 : 4.6);
    }
  },
);

/** Texts that stand upon each other. */
function upon(texts: readonly TextMark[]): readonly string[] {
  const boxes = texts.map(({ x, y, width, size, words }) => ({
    left: x + 0.2,
    right: x + width - 0.2,
    top: y - size * 0.62,
    bottom: y + size * 0.08,
    words,
  }));
  return boxes.flatMap((one, i) =>
    boxes.slice(i + 1).flatMap((other) => {
      const over = one.left < other.right && other.left < one.right && one.top < other.bottom && other.top < one.bottom;
      return over && one.words.trim() !== '' && other.words.trim() !== '' ? [`${one.words} | ${other.words}`] : [];
    }),
  );
}

test.each(CASES)('%s, %s: what readers rely on is on every paper, word for word', (_title, _name, recipe: Recipe) => {
  const { card, sheets } = sheetsOf(recipe);
  for (const format of ['a5', 'a4', 'letter', '6x4'] as const) {
    const said = new Set(
      bare(
        textsOf(sheets.get(format)!)
          .flatMap((texts) => texts.map(({ words }) => words))
          .join(' '),
      ),
    );
    expect({ format, missing: bare(relied(card)).filter((word) => !said.has(word)) }).toEqual({ format, missing: [] });
  }
});

test.each(CASES.filter((_, i) => i % 7 === 0))(
  '%s, %s: PDF, drawing and picture say just what was laid out',
  async (_title, _name, recipe: Recipe) => {
    const { sheets } = sheetsOf(recipe);
    for (const sheet of sheets.values()) {
      const words = wordsOf(
        textsOf(sheet)
          .flatMap((texts) => texts.map((mark) => mark.words))
          .join(' '),
      );
      const drawn = sheet.pages.map((_, page) => drawnSvg(sheet, page, NONE));
      const inDrawing = drawn.flatMap((svg) => [...svg.matchAll(/<text [^>]*>([^<]*)<\/text>/g)].map(([, text = '']) => unescaped(text)));
      // A word may be cut where its font changes.
      expect(inDrawing.join('').replace(/[\s\u00a0]+/g, '')).toBe(
        textsOf(sheet)
          .flatMap((texts) => texts.map((mark) => mark.words))
          .join('')
          .replace(/[\s\u00a0]+/g, ''),
      );
      const pdf = await drawnPdf(sheet, NONE);
      expect(letters(pdfWords(pdf))).toEqual(letters(words));
    }
    const picture = sheets.get('portrait')!;
    const png = await loadImage(await drawnPng(picture, 0, NONE));
    expect([png.width, png.height]).toEqual([1080, 1350]);
  },
);

/** How often each letter is there: lines may be parted otherwise, and a reader of PDFs joins what stands close. */
function letters(words: readonly string[]): Readonly<Record<string, number>> {
  const counts: Record<string, number> = {};
  for (const letter of words.join('').normalize('NFKC')) counts[letter] = (counts[letter] ?? 0) + 1;
  return counts;
}

function unescaped(text: string): string {
  return text
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&quot;/g, '"')
    .replace(/&#39;/g, "'")
    .replace(/&amp;/g, '&');
}

test.each(CASES)('%s, %s: printed figures are those of the amounts that are printed', (_title, _name, recipe: Recipe) => {
  const { card } = sheetsOf(recipe);
  const { figures } = printedRecipe(recipe, kitchen);
  // The recipe as it is printed, taken for a recipe of its own, prints the same figures.
  const again = cardContent({ ...figures.recipe, card: { ...recipe.card, units: 'written' } }, kitchen);
  expect([again.energy, again.macros, again.used, again.weight]).toEqual([card.energy, card.macros, card.used, card.weight]);
  expect(again.sections.map(({ lines }) => lines.map(({ amount }) => amount))).toEqual(
    card.sections.map(({ lines }) => lines.map(({ amount }) => amount)),
  );
});

test.each([
  [1, 0, 0],
  [1, 45, 12],
  [14, 6, 30],
  [60, 2, 40],
])('a dish of %d parts of %d lines, and %d steps, stays on its pages in every format, and says it all', (parts, lines, steps) => {
  const big: Recipe = {
    id: 'big',
    title: 'A dish of many things for a long table',
    servings: 12,
    parts: Array.from({ length: parts }, (_, p) => ({
      id: `p${p}`,
      name: `Part ${p + 1}`,
      lines: Array.from({ length: lines }, () => ({ food: 'leek', amount: 100, unit: 'g', note: 'washed and finely sliced' })),
    })),
    steps: Array.from({ length: steps }, (_, i) => `Stir the pot for ${i + 1} min, until it is soft and gold at the edge.`),
  };
  const leek = kitchen.content.foods.find(({ id }) => id === 'leek')!;
  const card = cardContent(big, new Kitchen({ ...demo, foods: [leek] }));
  for (const format of FORMAT_NAMES) {
    const sheet = laid(card, format);
    for (const texts of textsOf(sheet)) {
      for (const { x, y, width, size } of texts) {
        expect({ format, right: x + width <= sheet.width, bottom: y + size * 0.25 <= sheet.height, top: y - size * 0.75 >= 0 }).toEqual({
          format,
          right: true,
          bottom: true,
          top: true,
        });
      }
      expect(upon(texts)).toEqual([]);
    }
    if (sheet.unit === 'px') continue;
    const said = textsOf(sheet).flatMap((texts) => texts.map(({ words }) => words));
    expect(said.filter((words) => words.includes('finely')).length).toBeGreaterThanOrEqual(parts * lines);
    expect(said.filter((words) => words.startsWith('Stir the pot')).length).toBe(steps);
  }
});

test('a PDF has its language and title, and its parts are tagged in the order they are read', async () => {
  const sheet = laid(cardContent(demo.recipes[0]!, kitchen), 'a5');
  const file = join(mkdtempSync(join(tmpdir(), 'portiona-tags-')), 'card.pdf');
  writeFileSync(file, await drawnPdf(sheet, NONE));
  const info = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
  expect(info).toMatch(/Title: +Smoky lentil and squash dal, brown rice/);
  expect(info).toMatch(/Tagged: +yes/);
  const structure = execFileSync('pdfinfo', ['-struct-text', file], { encoding: 'utf8' });
  expect(structure.match(/^ *H1/gm)).toHaveLength(1);
  expect(structure.match(/^ *L$|^ *L /gm)?.length).toBeGreaterThanOrEqual(3);
  expect(structure).toMatch(/Figure/);
  const place = (words: string) => structure.indexOf(words);
  expect(place('Protein')).toBeGreaterThan(0);
  expect(place('red lentils')).toBeGreaterThan(place('Smoky'));
  expect(place('Soften')).toBeGreaterThan(place('red lentils'));
});

const HOSTILE = [
  '<script>alert(1)</script>',
  '"><img src=x onerror=alert(1)>',
  '</text></svg><script>1</script>',
  '&#x3C;script&#x3E;',
  '\u0000\u0007ctrl',
  'javascript:alert(1)',
  ']]>',
  '漢字 🍲 עברית',
  'a'.repeat(400),
];

test.each(HOSTILE)('hostile text, %#, in every field reaches drawings and PDFs as text', async (text) => {
  const [first, ...parts] = demo.recipes[0]!.parts;
  const recipe: Recipe = {
    ...demo.recipes[0]!,
    title: text.slice(0, 200),
    series: text.slice(0, 120),
    lead: text,
    servingName: text.slice(0, 60),
    steps: [text, `Stir {dal/1 ${text.replace(/[{}]/g, '')}}.`],
    storage: { reheat: text },
    parts: [
      {
        ...first!,
        name: text.slice(0, 200),
        vessel: { name: text.slice(0, 60), capacity: 90_000, fillLimit: 0.9 },
        lines: first!.lines.map((line) => ({ ...line, note: text.slice(0, 400) })),
      },
      ...parts,
    ],
  };
  const signed = new Kitchen({
    ...demo,
    settings: { ...demo.settings, card: { publication: text.slice(0, 80), address: text.slice(0, 120), mark: '<b>' } },
  });
  const card = cardContent(recipe, signed);
  for (const format of ['a5', 'letter', '6x4', 'square'] as const) {
    const sheet = laid(card, format);
    for (let page = 0; page < sheet.pages.length; page++) {
      const svg = drawnSvg(sheet, page, NONE);
      expect(svg.replace(/<style>.*?<\/style>/s, '')).not.toMatch(/<(?:script|img|a|foreignObject|iframe)\b|\son\w+="/i);
      expect(svg.match(/<svg[ >]/g)).toHaveLength(1);
      // eslint-disable-next-line no-control-regex -- just these are what XML cannot hold
      expect(svg).not.toMatch(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/);
    }
    expect((await drawnPdf(sheet, NONE)).subarray(0, 5).toString()).toBe('%PDF-');
    for (const texts of textsOf(sheet)) for (const { x, width } of texts) expect(x + width).toBeLessThanOrEqual(sheet.width + 0.5);
  }
});

test('what no font of the cards has a shape for is told', () => {
  const sheet = laid({ ...cardContent(demo.recipes[0]!, kitchen), lead: 'With 漢 and ⅓.' }, 'a5');
  expect(sheet.lacking).toEqual(['漢']);
});
