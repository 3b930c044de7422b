/**
 * The best plan there is, by trying every minute of every step: slow, and written apart from the search that is held against it.
 *
 * @returns `{late, minutes, waits}` of the best; undefined where it would take too long
 */
export function bestPlan(problem, most = 3e6) {
  const { tasks, cooks, kinds, tolerance, now, dishes } = problem;
  const horizon =
    Math.max(now, ...tasks.map((t) => (t.begun ?? 0) + (t.begun === undefined ? 0 : t.length))) +
    tasks.reduce((sum, t) => sum + (t.begun === undefined ? t.length : 0), 0);
  const order = inOrder(tasks);
  const starts = new Array(tasks.length).fill(-1);
  for (const [t, task] of tasks.entries()) if (task.begun !== undefined) starts[t] = task.begun;
  const tails = tasks.map(() => 0);
  for (const t of [...order].reverse())
    for (const [u, task] of tasks.entries())
      if (task.begun === undefined && task.after.includes(t)) tails[t] = Math.max(tails[t], task.length + tails[u]);
  let best;
  let looked = 0;
  const lateOf = (t) => {
    const { after, within } = tasks[t];
    if (tasks[t].begun !== undefined || within === undefined || after.length === 0) return 0;
    return Math.max(0, starts[t] - Math.max(...after.map((a) => starts[a] + tasks[a].length)) - within);
  };
  const fits = (upTo) => {
    const there = upTo.filter((t) => tasks[t].length > 0);
    if (
      !canGive(
        there.filter((t) => tasks[t].hands > 0).map((t) => ({ t, from: starts[t], to: starts[t] + tasks[t].hands, at: undefined })),
        Array(cooks).fill(1),
        0,
        tasks,
      )
    )
      return false;
    for (const [k, { shelves }] of kinds.entries()) {
      const wanted = there.flatMap((t) =>
        tasks[t].uses.filter((u) => u.kind === k).map((u) => ({ t, from: starts[t], to: starts[t] + tasks[t].length, at: u.at })),
      );
      if (!canGive(wanted, shelves, tolerance, tasks)) return false;
    }
    return true;
  };
  const fixed = tasks.flatMap((t, i) => (t.begun === undefined ? [] : [i]));
  const visit = (i, late, last) => {
    if (looked++ > most) return;
    if (best && (late > best.late || (late === best.late && last > best.minutes))) return;
    if (i === order.length) {
      const ends = Array(dishes).fill(0);
      for (const [t, task] of tasks.entries()) ends[task.dish - 1] = Math.max(ends[task.dish - 1], starts[t] + task.length);
      const minutes = Math.max(0, ...ends);
      const waits = ends.reduce((sum, e) => sum + minutes - e, 0);
      if (!best || late < best.late || (late === best.late && (minutes < best.minutes || (minutes === best.minutes && waits < best.waits))))
        best = { late, minutes, waits };
      return;
    }
    const t = order[i];
    const from = Math.max(now, ...tasks[t].after.map((a) => starts[a] + tasks[a].length));
    for (let s = from; s + tasks[t].length + tails[t] <= horizon; s++) {
      starts[t] = s;
      const reach = Math.max(last, s + tasks[t].length + tails[t]);
      if (best && late === best.late && reach > best.minutes) break;
      if (fits([...fixed, ...order.slice(0, i + 1)])) visit(i + 1, late + lateOf(t), reach);
    }
    starts[t] = -1;
  };
  visit(0, 0, Math.max(0, ...fixed.map((t) => starts[t] + tasks[t].length)));
  return looked > most ? undefined : best;
}

function inOrder(tasks) {
  const left = new Set(tasks.flatMap((t, i) => (t.begun === undefined ? [i] : [])));
  const order = [];
  while (left.size > 0)
    for (const t of left)
      if (!tasks[t].after.some((a) => left.has(a))) {
        left.delete(t);
        order.push(t);
      }
  return order;
}

/** Whether each of what is wanted can be given one of the units, with so many places each. */
function canGive(wanted, shelves, tolerance, tasks) {
  const given = [];
  const visit = (i) => {
    if (i === wanted.length) return true;
    for (const [unit, places] of shelves.entries()) {
      given[i] = unit;
      if (sound(i, unit, places) && visit(i + 1)) return true;
    }
    given[i] = -1;
    return false;
  };
  const meets = (a, b) => a.from < b.to && b.from < a.to;
  const done = (a) => tasks[a.t].begun !== undefined;
  const sound = (i, unit, places) => {
    const here = wanted.slice(0, i + 1).filter((one, j) => given[j] === unit && one.to > one.from);
    for (const [x, a] of here.entries())
      for (const b of here.slice(x + 1))
        if (meets(a, b) && a.at !== undefined && b.at !== undefined && Math.abs(a.at - b.at) > tolerance && !(done(a) && done(b)))
          return false;
    for (const { from } of here) {
      const at = here.filter((one) => one.from <= from && from < one.to);
      if (at.length > places && !at.every(done)) return false;
    }
    return true;
  };
  return visit(0);
}
