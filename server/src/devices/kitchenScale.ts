import { LineSplitter, readScaleOrder, scaleLineText, SimulatedScale, type ScaleLine } from '@portiona/core';
import type { WebSocket } from 'ws';

/** Milliseconds between two looks at what it shows. */
const EVERY = 120;
/** Why a line was closed: the scale is gone for now. */
const UNPLUGGED = 4000;

/** The simulated scale of one kitchen, and who listens to it. */
export class KitchenScale {
  readonly #scale = new SimulatedScale();
  readonly #sockets = new Set<WebSocket>();
  #ticking: NodeJS.Timeout | undefined;
  /** What was said last: only what changes is said again. */
  #said: readonly string[] = [];

  get listeners(): number {
    return this.#sockets.size;
  }

  listen(socket: WebSocket): void {
    // One that is gone is told so: a line that is refused would be a fault of the page's.
    if (!this.#scale.isThere(now())) return socket.close(UNPLUGGED, 'unplugged');
    this.#sockets.add(socket);
    const lines = new LineSplitter();
    socket.on('error', () => socket.terminate());
    socket.on('message', (piece: Buffer) => {
      for (const line of lines.take(`${piece.toString('utf8')}\n`)) this.#take(line, socket);
    });
    socket.on('close', () => {
      this.#sockets.delete(socket);
      if (this.#sockets.size === 0) this.#stop();
    });
    this.#say([socket], this.#scale.lines(now(), true));
    this.#ticking ??= setInterval(() => this.#tick(), EVERY).unref();
  }

  /** Ends every line. */
  close(): void {
    this.#stop();
    for (const socket of this.#sockets) socket.terminate();
  }

  #take(line: string, socket: WebSocket): void {
    const order = readScaleOrder(line);
    if (!order) return;
    this.#scale.take(order, now());
    if (order.do === 'hello') this.#say([socket], this.#scale.lines(now(), true));
    if (!this.#scale.isThere(now())) for (const one of this.#sockets) one.close(UNPLUGGED, 'unplugged');
  }

  #tick(): void {
    const lines = this.#scale.lines(now());
    const texts = lines.map(scaleLineText);
    const changed = lines.filter((_, i) => texts[i] !== this.#said[i]);
    this.#said = texts;
    if (changed.length > 0) this.#say([...this.#sockets], changed);
  }

  #say(sockets: readonly WebSocket[], lines: readonly ScaleLine[]): void {
    const text = lines.map((line) => `${scaleLineText(line)}\n`).join('');
    for (const socket of sockets) if (socket.readyState === socket.OPEN) socket.send(text);
  }

  #stop(): void {
    clearInterval(this.#ticking);
    this.#ticking = undefined;
  }
}

/** Seconds. */
function now(): number {
  return performance.now() / 1000;
}
