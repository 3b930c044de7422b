import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const CALC = join(__dirname, '../dist/cli/calc.js');
const DEMO = join(__dirname, '../../demo/saltmarsh-suppers.json');
const folder = mkdtempSync(join(tmpdir(), 'portiona-calc-'));

function calc(...args: string[]) {
  return spawnSync(process.execPath, [CALC, ...args], { encoding: 'utf8' });
}

function fileOf(text: string): string {
  const file = join(folder, 'kitchen.json');
  writeFileSync(file, text);
  return file;
}

test('prints one recipe as JSON, scaled when asked', () => {
  const { stdout, status } = calc(DEMO, '--recipe', 'chickpea-and-pepper-stew', '--servings', '10', '--json');
  expect(status).toBe(0);
  expect(JSON.parse(stdout)).toMatchObject([{ recipe: 'chickpea-and-pepper-stew', servings: 10 }]);
});

test('computes every file of a folder in one run, and prints nothing when one is faulty', () => {
  const cases = join(__dirname, '../../core/test/cases');
  const mixed = mkdtempSync(join(tmpdir(), 'portiona-folder-'));
  const kitchen = (id: string) =>
    JSON.stringify({ format: 'portiona/1', recipes: [{ id, title: 'T', servings: 1, parts: [{ id: 'p', name: 'P', lines: [] }] }] });
  writeFileSync(join(mixed, 'a.json'), kitchen('one'));
  writeFileSync(join(mixed, 'b.json'), kitchen('two'));
  const { stdout, status } = calc(mixed, '--json');
  expect(status).toBe(0);
  expect(JSON.parse(stdout)).toMatchObject([
    { file: 'a.json', recipe: 'one' },
    { file: 'b.json', recipe: 'two' },
  ]);
  const faulty = calc(cases, '--json'); // holds expected results as well, which are no kitchen files
  expect(faulty).toMatchObject({ status: 2, stdout: '' });
  expect(faulty.stderr).toMatch(/^01-units\.expected\.json: must be an object/);
});

test('prints a table without --json', () => {
  const { stdout } = calc(DEMO, '--recipe', 'smoky-lentil-and-squash-dal');
  expect(stdout).toMatch(/Energy +671\.5 kcal +61\d\.\d to 72\d\.\d/);
  expect(stdout).toMatch(/Fibre +at least 14\.2 g/);
});

test.each([
  ['no file', [], /^usage:/],
  ['a file that is not there', ['/nowhere/kitchen.json'], /cannot be read/],
  ['an unknown option', [DEMO, '--serving', '3'], /--serving/],
  ['servings 0', [DEMO, '--servings', '0'], /^--servings: must be a number from 1/],
  ['an unknown recipe', [DEMO, '--recipe', 'nothing'], /no recipe "nothing"/],
])('%s: exit 2, said on standard error, nothing on standard output', (_, args, message) => {
  const { stdout, stderr, status } = calc(...args);
  expect(status).toBe(2);
  expect(stdout).toBe('');
  expect(stderr).toMatch(message);
});

test('each fault of a file is a line with its place', () => {
  const file = fileOf(
    JSON.stringify({
      format: 'portiona/1',
      foods: [
        { id: 'A', name: 'A' },
        { id: 'b', name: 'B', refuse: 2 },
      ],
    }),
  );
  const { stderr, status, stdout } = calc(file, '--json');
  expect(status).toBe(2);
  expect(stdout).toBe('');
  expect(stderr.trim().split('\n')).toEqual([expect.stringMatching(/^foods\[0\]\.id: /), expect.stringMatching(/^foods\[1\]\.refuse: /)]);
});

test('a file that is no JSON is told as that', () => {
  expect(calc(fileOf('{"format"')).stderr).toMatch(/is not JSON/);
  expect(calc(fileOf('')).status).toBe(2);
});

const WORK = join(__dirname, '../../core/test/cases/batches');

test('a batch is printed as it was cooked, as JSON and as a table', () => {
  const file = join(WORK, '03-boxes-and-paid.json');
  const { stdout, status } = calc(file, '--batch', 'b1', '--json');
  expect(status).toBe(0);
  expect(JSON.parse(stdout)).toMatchObject([
    {
      recipe: 'tide-plate',
      batch: { id: 'b1', usedCost: 14.7224 },
      paid: 12.2,
      boxes: [{ name: 'two of us', count: 2, weight: 370 }, {}, {}],
    },
  ]);
  const table = calc(file, '--batch', 'b1').stdout;
  expect(table).toMatch(/2 × two of us +370 g +533 kcal, used 3\.79/);
  expect(table).toMatch(/Left of grain +-2 g/);
  expect(table).toMatch(/Paid +12\.20/);
  expect(table).toMatch(/boxes-over at grain/);
});

test.each([
  ['a batch that is not there', ['--batch', 'b9'], /^--batch: .* has no batch "b9"/],
  ['a batch and a recipe', ['--batch', 'b1', '--recipe', 'tide-plate'], /^--batch: goes without --recipe/],
])('%s is bad input', (_, args, told) => {
  const { stdout, stderr, status } = calc(join(WORK, '03-boxes-and-paid.json'), ...args);
  expect([stdout, status]).toEqual(['', 2]);
  expect(stderr).toMatch(told);
});
