import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  planProblem,
  planReport,
  PlanSearch,
  readKitchen,
  sessionPlan,
  type PlanProblem,
  type PlanReport,
  type Recipe,
  type Session,
} from '../src/index.js';
import { bestPlan } from './bestPlan.mjs';
import { sessionMade } from './sessionsMade.mjs';

const HERE = join(__dirname, 'cases/plan');
const names = readdirSync(HERE)
  .filter((name) => name.endsWith('.expected.json'))
  .map((name) => name.replace('.expected.json', ''));
const json = (file: string): unknown => JSON.parse(readFileSync(join(HERE, file), 'utf8'));
const folder = mkdtempSync(join(tmpdir(), 'plans-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** What the independent checker says of plans: nothing where no rule is broken. */
function violations(kitchen: unknown, plans: readonly PlanReport[], now: number): string {
  const [file, output] = [join(folder, 'kitchen.json'), join(folder, 'plans.json')];
  writeFileSync(file, JSON.stringify(kitchen));
  writeFileSync(output, JSON.stringify(plans));
  const held = ['python3', join(HERE, 'check_plan.py'), file, output, '--now', String(now)];
  try {
    execFileSync(held[0]!, held.slice(1), { encoding: 'utf8' });
    return '';
  } catch (error) {
    return String((error as { stdout?: string }).stdout) + String((error as { stderr?: string }).stderr);
  }
}

function searchOf(session: Session, recipes: readonly Recipe[], now: number): PlanSearch {
  return new PlanSearch(problemOf(session, recipes, now), 1);
}

function problemOf(session: Session, recipes: readonly Recipe[], now: number): PlanProblem {
  return planProblem(session, (id) => recipes.find((recipe) => recipe.id === id)!, now);
}

test.each(names)('worked case %s: the fewest minutes, and no rule broken', (name) => {
  const read = readKitchen(json(`${name}.json`), '2031-05-02');
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const now = name === '04-running-late' ? 30 : 0;
  const reports = read.entry.sessions.map((session) => {
    const search = searchOf(session, read.entry.recipes, now);
    for (let slice = 0; slice < 300 && !search.finished; slice++) search.goOn();
    return planReport(session.id, sessionPlan(search));
  });
  expect(violations(json(`${name}.json`), reports, now)).toBe('');
  const wanted = json(`${name}.expected.json`) as { session: string; minutes: number }[];
  expect(reports.map(({ session, minutes }) => ({ session, minutes }))).toEqual(wanted);
  expect(reports.every(({ proven }) => proven)).toBe(true);
});

/** Whether a step wants what there is none of: such a session is refused before it is planned. */
const cannotBeHeld = ({ tasks, kinds }: PlanProblem) =>
  tasks.some(({ uses }) => uses.some(({ kind }) => kinds[kind]!.shelves.length === 0));

test('no plan of 2,000 sessions breaks a rule, the first one or a later one', () => {
  const broken: string[] = [];
  // Many in one file, since the checker is another programme; a session's minute of now is its own, so those of one go together.
  const byNow = new Map<number, { recipes: Recipe[]; sessions: Session[]; plans: PlanReport[] }>();
  for (let seed = 0; seed < 2000; seed++) {
    const { kitchen, now } = sessionMade(seed, { dishes: 4, steps: 5, longest: 12 });
    const problem = problemOf(kitchen.sessions[0], kitchen.recipes, now);
    if (cannotBeHeld(problem)) continue;
    const search = new PlanSearch(problem, seed);
    for (let slice = 0; slice < seed % 4 && !search.finished; slice++) search.goOn();
    const together = byNow.get(now) ?? { recipes: [], sessions: [], plans: [] };
    byNow.set(now, together);
    const renamed = (id: string) => `s${seed}-${id}`;
    together.recipes.push(...kitchen.recipes.map((recipe) => ({ ...recipe, id: renamed(recipe.id) })));
    const [session] = kitchen.sessions;
    together.sessions.push({ ...session, id: `s${seed}`, dishes: session.dishes.map(({ recipe }) => ({ recipe: renamed(recipe) })) });
    const plan = sessionPlan(search);
    together.plans.push(planReport(`s${seed}`, { ...plan, steps: plan.steps.map((step) => ({ ...step, recipe: renamed(step.recipe) })) }));
  }
  let checked = 0;
  for (const [now, { recipes, sessions, plans }] of byNow) {
    checked += plans.length;
    // The checker holds `within` strictly: what a plan itself says is late, it may say as well.
    const lateSteps = new Set(
      plans.flatMap(({ session, late }) => late.map(({ dish, step }) => `${session}: within: dish ${dish} step ${step} `)),
    );
    const said = violations({ recipes, sessions }, plans, now).split('\n');
    broken.push(
      ...said.filter(
        (line) => line.includes(': ') && ![...lateSteps].some((late) => line.startsWith(late)) && !/: minutes \d+, /.test(line),
      ),
    );
  }
  expect(checked).toBeGreaterThan(1900);
  expect(broken).toEqual([]);
});

test('of small sessions no plan is better than the one found, and what is proven is so', () => {
  const wrong: unknown[] = [];
  let compared = 0;
  let met = { done: 0, twoCooks: 0, waits: 0 };
  for (let seed = 5000; compared < 80; seed++) {
    const { kitchen, now } = sessionMade(seed, { dishes: 3, steps: 3, longest: 4, limited: 60 });
    const problem = problemOf(kitchen.sessions[0], kitchen.recipes, now);
    const open = problem.tasks.filter(({ begun }) => begun === undefined).length;
    if (cannotBeHeld(problem) || open > 5) continue;
    const best = bestPlan(problem, 100_000);
    if (!best) continue;
    compared++;
    const search = new PlanSearch(problem, seed);
    for (let slice = 0; slice < 400 && !search.finished; slice++) search.goOn();
    const { late, minutes, waits } = search.best;
    met = {
      done: met.done + Number(open < problem.tasks.length),
      twoCooks: met.twoCooks + Number(problem.cooks > 1),
      waits: met.waits + Number(waits > 0),
    };
    if (late !== best.late || minutes !== best.minutes || waits !== best.waits || search.bound !== minutes)
      wrong.push({ seed, best, found: { late, minutes, waits, bound: search.bound } });
  }
  expect(wrong).toEqual([]);
  // The sessions drawn are of every kind; what no plan can keep has a test of its own.
  expect(Math.min(met.done, met.twoCooks, met.waits)).toBeGreaterThan(3);
});

test('what no plan can keep is late by as little as can be, and said', () => {
  // Both want the one cook at once when the pot is done: the shorter goes first. The soup was done at 10, and it is 30 now.
  const recipe: Recipe = {
    id: 'soup',
    title: 'Soup',
    servings: 4,
    parts: [{ id: 'pot', name: 'Pot', lines: [] }],
    steps: [
      { text: 'Boil.', minutes: 10, hands: 0, uses: ['hob'] },
      { text: 'Stir in.', minutes: 7, uses: [], after: [1], within: 0 },
      { text: 'Season.', minutes: 4, uses: [], after: [1], within: 0 },
      { text: 'Taste.', minutes: 1, uses: [], after: [1], within: 50 },
    ],
  };
  const late = (session: Partial<Session>, now: number) => {
    const search = searchOf({ id: 's', date: '2031-05-04', dishes: [{ recipe: 'soup' }], ...session }, [recipe], now);
    while (!search.finished) search.goOn();
    return sessionPlan(search).late;
  };
  expect(late({}, 0)).toEqual([{ dish: 1, step: 2, by: 4 }]);
  expect(late({ cooks: 2 }, 0)).toEqual([]);
  expect(late({ cooks: 2, done: [{ dish: 1, step: 1, start: 0, end: 10 }] }, 30)).toEqual([
    { dish: 1, step: 2, by: 20 },
    { dish: 1, step: 3, by: 20 },
  ]);
});

test('the same seed gives the same plans', () => {
  const plansOf = () => {
    const { kitchen, now } = sessionMade(7, { dishes: 5, steps: 6, longest: 20, exact: true });
    const search = searchOf(kitchen.sessions[0], kitchen.recipes, now);
    for (let slice = 0; slice < 12; slice++) search.goOn();
    return sessionPlan(search);
  };
  expect(plansOf()).toEqual(plansOf());
});

test('a bound is never above a plan, and only rises', () => {
  const { kitchen, now } = sessionMade(1010, { dishes: 6, steps: 8, longest: 20, exact: true });
  const search = searchOf(kitchen.sessions[0], kitchen.recipes, now);
  let before = search.bound;
  for (let slice = 0; slice < 20 && !search.finished; slice++) {
    search.goOn();
    expect(search.bound).toBeGreaterThanOrEqual(Math.min(before, search.best.minutes));
    expect(search.bound).toBeLessThanOrEqual(search.best.minutes);
    before = search.bound;
  }
});

test('a session of no dishes is planned: nothing takes no time', () => {
  expect(sessionPlan(searchOf({ id: 's', date: '2031-05-04', dishes: [] }, [], 0))).toEqual({
    minutes: 0,
    bound: 0,
    proven: true,
    late: [],
    steps: [],
  });
});
