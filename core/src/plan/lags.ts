/** Between two that nothing ties together. */
export const NO_LAG = -1e9;
/** What is below is none, whatever was added to it. */
const NONE_BELOW = NO_LAG / 2;

/**
 * The least that lies between the starts of any two tasks, as follows from all that is known: longest paths in a network of minimal
 * lags (a most is a least the other way round). Row and column 0 are the session's start; task t has row t + 1.
 */
export class Lags {
  readonly #between: Int32Array;
  /** How often something was added that was not known. */
  changes = 0;

  constructor(
    readonly size: number,
    from?: Lags,
  ) {
    this.#between = from ? from.#between.slice() : new Int32Array(size * size).fill(NO_LAG);
    if (!from) for (let i = 0; i < size; i++) this.#between[i * size + i] = 0;
  }

  copy(): Lags {
    return new Lags(this.size, this);
  }

  /** Minutes from the start of one to that of another, at least; `NO_LAG` where nothing is known. */
  least(from: number, to: number): number {
    return this.#between[from * this.size + to] as number;
  }

  /** The earliest minute that a row can start. */
  earliest(row: number): number {
    return this.#between[row] as number;
  }

  /** The latest minute that a row can start; a billion where nothing bounds it. */
  latest(row: number): number {
    return -(this.#between[row * this.size] as number);
  }

  /**
   * Adds that one starts at least so many minutes after another (fewer than none: at most so many before it).
   *
   * @returns false where that cannot be; nothing is to be asked of it any more then
   */
  add(from: number, to: number, minutes: number): boolean {
    const { size } = this;
    const between = this.#between;
    if ((between[from * size + to] as number) >= minutes) return true;
    const back = between[to * size + from] as number;
    if (back > NONE_BELOW && back + minutes > 0) return false;
    this.changes++;
    const toRow = to * size;
    for (let a = 0; a < size; a++) {
      const before = between[a * size + from] as number;
      if (before < NONE_BELOW) continue;
      const reach = before + minutes;
      const row = a * size;
      // What this row knows of `to` already, it knows of all that follows.
      if ((between[row + to] as number) >= reach) continue;
      for (let b = 0; b < size; b++) {
        const on = between[toRow + b] as number;
        if (on > NONE_BELOW && reach + on > (between[row + b] as number)) between[row + b] = reach + on;
      }
    }
    return true;
  }

  /**
   * Adds that each row starts at most so many minutes after the session's start, all at once.
   *
   * @returns false where that cannot be
   */
  startBy(latest: readonly (readonly [row: number, minute: number])[]): boolean {
    const { size } = this;
    const between = this.#between;
    const back = new Int32Array(size).fill(NO_LAG);
    for (let a = 0; a < size; a++)
      for (const [row, minute] of latest) {
        const lag = between[a * size + row] as number;
        if (lag > NONE_BELOW && lag - minute > (back[a] as number)) back[a] = lag - minute;
      }
    if ((back[0] as number) > 0) return false;
    for (let a = 0; a < size; a++) {
      const reach = back[a] as number;
      if (reach < NONE_BELOW || (between[a * size] as number) >= reach) continue;
      for (let b = 0; b < size; b++) {
        const on = between[b] as number;
        if (on > NONE_BELOW && reach + on > (between[a * size + b] as number)) between[a * size + b] = reach + on;
      }
    }
    return true;
  }

  /**
   * Orders pairs of which only one order is possible, until nothing follows any more.
   *
   * @param pairs four numbers each: two rows, the minutes from the start of the first to that of the second where the first comes
   *   first, and those the other way round
   * @returns false where neither order of a pair is possible
   */
  settle(pairs: Int32Array): boolean {
    const { size } = this;
    const between = this.#between;
    for (let again = true; again;) {
      again = false;
      for (let i = 0; i < pairs.length; i += 4) {
        const a = pairs[i] as number;
        const b = pairs[i + 1] as number;
        const ab = pairs[i + 2] as number;
        const ba = pairs[i + 3] as number;
        const aToB = between[a * size + b] as number;
        const bToA = between[b * size + a] as number;
        if (aToB >= ab || bToA >= ba) continue;
        const abFits = bToA + ab <= 0;
        const baFits = aToB + ba <= 0;
        if (abFits && baFits) continue;
        if (!(abFits ? this.add(a, b, ab) : baFits && this.add(b, a, ba))) return false;
        again = true;
      }
    }
    return true;
  }
}
