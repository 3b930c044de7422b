import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const folder = mkdtempSync(join(tmpdir(), 'portiona-plan-'));
afterAll(() => rmSync(folder, { recursive: true }));

const kitchen = {
  format: 'portiona/1',
  settings: { date: '2031-05-02' },
  foods: [
    { id: 'oats', name: 'Rolled oats' },
    { id: 'milk', name: 'Milk', density: 1.03 },
  ],
  packs: [{ food: 'oats', net: 500, unit: 'g', price: '0.95', currency: 'EUR', shop: 'Quay Market', seen: '2031-05-01' }],
  recipes: [
    {
      id: 'porridge',
      title: 'Porridge',
      servings: 4,
      parts: [
        {
          id: 'pot',
          name: 'Pot',
          lines: [
            { food: 'oats', amount: 240, unit: 'g' },
            { food: 'milk', amount: 1, unit: 'l' },
            { text: 'a little love', amount: 1, unit: 'pinch' },
          ],
        },
      ],
      steps: [
        { text: 'Measure {pot/1 the oats}.', minutes: 3, uses: [] },
        { text: 'Simmer on the hob, stirring.', minutes: 12, hands: 12 },
      ],
    },
  ],
  sessions: [
    {
      id: 'sunday',
      date: '2031-05-04',
      dishes: [{ recipe: 'porridge' }, { recipe: 'porridge', boxes: 8 }],
      start: '23:50',
      name: 'Late night',
    },
    { id: 'monday', date: '2031-05-05', dishes: [{ recipe: 'porridge' }] },
  ],
  stock: [{ food: 'milk', amount: 1.5, unit: 'l', bestBefore: '2031-05-04' }],
};
const file = (content: object, name = 'kitchen.json') => {
  writeFileSync(join(folder, name), JSON.stringify(content));
  return join(folder, name);
};
const run = (verb: 'plan' | 'shop', ...words: string[]) =>
  spawnSync(process.execPath, [join(__dirname, '../dist/cli', `${verb}.js`), ...words], { encoding: 'utf8' });

test('plan prints a running list, times of day over midnight, and one plan a session as JSON', () => {
  const text = run('plan', file(kitchen), '--session', 'sunday').stdout;
  expect(text.split('\n')[0]).toBe('Late night, 2031-05-04: 23:50 to 00:20 (+1), 30 min (no plan takes less), dishes by number');
  expect(text).toContain('1 Porridge, 1: Measure the oats., cook 1 for 3 min');
  expect(text).toContain('2 Porridge, 2: Simmer on the hob, stirring., cook 1 for 12 min; hob 1');
  const plans = JSON.parse(run('plan', file(kitchen), '--json').stdout) as { session: string; minutes: number; steps: unknown[] }[];
  expect(plans.map(({ session, minutes, steps }) => [session, minutes, steps.length])).toEqual([
    ['sunday', 30, 4],
    ['monday', 15, 2],
  ]);
});

test('plan from a minute on, and with no time to search there is a plan all the same', () => {
  const [plan] = JSON.parse(run('plan', file(kitchen), '--session', 'monday', '--now', '20', '--seconds', '0', '--json').stdout) as [
    { minutes: number; steps: { start: number }[] },
  ];
  expect(plan.minutes).toBe(35);
  expect(Math.min(...plan.steps.map(({ start }) => start))).toBe(20);
});

test('shop prints shop by shop what to buy, what comes from stock and what nothing can be said of', () => {
  expect(run('shop', file(kitchen), '--trip', '1').stdout.split('\n')).toEqual([
    'Quay Market',
    '  2 × 500 g Rolled oats, 1.90 EUR',
    'From stock',
    '  1545 g Milk',
    '  ! Milk: no price that counts, 2575 g',
    '  ! porridge pot/3: "a little love" has no food; nothing is bought for it',
    '  ! porridge pot/3: "a little love" has no food; nothing is bought for it',
    '  ! porridge pot/3: "a little love" has no food; nothing is bought for it',
    'At least 1.90 EUR, with the ways 2.90 EUR',
    '',
  ]);
  const one = JSON.parse(run('shop', file(kitchen), '--session', 'monday', '--json').stdout) as {
    list: { food: string; need: number; stock: number }[];
  };
  // On Monday the milk is a day past its own.
  expect(one.list.map(({ food, need, stock }) => [food, need, stock])).toEqual([
    ['milk', 1030, 0],
    ['oats', 240, 0],
  ]);
});

test.each([
  ['plan', [], 'usage: portiona plan FILE'],
  ['plan', ['KITCHEN', '--session', 'friday'], 'has no session "friday"'],
  ['plan', ['KITCHEN', '--now', '1.5'], '--now: must be a whole number from 0 to 100000, not "1.5"'],
  ['plan', ['KITCHEN', '--seconds', '-1'], '--seconds'],
  ['plan', ['KITCHEN', '--later'], '--later'],
  ['plan', ['BROKEN'], 'sessions[0].dishes[0].recipe: unknown recipe "porrige"'],
  ['plan', ['NO-HOB'], 'recipes[0].steps[1].uses: step 2 of "Porridge" holds "hob", and this session has none'],
  ['shop', ['KITCHEN', '--session', 'friday'], 'has no session "friday"'],
  ['shop', ['KITCHEN', '--trip', '1,50'], '--trip: must be an amount of money such as 1.50, not "1,50"'],
  ['shop', ['BROKEN'], 'sessions[0].dishes[0].recipe: unknown recipe "porrige"'],
] as const)('%s %j is refused, and nothing is printed', (verb, words, says) => {
  const broken = { ...kitchen, sessions: [{ id: 'sunday', date: '2031-05-04', dishes: [{ recipe: 'porrige' }] }] };
  const noHob = { ...kitchen, sessions: [{ ...kitchen.sessions[1], equipment: [{ name: 'hob', count: 0 }] }] };
  const known: Record<string, () => string> = {
    KITCHEN: () => file(kitchen),
    BROKEN: () => file(broken, 'broken.json'),
    'NO-HOB': () => file(noHob, 'no-hob.json'),
  };

  const { status, stdout, stderr } = run(verb, ...words.map((word) => known[word]?.() ?? word));
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr).toContain(says);
});
