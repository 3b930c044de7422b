import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { plainToInstance } from 'class-transformer';
import { validateSync, type ValidationError } from 'class-validator';
import fc from 'fast-check';
import { growth, IN_PROPORTION } from '../../test/growth.js';
import { KitchenFile } from './wholeFile.js';
import { entryFaults, isSoundEntry, joined } from './entryFaults.js';
import { MOST_FAULTS } from './fault.js';
import { readEntry } from './readEntry.js';

const cases = join(__dirname, '../../test/cases');
const files = [
  ...readdirSync(cases, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.json') && !/\.(?:expected|args|plan)\.json$/.test(name))
    .map((name) => readFileSync(join(cases, name), 'utf8')),
  readFileSync(join(__dirname, '../../../demo/saltmarsh-suppers.json'), 'utf8'),
];

/** Where class-validator finds faults, each once; a member of a list and a key that is a number are written alike by it. */
function placesAtFault(found: object): string[] {
  const options = { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true, stopAtFirstError: true };
  return [...new Set(validateSync(plainToInstance(KitchenFile, found), options).flatMap((error) => placesOf(error, '')))].sort();
}

function placesOf({ property, children = [] }: ValidationError, parent: string): string[] {
  const path = joined(parent, property);
  return children.length > 0 ? children.flatMap((child) => placesOf(child, path)) : [path];
}

test('sound files are sound', () => {
  expect(files.length).toBeGreaterThan(1);
  for (const file of files) expect(isSoundEntry(KitchenFile, JSON.parse(file) as object)).toBe(true);
});

/** Every place in a document, as its owner and key. */
function placesIn(node: object): { readonly owner: Record<string, unknown>; readonly key: string }[] {
  return Object.entries(node).flatMap(([key, child]) => [
    { owner: node as Record<string, unknown>, key },
    ...(typeof child === 'object' && child !== null ? placesIn(child as object) : []),
  ]);
}

const small = JSON.parse(files.at(-1) ?? '{}') as { foods: object[]; packs: object[]; recipes: object[] };
small.foods = small.foods.slice(0, 3);
small.packs = small.packs.slice(0, 2);
small.recipes = small.recipes.slice(0, 1);

test('whatever is put in whatever place, faults are found where class-validator finds them', () => {
  const anything = fc.oneof(
    fc.constantFrom(
      null,
      true,
      -1,
      0,
      0.5,
      1e9,
      1e10,
      NaN,
      '',
      ' ',
      'g',
      'raw',
      'EUR',
      '2026-11-25',
      '2026-02-30',
      '1.20',
      [],
      [1, 2],
      [2, 1],
      {},
      [{}],
      'x'.repeat(999),
    ),
    fc.jsonValue({ maxDepth: 2 }),
  );
  let unsound = 0;
  // What every object inherits, class-validator takes for known.
  const inherited = new RegExp(`"(?:${Object.getOwnPropertyNames(Object.prototype).join('|')})":`);
  fc.assert(
    fc.property(fc.nat(), anything, fc.constantFrom('replace', 'remove', 'add'), (at, value, how) => {
      fc.pre(!inherited.test(JSON.stringify(value)));
      const document = structuredClone(small);
      const places = placesIn(document);
      const { owner, key } = places[at % places.length]!;
      if (how === 'replace') owner[key] = value;
      else if (how === 'remove' && !Array.isArray(owner)) Reflect.deleteProperty(owner, key);
      else if (!Array.isArray(owner)) owner['another key'] = value;
      // class-transformer makes something of what is no object; what JSON cannot hold is refused before.
      const faults = [...entryFaults(KitchenFile, document, '')];
      if (faults.length > 0) unsound++;
      expect(isSoundEntry(KitchenFile, document)).toBe(faults.length === 0);
      const expected = placesAtFault(structuredClone(document));
      // class-validator names the list, or the whole of what may be of several kinds; here it is the member, and what is wrong in it.
      const place = (path: string) => (expected.includes(path) ? path : (expected.find((whole) => path.startsWith(`${whole}.`)) ?? path));
      expect([...new Set(faults.map(({ path }) => place(path.replace(/\[(\d+)\]/g, '.$1'))))].sort()).toEqual(expected);
    }),
    {
      numRuns: 600,
      examples: [
        [165811740, { 0: false }, 'replace'],
        [1059343050, { '.': false, '': 0 }, 'replace'],
      ],
    },
  );
  expect(unsound).toBeGreaterThan(100);
});

test.each(['toString', 'constructor', '__proto__', 'hasOwnProperty', '0'])('a key called %s is not known', (key) => {
  const food = JSON.parse(`{"id": "a", "name": "A", "per": "100 g", "${key}": 1}`) as object;
  const faults = [...entryFaults(KitchenFile, { format: 'portiona/1', foods: [food] }, '')];
  expect(faults).toContainEqual({ path: `foods[0].${key}`, message: expect.stringContaining(`unknown key "${key}"`) as string });
});

test('a fault says what is missing, what stands there instead, and what was meant', () => {
  const dish = {
    id: 'dish',
    title: '',
    servings: 0,
    parts: [{ id: 'a', name: 'A', servd: 'box', lines: [{ food: 'Leek', state: 'boiled' }] }],
  };
  const read = readEntry(KitchenFile, { format: 'portiona/1', recipes: [dish], packs: [{}] });
  expect(read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`)).toEqual([
    'packs[0].food: is missing; it must be a text of lower-case letters, digits and hyphens',
    'packs[0].net: is missing; it must be a number above 0 to 1e9',
    'packs[0].unit: is missing; it must be a text',
    'packs[0].price: is missing; it must be a decimal number or text from 0 to 1e9, such as "2.30"',
    'packs[0].currency: is missing; it must be an ISO 4217 code such as "EUR"',
    'packs[0].shop: is missing; it must be a text',
    'packs[0].seen: is missing; it must be a day such as "2026-11-25"',
    'recipes[0].title: must not be empty, not ""',
    'recipes[0].servings: must be a number from 1 to 1e9, not 0',
    'recipes[0].parts[0].servd: unknown key "servd"; did you mean "served"?',
    'recipes[0].parts[0].lines[0].food: must be lower-case letters, digits and hyphens, such as "red-lentils", not "Leek"',
    'recipes[0].parts[0].lines[0].state: must be one of: raw, cooked, dry, drained, as sold, prepared, not "boiled"',
  ]);
});

const keyed = (count: number) => Object.fromEntries(Array.from({ length: count }, (_, i) => [`key ${i}`, 1]));
const partsOf = (parts: object[]) => ({ format: 'portiona/1', recipes: [{ id: 'a', title: 'A', servings: 1, parts }] });

test.each<[string, number, (count: number) => object]>([
  ['empty parts', 700_000, (count) => partsOf(Array<object>(count).fill({}))],
  ['empty foods', 1_000_000, (count) => ({ format: 'portiona/1', foods: Array<object>(count).fill({}) })],
  ['a few unknown keys', 900, keyed],
  ['unknown keys', 160_000, keyed],
  ['lines that are no objects', 500_000, (count) => partsOf([{ id: 'p', name: 'P', lines: Array<number>(count).fill(7) }])],
])('%s (%d) are read to the hundredth fault and no further, in proportion', (_, most, file) => {
  const read = readEntry(KitchenFile, file(most));
  expect(read.ok).toBe(false);
  expect(read.ok ? 0 : read.faults.length).toBeLessThanOrEqual(MOST_FAULTS);
  expect(growth(most, file, (given) => readEntry(KitchenFile, given))).toBeLessThan(IN_PROPORTION);
});
