/**
 * Sum with Neumaier's compensation, so that the order of the lines does not show in the result.
 *
 * @param terms finite numbers of one unit
 * @returns their sum, in that unit; 0 for none
 * @example compensatedSum([0.1, 0.2, 0.3, 1e16, -1e16]) // 0.6
 */
export function compensatedSum(terms: Iterable<number>): number {
  let sum = 0;
  let lost = 0;
  for (const term of terms) {
    const next = sum + term;
    lost += Math.abs(sum) >= Math.abs(term) ? sum - next + term : term - next + sum;
    sum = next;
  }
  return sum + lost;
}
