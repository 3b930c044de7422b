import { NO_LAG, type Lags } from './lags.js';
import type { Held, PlanGround, SharedWork } from './planGround.js';

/**
 * Whether shared work could be done within its earliest starts and latest ends if it could be put down and taken up at will: what is
 * due first is done first. What does not fit so fits in no plan. (Jackson's preemptive schedule, on one machine of the common speed.)
 */
export function fitsShared({ speed, held }: SharedWork, lags: Lags): boolean {
  if (held.length < 2) return true;
  const count = held.length;
  const from = new Float64Array(count);
  const due = new Float64Array(count);
  const left = new Float64Array(count);
  for (let i = 0; i < count; i++) {
    const { task, offset, length } = held[i] as Held;
    from[i] = lags.earliest(task + 1) + offset;
    due[i] = lags.latest(task + 1) + offset + length;
    left[i] = length / speed;
  }
  const order = Uint16Array.from(from, (_, i) => i).sort((a, b) => (from[a] as number) - (from[b] as number));
  const open: number[] = [];
  let now = 0;
  let next = 0;
  while (next < count || open.length > 0) {
    if (open.length === 0) now = Math.max(now, from[order[next] as number] as number);
    while (next < count && (from[order[next] as number] as number) <= now) open.push(order[next++] as number);
    let first = 0;
    for (let i = 1; i < open.length; i++) if ((due[open[i] as number] as number) < (due[open[first] as number] as number)) first = i;
    const one = open[first] as number;
    const until = next < count ? (from[order[next] as number] as number) : Number.POSITIVE_INFINITY;
    const done = Math.min(left[one] as number, until - now);
    now += done;
    left[one] = (left[one] as number) - done;
    if (now > (due[one] as number) + 1e-6) return false;
    if (left[one] <= 1e-9) {
      open[first] = open.at(-1) as number;
      open.pop();
    }
  }
  return true;
}

/**
 * Minutes that every plan takes at least: the longest chain; and shared work with the least that comes before and after any part of it.
 */
export function minutesBound({ root, tasks, shared, begun }: PlanGround): number {
  const tails = tasks.map(({ length }, t) => {
    let most = length;
    for (const [other, { length: its }] of tasks.entries()) {
      const lag = root.least(t + 1, other + 1);
      if (lag > NO_LAG / 2) most = Math.max(most, lag + its);
    }
    return most;
  });
  let bound = 0;
  for (const [t] of tasks.entries())
    bound = Math.max(bound, begun[t] ? root.earliest(t + 1) + (tasks[t]?.length ?? 0) : root.earliest(t + 1) + (tails[t] as number));
  for (const { speed, held } of shared) {
    const work = held.map(({ task, length }) => ({ head: root.earliest(task + 1), length, tail: (tails[task] as number) - length }));
    for (const { head } of work) {
      const later = work.filter((one) => one.head >= head).sort((a, b) => b.tail - a.tail);
      let sum = 0;
      for (const { length, tail } of later) {
        sum += length;
        bound = Math.max(bound, head + Math.ceil(sum / speed - 1e-9) + tail);
      }
    }
  }
  return bound;
}
