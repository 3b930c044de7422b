import { planProblem, PlanSearch, sessionPlan, type PlannedStep, type Recipe, type Session } from '@portiona/core';
import { doneWhenLate } from './lateness';
import { at, beginAtOnce, cookName, handsProposals, lengthText, listedSteps, placeText, stepTitle } from './planWords';
import { freeStretches, timelineRows } from './timelineRows';

const planned = (over: Partial<PlannedStep>): PlannedStep => ({
  ...{ dish: 1, recipe: 'a', step: 1, start: 0, end: 10, hands: 0, cook: null, on: [] },
  ...over,
});
const on = (name: string, unit = 1, at: number | null = null) => ({ name, unit, at });

test('no two bars of a lane meet, and every step stands in a row', () => {
  const kinds = ['hob', 'oven', 'board'];
  // Made up, so that shelves are shared and steps of no time are among them.
  const steps = Array.from({ length: 200 }, (_, i) =>
    planned({
      step: i + 1,
      start: (i * 7) % 90,
      end: ((i * 7) % 90) + ((i * 5) % 23),
      hands: i % 3,
      cook: i % 3 === 0 ? null : 1 + (i % 2),
      on: i % 4 === 0 ? [] : [on(kinds[i % 3]!, 1 + (i % 2), i % 3 === 1 ? 180 : null)],
    }),
  );
  const rows = timelineRows(steps, 2);
  for (const { bars } of rows)
    for (const [i, a] of bars.entries())
      for (const b of bars.slice(i + 1)) if (a.lane === b.lane) expect(a.to <= b.from || b.to <= a.from).toBe(true);
  const shown = new Set(rows.flatMap(({ bars }) => bars.map(({ step }) => step.step)));
  const seen = steps.filter(({ hands, on: held, start, end }) => hands > 0 || held.length > 0 || end > start);
  expect(seen.filter(({ step, end, start }) => !shown.has(step) && end > start)).toEqual([]);
});

test('rows are hands, rings, oven, the rest, and what stands', () => {
  const steps = [
    planned({ step: 1, hands: 10, cook: 2, on: [on('oven', 1, 180)] }),
    planned({ step: 2, on: [on('blender')] }),
    planned({ step: 3, on: [on('hob', 2)] }),
    planned({ step: 4, on: [on('hob', 1)] }),
    planned({ step: 5, end: 30, hands: 5, cook: 1 }),
  ];
  expect(timelineRows(steps, 2).map(({ key }) => key)).toEqual(['hands-1', 'hands-2', 'hob-1', 'hob-2', 'oven-1', 'blender-1', 'stands']);
});

test('free time of the hands is what lies between two things', () => {
  const [hands] = timelineRows(
    [
      planned({ hands: 10, cook: 1 }),
      planned({ step: 2, start: 40, end: 60, hands: 20, cook: 1 }),
      planned({ step: 3, start: 64, end: 70, hands: 2, cook: 1 }),
    ],
    1,
  );
  expect(freeStretches(hands!.bars, 5)).toEqual([{ from: 10, to: 40 }]);
});

test('words of a plan', () => {
  expect([5, 60, 125, 225, 0].map(lengthText)).toEqual(['5 min', '1 h', '2 h 05', '3 h 45', '0 min']);
  expect(stepTitle('Soften {dal/3 onions} in {dal/4 oil}, medium heat, 8 min, until they give.')).toBe('Soften onions in oil');
  expect(stepTitle('Oven 180 °C. Grease a tin.')).toBe('Grease a tin');
  expect(stepTitle('Meanwhile cook {rice/1 rice}, lid on.')).toBe('Cook rice');
  expect(stepTitle('Oven 180 °C.')).toBe('Oven 180 °C');
  expect(placeText({ on: [on('oven', 1, 180), on('hob', 2)] }, new Set(['hob']))).toBe('oven 180 °C, hob 2');
  expect([cookName({}, 1), cookName({ cooks: 2, cookNames: ['Tilde'] }, 1), cookName({ cooks: 2, cookNames: ['Tilde'] }, 2)]).toEqual([
    'you',
    'Tilde',
    'cook 2',
  ]);
});

const soup: Recipe = {
  id: 'soup',
  title: 'Soup',
  servings: 4,
  parts: [{ id: 'pot', name: 'Pot', lines: [] }],
  steps: [{ text: 'Chop, 10 min.', part: 'pot' }, { text: 'Simmer on the hob, 30 min.', part: 'pot' }, 'Into each box an equal share.'],
};
const session: Session = { id: 's', date: '2026-11-29', dishes: [{ recipe: 'soup' }] };
const planOf = (over: Partial<Session> = {}, now = 0) => {
  const search = new PlanSearch(
    planProblem({ ...session, ...over }, () => soup, now),
    1,
  );
  while (!search.finished) search.goOn();
  return sessionPlan(search);
};

test('hands that words suggest are proposed where nobody has said any, and nowhere else', () => {
  const steps = listedSteps(session, planOf().steps, [soup]);
  // Simmering by itself counts no hands, and the words suggest two minutes to start it.
  expect(handsProposals(steps).map(({ step, counted, proposed }) => [step, counted, proposed])).toEqual([[2, 0, 2]]);
  const agreed = { ...session, adjusted: [{ dish: 1, step: 2, hands: 0 }] };
  expect(handsProposals(listedSteps(agreed, planOf().steps, [soup]))).toEqual([]);
});

test('after midnight the day is told', () => {
  expect([at({ ...session, start: '23:50' }, 5), at({ ...session, start: '23:50' }, 20)]).toEqual(['23:55', '00:10 +1']);
});

test('boxes that would be filled before anything is cooked are told', () => {
  expect(beginAtOnce(session, [soup])).toEqual([{ dish: 1, step: 3 }]);
  const said = { ...soup, steps: soup.steps!.map((step, i) => (i === 2 ? { text: 'Into each box an equal share.', after: [2] } : step)) };
  expect(beginAtOnce(session, [said])).toEqual([]);
});

test('the running list counts steps as they start, with their words and what of them is read', () => {
  const [first] = listedSteps(session, planOf().steps, [soup]);
  expect([first!.number, first!.title, [...first!.read].sort()]).toEqual([1, 'Chop', ['after', 'hands', 'minutes', 'uses']]);
});

test('running late: what was to be over is done, what was to have begun is under way, and the rest comes later', () => {
  const plan = planOf();
  const start = (s: number) => plan.steps.find(({ step }) => step === s)!.start;
  expect([start(1), start(2)]).toEqual([0, 10]);
  const done = doneWhenLate(session, plan, 25, 10);
  expect(done).toEqual([
    { dish: 1, step: 1, start: 0, end: 10 },
    { dish: 1, step: 2, start: 20 },
  ]);
  // It was put on ten minutes late: it is over ten minutes later, and so is the session.
  expect(planOf({ done }, 25).minutes).toBe(plan.minutes + 10);
  const ticked = { dish: 1, step: 1, start: 0, end: 18 };
  expect(doneWhenLate({ ...session, done: [ticked] }, plan, 25, 10)[0]).toEqual(ticked);
});
