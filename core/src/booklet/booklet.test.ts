import fc from 'fast-check';
import { demoKitchen } from '../../test/demoKitchen.js';
import { cardContent, type CardContent } from '../card/index.js';
import type { Face, Typesetter } from '../sheet/index.js';
import { BOOKLET_FORMATS, boundBooklet, boundCard, type Booklet, type BookletTitle, type BoundCard } from './booklet.js';
import { mainFoods } from './mainFoods.js';
import { numbersTrouble } from './numbersTrouble.js';

/** Letters of about the width that those of the cards have. */
const set: Typesetter = {
  ems: (words: string, face: Face) => words.length * (face.startsWith('serif') ? 0.5 : 0.52),
  lacking: () => [],
};
const TITLE: BookletTitle = {
  name: 'Night Watch',
  subtitle: 'For whoever sits up',
  about: 'One.\n\nTwo.',
  publication: 'Saltmarsh Suppers',
  address: 'saltmarsh.example',
  mark: 'Sa',
  on: '30 Nov 2026',
};
const contents = demoKitchen.content.recipes.map((recipe) => cardContent(recipe, demoKitchen));
const bound = (cards: readonly CardContent[], format: (typeof BOOKLET_FORMATS)[number]): readonly BoundCard[] =>
  cards.map((card) => boundCard({ card, edition: { issue: 1, on: '30 Nov 2026' } }, format, set));
const wordsOf = ({ blocks }: Booklet['pages'][number]) =>
  blocks.flatMap(({ marks }) => marks.flatMap((mark) => (mark.kind === 'text' ? [mark.words] : []))).join(' ');

test.each(BOOKLET_FORMATS)(
  'a booklet of every demo dish, %s: title, contents, cards in order, indexes, each where it is said to be',
  (format) => {
    const cards = bound(contents, format);
    const book = boundBooklet(TITLE, cards, format, set);
    expect(wordsOf(book.pages[0]!)).toContain('Night Watch');
    expect(book.pages.length).toBe(book.pages.filter(({ blocks }) => blocks.length > 0).length);
    expect(book.outline.map(({ name }) => name)).toEqual([
      'Contents',
      ...contents.map(({ title }) => title),
      'By what is in it',
      'By energy',
    ]);
    for (const { name, page } of book.outline) {
      const words = wordsOf(book.pages[page]!).replace(/\s+/g, ' ');
      expect(words).toContain(name.split(' ')[0]);
      expect(book.pages[page]?.anchor).toBeDefined();
    }
    // Each row leads to a page that is there, and says the number that stands on it.
    const anchors = new Map(book.pages.flatMap(({ anchor }, i) => (anchor === undefined ? [] : [[anchor, i + 1] as const])));
    const rows = book.pages.flatMap(({ blocks }) => blocks.filter(({ to }) => to !== undefined));
    expect(rows.length).toBeGreaterThan(contents.length * 3 - 1);
    for (const { to, marks } of rows) {
      const last = marks.findLast((mark) => mark.kind === 'text' && mark.ink === 'damson' && /^\d+$/.test(mark.words));
      expect(Number(last?.kind === 'text' ? last.words : 0)).toBe(anchors.get(to!));
    }
    for (const [i, page] of book.pages.entries()) {
      if (i > 0) expect(wordsOf(page)).toMatch(new RegExp(String.raw`\b${i + 1}$`));
      for (const mark of page.blocks.flatMap(({ marks }) => marks))
        if (mark.kind === 'text') {
          expect([mark.words, mark.x >= 0 && mark.x + mark.width <= book.width + 0.5, mark.y <= book.height]).toEqual([
            mark.words,
            true,
            true,
          ]);
        }
    }
  },
);

test('lists stand in their order: contents by the cards, foods by the alphabet, energy from least to most; numbers at the outer edge', () => {
  const book = boundBooklet(TITLE, bound(contents, 'a4'), 'a4', set);
  const rowsOf = (name: string) => {
    const { page } = book.outline.find((one) => one.name === name)!;
    return book.pages[page]!.blocks.filter(({ role }) => role === 'LI').map(({ marks }) =>
      marks.flatMap((mark) => (mark.kind === 'text' ? [mark.words] : [])).join(' '),
    );
  };
  const titles = (rows: readonly string[]) =>
    rows.flatMap((row) => contents.filter(({ title }) => row.includes(title)).map(({ title }) => title));
  expect(titles(rowsOf('Contents'))).toEqual(contents.map(({ title }) => title));
  const kcal = rowsOf('By energy').map((row) => Number(/(\d{1,5}) kcal/.exec(row)?.[1]));
  expect(kcal).toEqual(kcal.toSorted((a, b) => a - b));
  expect(kcal).toHaveLength(contents.length);
  const foods = rowsOf('By what is in it').filter((row) => titles([row]).length === 0);
  expect(foods.length).toBeGreaterThan(10);
  expect(foods).toEqual(foods.toSorted((a, b) => a.localeCompare(b, 'en')));
  book.pages.slice(1).forEach((page, i) => {
    const folio = page.blocks.at(-1)!.marks[0]!;
    // Page 2 lies at the left of an open booklet.
    if (folio.kind === 'text') expect(folio.x < book.width / 2).toBe(i % 2 === 0);
  });
});

test('a card that prints no energy is in the index by energy all the same, last', () => {
  const [first, ...rest] = contents;
  const book = boundBooklet(TITLE, bound([{ ...first!, energy: undefined }, ...rest], 'a5'), 'a5', set);
  const { page } = book.outline.find(({ name }) => name === 'By energy')!;
  const words = wordsOf(book.pages[page]!);
  expect(contents.every(({ title }) => words.includes(title))).toBe(true);
  expect(Math.max(...contents.map(({ title }) => words.indexOf(title)))).toBe(words.indexOf(first!.title));
  expect(words).toContain('–');
});

test('page numbers stand under everything that is set on a page', () => {
  for (const format of BOOKLET_FORMATS) {
    const book = boundBooklet(TITLE, bound(contents, format), format, set);
    for (const page of book.pages.slice(1)) {
      const texts = page.blocks.flatMap(({ marks }) => marks.flatMap((mark) => (mark.kind === 'text' ? [mark] : [])));
      const folio = texts.at(-1)!;
      for (const text of texts.slice(0, -1)) {
        const beside = text.x + text.width < folio.x - 1 || text.x > folio.x + folio.width + 1;
        expect(beside || text.y + text.size * 0.25 < folio.y - folio.size * 0.7).toBe(true);
      }
    }
  }
});

test('lists of hundreds of cards go on over pages, none of them all but empty', () => {
  const once = bound(contents, 'a5');
  const many = Array.from({ length: 12 }, () => once).flat();
  const book = boundBooklet(TITLE, many, 'a5', set);
  const [foods, energy] = ['By what is in it', 'By energy'].map((name) => book.outline.find((one) => one.name === name)!.page);
  for (const [from, to] of [
    [1, 1 + book.outline[1]!.page - 1],
    [foods!, energy!],
    [energy!, book.pages.length],
  ] as const) {
    expect(to - from).toBeGreaterThan(1);
    for (const page of book.pages.slice(from, to)) expect(page.filled).toBeGreaterThan(1 / 3);
  }
});

test('a booklet of one dish, without a word of its own', () => {
  const book = boundBooklet({ name: 'A', publication: 'B', on: '' }, bound(contents.slice(0, 1), 'a5'), 'a5', set);
  expect(wordsOf(book.pages[0]!)).toContain('One dish');
  expect(book.pages.length).toBeGreaterThanOrEqual(5);
});

test('what a dish is looked for under: what its title names, of what is in it', () => {
  const under = (title: string) => mainFoods(contents.find((card) => card.title.startsWith(title))!).names;
  expect(under('Egg and leek')).toEqual(['Eggs', 'Leeks']);
  expect(under('White bean')).toEqual(['White beans', 'Kale']);
  expect(under('Smoky lentil')).toEqual(['Red lentils', 'Butternut squash', 'Brown rice']);
  const list = (title: string, ...foods: string[]) => ({ title, sections: [{ lines: foods.map((food) => ({ food })) }] });
  expect(mainFoods(list('Sunday supper', 'pork shoulder, boned', 'apples'))).toEqual({ names: ['Pork shoulder'], from: 'list' });
  expect(mainFoods(list('Sunday supper', 'pork'), [' Pork ', 'apples', '', 'Apples'])).toEqual({
    names: ['Pork', 'Apples'],
    from: 'recipe',
  });
  expect(mainFoods(list('Nothing in it'))).toEqual({ names: [], from: 'list' });
  expect(mainFoods(list('Smoky dal, brown rice', 'Onion, brown', 'Brown rice, long')).names).toEqual(['Brown rice']);
  expect(mainFoods(list('Chicken and red cabbage', 'Red wine', 'Chicken thighs, boneless', 'Red cabbage')).names).toEqual([
    'Chicken thighs',
    'Red cabbage',
  ]);
  expect(mainFoods(list('Chickpea stew', 'Chickpeas in water, Nine', 'Red lentils (split)')).names).toEqual(['Chickpeas']);
  expect(mainFoods(list('Tomato rice', 'canned chopped tomatoes with their juice', 'rice')).names).toEqual([
    'Canned chopped tomatoes',
    'Rice',
  ]);
});

test('numbers that are doubled, missing or not there are told', () => {
  const dish = (number: number | null, title = `Dish ${number}`) => ({ title, number });
  expect(numbersTrouble([])).toEqual([]);
  expect(numbersTrouble([dish(3), dish(4), dish(5)])).toEqual([]);
  expect(numbersTrouble([dish(1), dish(3)])).toEqual(['No. 2 is missing.']);
  expect(numbersTrouble([dish(1), dish(4), dish(4, 'Soup'), dish(null, 'Stew')])).toEqual([
    'No. 4 stands twice: Dish 4; Soup.',
    'No. 2 and no. 3 are missing.',
    'Without a number: Stew.',
  ]);
  expect(numbersTrouble([dish(1), dish(90_000)])[0]).toMatch(/^No\. 2, no\. 3, .* and more are missing\.$/);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 1, max: 30 }), (first, count) => {
      const numbers = Array.from({ length: count }, (_, i) => dish(first + i));
      expect(numbersTrouble(numbers)).toEqual([]);
      if (count > 2) expect(numbersTrouble(numbers.filter((_, i) => i !== 1))).toEqual([`No. ${first + 1} is missing.`]);
    }),
  );
});
