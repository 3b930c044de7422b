/** Milliseconds of each of so many runs, sorted. */
export function timed(times, run) {
  const taken = [];
  for (let i = 0; i < times; i++) {
    const from = performance.now();
    run(i);
    taken.push(performance.now() - from);
  }
  return taken.sort((a, b) => a - b);
}

export const medianOf = (sorted) => sorted[Math.floor(sorted.length / 2)];
export const p95Of = (sorted) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * 0.95))];

/** One row of a table: what, median, 95 %, and what it is beside. */
export function row(what, sorted, beside = '') {
  console.log(`${what.padEnd(66)} ${ms(medianOf(sorted))} ${ms(p95Of(sorted))}  ${beside}`);
}

export function heads() {
  console.log(`${''.padEnd(66)} ${'median'.padStart(11)} ${'95 %'.padStart(11)}`);
}

function ms(taken) {
  return `${taken < 10 ? taken.toFixed(3) : taken.toFixed(1)} ms`.padStart(11);
}

/** A generator of numbers from 0 to 1, the same at every run. */
export function seeded(seed) {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}
