/**
 * Sessions drawn by chance, as kitchen files: every rule of a session is met in some of them. The same seed gives the same.
 */

/** Draws whole numbers below a bound. */
export function drawsOf(seed) {
  let state = (seed * 2654435761 + 1013904223) >>> 0;
  return (below) => {
    // xorshift32: enough to make cases with.
    state ^= state << 13;
    state >>>= 0;
    state ^= state >>> 17;
    state ^= state << 5;
    state >>>= 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

const HEATS = [150, 160, 180, 190, 200, 220];

/**
 * @param seed which one
 * @param size `dishes` and `steps` of each at most, `longest` minutes of a step, `exact`: just so many dishes and steps, `limited`: of a hundred steps
 *   so many may not wait long
 * @returns a kitchen file of one session, and the minute it is planned from
 */
export function sessionMade(seed, { dishes, steps, longest, exact = false, limited = 15 }) {
  const draw = drawsOf(seed + 1);
  for (let i = 0; i < 5; i++) draw(2);
  const chance = (percent) => draw(100) < percent;
  const count = exact ? dishes : 1 + draw(dishes);
  const equipment = [];
  const ovens = chance(30) ? 2 : 1;
  equipment.push({ name: 'oven', count: ovens, shelves: 1 + draw(3) });
  equipment.push({ name: 'hob', count: 1 + draw(4) });
  if (chance(30)) equipment.push({ name: 'blender' });
  if (chance(20)) equipment.push({ name: 'oven', count: 1, shelves: 1 });
  const tolerance = chance(50) ? 0 : 5 * draw(4);
  const tidy = [];
  for (let r = 0; r < count; r++) {
    const many = exact ? steps : 1 + draw(steps);
    const recipe = {
      id: `dish-${r + 1}`,
      title: `Dish ${r + 1}`,
      servings: 4,
      parts: [
        { id: 'a', name: 'A', lines: [] },
        { id: 'b', name: 'B', lines: [] },
      ],
      steps: [],
    };
    for (let s = 0; s < many; s++) {
      const step = { text: `Do it, ${s + 1}.` };
      const kind = draw(10);
      const length = 1 + draw(longest);
      step.minutes = chance(4) ? 0 : kind < 5 ? Math.max(1, Math.ceil(length / 2)) : length;
      if (kind < 5) step.uses = [];
      else if (kind < 8) {
        step.uses = chance(15) ? ['oven'] : [{ name: 'oven', at: HEATS[draw(HEATS.length)] }];
        if (chance(8)) step.uses.push('hob');
      } else step.uses = chance(20) ? ['blender'] : chance(10) ? ['hob', 'whisk'] : ['hob'];
      if (kind >= 5) step.hands = chance(40) ? 0 : draw(Math.min(step.minutes, 6) + 1);
      else if (chance(20)) step.hands = draw(step.minutes + 1);
      if (chance(50)) step.part = chance(50) ? 'a' : 'b';
      if (s > 0 && chance(30)) step.after = [...new Set(Array.from({ length: draw(3) }, () => 1 + draw(s)))];
      if (chance(limited)) step.within = draw(4) === 0 ? 0 : draw(longest);
      recipe.steps.push(step);
    }
    tidy.push(recipe);
  }
  const session = {
    id: 'session',
    date: '2031-03-09',
    dishes: tidy.map(({ id }) => ({ recipe: id })),
    cooks: chance(35) ? 2 : 1,
    equipment,
    ovenTolerance: tolerance,
  };
  let now = 0;
  if (chance(25)) {
    now = draw(2 * longest);
    session.done = [];
    for (const [d, { steps: own }] of tidy.entries())
      for (const s of own.keys()) {
        if (!chance(s === 0 ? 50 : 15)) continue;
        const start = draw(now + 1);
        session.done.push({ dish: d + 1, step: s + 1, start, ...(chance(50) ? { end: start + draw(longest) } : {}) });
      }
  }
  return { kitchen: { recipes: tidy, sessions: [session] }, now };
}
