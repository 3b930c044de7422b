/** Work below this much processor time says nothing of how it grows, milliseconds. */
const TOO_SHORT = 40;
/** How much larger the large one is. */
const TIMES = 8;
/** In proportion it takes 8 times as much, in the square 64 times: what lies between is noise. */
export const IN_PROPORTION = 28;

function processorTime(work: () => unknown): number {
  const before = process.cpuUsage();
  work();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}

/**
 * How many times as much processor time work on `size` takes as on an eighth of it; 0 where that is too short to tell.
 * A ratio, not a time: it is the same on a slow machine, or beside other work.
 */
export function growth<Given>(size: number, given: (size: number) => Given, work: (given: Given) => unknown): number {
  const large = given(size);
  const small = given(Math.ceil(size / TIMES));
  const took = processorTime(() => work(large));
  if (took < TOO_SHORT) return 0;
  // The first is the one that is not warm: the better of two small ones.
  const beside = Math.max(
    TOO_SHORT / TIMES,
    Math.min(
      processorTime(() => work(small)),
      processorTime(() => work(small)),
    ),
  );
  const ratio = took / beside;
  return ratio < IN_PROPORTION ? ratio : Math.min(ratio, processorTime(() => work(large)) / beside);
}
