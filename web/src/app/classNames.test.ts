import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(__dirname, '..');
const sheets = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.css'));

/** Classes that a sheet gives looks to by themselves: ".name {", alone or in a list. */
function ownClasses(css: string): Set<string> {
  const plain = css.replace(/\/\*[^*]{0,2000}\*\//g, '');
  const selectors = plain.split('{').flatMap((before) => (before.split(/[;}]/).at(-1) ?? '').split(','));
  return new Set(selectors.flatMap((one) => /^\s*\.([a-z][\w-]*)\s*$/.exec(one)?.[1] ?? []));
}

test('a class has its looks from one sheet: sheets stay loaded when the page changes, and the later one would win', () => {
  const from = new Map<string, string[]>();
  for (const sheet of sheets)
    for (const name of ownClasses(readFileSync(join(ROOT, sheet), 'utf8'))) from.set(name, [...(from.get(name) ?? []), sheet]);
  expect(from.size).toBeGreaterThan(200);
  expect([...from].filter(([, of]) => of.length > 1)).toEqual([]);
});

test('every variable that a sheet uses is given somewhere: one that is not takes the whole declaration with it', () => {
  const all = sheets.map((sheet) => [sheet, readFileSync(join(ROOT, sheet), 'utf8')] as const);
  const given = new Set(all.flatMap(([, css]) => [...css.matchAll(/(?<![\w-])(--[\w-]+)\s*:/g)].map(([, name]) => name)));
  const parts = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.tsx'));
  // Some are given where an element is made.
  for (const part of parts) for (const [, name] of readFileSync(join(ROOT, part), 'utf8').matchAll(/['"](--[\w-]+)['"]/g)) given.add(name);
  const lacking = all.flatMap(([sheet, css]) =>
    [...css.matchAll(/var\((--[\w-]+)\s*\)/g)].flatMap(([, name = '']) =>
      given.has(name) || name.startsWith('--radix-') ? [] : [`${sheet}: ${name}`],
    ),
  );
  expect(given.size).toBeGreaterThan(30);
  expect(lacking).toEqual([]);
});
