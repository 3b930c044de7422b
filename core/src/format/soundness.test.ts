import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import fc from 'fast-check';
import { KitchenFile } from './kitchenFile.js';
import { isSoundEntry } from './soundness.js';

const cases = join(__dirname, '../../test/cases');
const files = [
  ...readdirSync(cases, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.json') && !name.endsWith('.expected.json'))
    .map((name) => readFileSync(join(cases, name), 'utf8')),
  readFileSync(join(__dirname, '../../../demo/saltmarsh-suppers.json'), 'utf8'),
];

/** What class-validator says of it. */
function isValid(found: object): boolean {
  const options = { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true, stopAtFirstError: true };
  return validateSync(plainToInstance(KitchenFile, found), options).length === 0;
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

test('whatever is put in whatever place, the quick answer is that of class-validator', () => {
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
  fc.assert(
    fc.property(fc.nat(), anything, fc.constantFrom('replace', 'remove', 'add'), (at, value, how) => {
      const document = structuredClone(small);
      const places = placesIn(document);
      const { owner, key } = places[at % places.length]!;
      if (how === 'replace') owner[key] = value;
      else if (how === 'remove' && !Array.isArray(owner)) Reflect.deleteProperty(owner, key);
      else if (!Array.isArray(owner)) owner['another key'] = value;
      // class-transformer makes something of what is no object; what JSON cannot hold is refused before.
      const sound = isSoundEntry(KitchenFile, document);
      if (!sound) unsound++;
      expect(sound).toBe(isValid(structuredClone(document)));
    }),
    { numRuns: 600 },
  );
  expect(unsound).toBeGreaterThan(100);
});
