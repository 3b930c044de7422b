import type { Writable } from 'node:stream';

/** Milliseconds after which a log that could not be written is tried again. */
const AGAIN = 10_000;
/** Letters that may wait to be written; what comes beyond is let go, so that a slow disk costs no memory. */
const MOST_WAITING = 4 * 1024 * 1024;

/** Writes lines to wherever they go, and lets them go where that fails: a full disk, a pipe that nobody reads. */
export class SteadyStream {
  #stream: Writable | undefined;
  #failedAt = -Infinity;

  /** @param open opens where the lines go; asked again some time after that failed */
  constructor(private readonly open: () => Writable) {}

  write(line: string): void {
    const stream = this.#stream ?? this.#opened();
    if (!stream || stream.writableLength > MOST_WAITING) return;
    try {
      stream.write(line);
    } catch {
      this.#fail(stream);
    }
  }

  #opened(): Writable | undefined {
    if (performance.now() - this.#failedAt < AGAIN) return undefined;
    try {
      const stream = this.open();
      stream.on('error', () => this.#fail(stream));
      this.#stream = stream;
      return stream;
    } catch {
      this.#failedAt = performance.now();
      return undefined;
    }
  }

  #fail(stream: Writable): void {
    if (this.#stream !== stream) return;
    this.#stream = undefined;
    this.#failedAt = performance.now();
    if (stream !== process.stdout) stream.destroy();
  }
}
