import { readdirSync, readFileSync, existsSync } from 'node:fs';
import { join } from 'node:path';
import { Kitchen, readKitchen, recipeReport } from '../src/index.js';

const HERE = join(__dirname, 'cases');
const names = readdirSync(HERE)
  .filter((name) => name.endsWith('.expected.json'))
  .map((name) => name.replace('.expected.json', ''));

/** Of itself; the cases' own comparison allows ten times as much. */
const ALLOWED = 1e-9;

test.each(names)('case %s', (name) => {
  const read = readKitchen(json(`${name}.json`), '2031-03-10');
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const kitchen = new Kitchen(read.entry);
  const servings = existsSync(join(HERE, `${name}.args`))
    ? Number(/--servings (\S+)/.exec(readFileSync(join(HERE, `${name}.args`), 'utf8'))?.[1])
    : undefined;
  const got = JSON.parse(JSON.stringify(read.entry.recipes.map((recipe) => recipeReport(recipe, kitchen, servings)))) as unknown;
  expect(differences(json(`${name}.expected.json`), got, '')).toEqual([]);
});

function json(file: string): unknown {
  return JSON.parse(readFileSync(join(HERE, file), 'utf8'));
}

/** Where what is expected is not what there is: numbers to 1e-9 of themselves, lists of objects by their key. */
function differences(want: unknown, got: unknown, path: string): string[] {
  if (want === null) return got === null || got === undefined ? [] : [`${path} should be absent`];
  if (typeof want === 'number')
    return typeof got === 'number' && Math.abs(want - got) <= ALLOWED * Math.max(Math.abs(want), Math.abs(got), 1e-3)
      ? []
      : [`${path}: want ${want}, got ${String(got)}`];
  if (typeof want !== 'object')
    return want === got || (typeof want === 'string' && alike(want, String(got), path))
      ? []
      : [`${path}: want ${JSON.stringify(want)}, got ${JSON.stringify(got)}`];
  if (Array.isArray(want)) return listDifferences(want, Array.isArray(got) ? got : [], path);
  return Object.entries(want).flatMap(([key, one]) =>
    differences(one, (got as Record<string, unknown> | undefined)?.[key], `${path}.${key}`),
  );
}

function listDifferences(want: readonly unknown[], got: readonly unknown[], path: string): string[] {
  if (want.length === 0) return got.length === 0 ? [] : [`${path} should be empty`];
  if (typeof want[0] !== 'object')
    return want.length === got.length
      ? want.flatMap((one, i) => differences(one, got[i], `${path}[${i}]`))
      : [`${path}: ${JSON.stringify(got)}`];
  return want.flatMap((one) =>
    differences(
      one,
      got.find((other) => keyOf(other) === keyOf(one)),
      `${path}[${keyOf(one)}]`,
    ),
  );
}

function keyOf(item: unknown): string {
  const { code, at, recipe, id, food } = item as Record<string, string | undefined>;
  return code === undefined ? (recipe ?? id ?? at ?? food ?? '') : `${code} ${at}`;
}

/** "2 g" and "2.0 g" are the same string on a card. */
function alike(want: string, got: string, path: string): boolean {
  return (
    path.includes('.rounded.') &&
    Number.parseFloat(want) === Number.parseFloat(got) &&
    want.replace(/[\d.]+/, '') === got.replace(/[\d.]+/, '')
  );
}
