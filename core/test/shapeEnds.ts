/** Where the pieces of a path begin and end, of the commands that cards are drawn with. */
export function hatchedEnds(path: string): readonly (readonly [x: number, y: number])[] {
  const ends: [number, number][] = [];
  let [x, y] = [0, 0];
  for (const [, command = '', rest = ''] of path.matchAll(/([MLHVCAZ])([^MLHVCAZ]*)/g)) {
    const numbers = rest
      .trim()
      .split(/[\s,]+/)
      .filter(Boolean)
      .map(Number);
    if (command === 'Z') continue;
    if (command === 'H') x = numbers.at(-1) ?? x;
    else if (command === 'V') y = numbers.at(-1) ?? y;
    else [x = x, y = y] = numbers.slice(-2);
    ends.push([x, y]);
  }
  return ends;
}
