/** Things worked out before, by the object they were worked out of; forgotten all at once when there are too many. */
export class Memo<Key extends object, Made> {
  #made = new WeakMap<Key, Made>();
  #count = 0;

  constructor(readonly most: number) {}

  get(key: Key): Made | undefined {
    return this.#made.get(key);
  }

  set(key: Key, made: Made): void {
    if (this.#count++ >= this.most) {
      this.#made = new WeakMap();
      this.#count = 1;
    }
    this.#made.set(key, made);
  }
}
