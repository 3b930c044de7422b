import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const CHECK = join(__dirname, '../dist/cli/check.js');
const CASES = join(__dirname, '../../core/test/cases/checks');
const CLEAN = 'clean-white-bean-kale-soup.json';
const FAULT = 'fault-no-sign.json';

function check(...args: string[]) {
  return spawnSync(process.execPath, [CHECK, ...args], { encoding: 'utf8' });
}

/** A folder with some of the cases in it. */
function folderOf(...names: string[]): string {
  const folder = mkdtempSync(join(tmpdir(), 'portiona-check-'));
  for (const name of names) cpSync(join(CASES, name), join(folder, name));
  return folder;
}

test('a dish with nothing to find says so, and ends with 0', () => {
  expect(check(join(CASES, CLEAN))).toMatchObject({ status: 0, stdout: 'Nothing found.\n', stderr: '' });
  expect(check(join(CASES, CLEAN), '--json')).toMatchObject({ status: 0, stdout: '[]\n' });
});

test('findings are printed with their recipe, place and severity, and it ends with 1', () => {
  const { status, stdout } = check(join(CASES, FAULT), '--json');
  expect(status).toBe(1);
  expect(JSON.parse(stdout)).toEqual([
    {
      recipe: 'white-bean-kale-soup',
      code: 'no-sign',
      severity: 'look',
      at: 'step/2',
      message: expect.stringContaining('15 minutes') as string,
    },
  ]);
  const text = check(join(CASES, FAULT));
  expect([text.status, text.stdout]).toEqual([1, expect.stringMatching(/^white-bean-kale-soup\n {2}look {3}no-sign {2}step\/2 {2}/)]);
});

test('of a folder each finding has its file; one that cannot be read keeps the others from nothing', () => {
  const folder = folderOf(CLEAN, FAULT);
  const { status, stdout } = check(folder, '--json');
  expect([status, (JSON.parse(stdout) as { file: string }[]).map(({ file }) => file)]).toEqual([1, [FAULT]]);
  writeFileSync(join(folder, 'broken.json'), '{');
  const broken = check(folder, '--json');
  expect(broken.status).toBe(2);
  expect(broken.stderr).toMatch(/^broken\.json: .*is not JSON/);
  expect(JSON.parse(broken.stdout)).toHaveLength(1);
});

test('one recipe alone is checked where one is asked for', () => {
  expect(check(join(CASES, FAULT), '--recipe', 'white-bean-kale-soup').status).toBe(1);
  expect(check(join(CASES, FAULT), '--recipe', 'another')).toMatchObject({ status: 2, stdout: '' });
});

test('what was left with a reason is not printed', () => {
  const folder = folderOf();
  const kitchen = {
    format: 'portiona/1',
    foods: [{ id: 'leek', name: 'Leek', nutrients: { energyKcal: 30, protein: 1.5, fat: 0.3, carbohydrate: 5, fibre: 2 } }],
    packs: [{ food: 'leek', net: 1, unit: 'kg', price: 2, currency: 'EUR', shop: 'A', seen: '2026-11-01' }],
    recipes: [
      {
        id: 'pot',
        title: 'Pot',
        servings: 4,
        parts: [{ id: 'p', name: 'P', lines: [{ food: 'leek', amount: 1, unit: 'kg' }] }],
        steps: ['Stew the leek for 20 minutes.'],
      },
    ],
  };
  const file = join(folder, 'kitchen.json');
  const write = (recipe: object) => writeFileSync(file, JSON.stringify({ ...kitchen, recipes: [{ ...kitchen.recipes[0], ...recipe }] }));
  write({});
  expect(check(file).status).toBe(1);
  write({ accepted: [{ code: 'no-sign', at: 'step/1', because: 'leeks show it' }] });
  expect(check(file)).toMatchObject({ status: 0, stdout: 'Nothing found.\n' });
  write({ accepted: [{ code: 'no-sing', at: 'step/1', because: 'leeks show it' }] });
  expect(check(file)).toMatchObject({ status: 2, stderr: expect.stringMatching(/^recipes\[0\]\.accepted\[0\]\.code: /) as string });
});

test('what cannot be asked is told with how to ask it', () => {
  for (const args of [[], ['a.json', 'b.json'], ['a.json', '--servings', '4']]) {
    const { status, stderr, stdout } = check(...args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toContain('usage: portiona check FILE|FOLDER');
  }
});
