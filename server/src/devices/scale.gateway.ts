import type { IncomingMessage, Server } from 'node:http';
import type { Duplex } from 'node:stream';
import { Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from '@nestjs/common';
import { HttpAdapterHost } from '@nestjs/core';
import { LineSplitter, readScaleOrder, scaleLineText, SimulatedScale, type ScaleLine } from '@portiona/core';
import { WebSocketServer, type WebSocket } from 'ws';
import { configuredNames, isOwnUpgrade } from '../http/guard.js';

const PATH = '/api/scale';
/** Milliseconds between two looks at what it shows. */
const EVERY = 120;
/** Who may listen at once, and the longest line that is read. */
const MOST_LISTENERS = 20;
const LONGEST = 256;
/** Why a line was closed: the scale is gone for now. */
const UNPLUGGED = 4000;

/** The simulated scale on a line that stays open (docs/devices.md): says what it shows, does what it is told. */
@Injectable()
export class ScaleGateway implements OnApplicationBootstrap, OnModuleDestroy {
  readonly #scale = new SimulatedScale();
  readonly #sockets = new WebSocketServer({ noServer: true, maxPayload: LONGEST });
  #ticking: NodeJS.Timeout | undefined;
  #server: Server | undefined;
  /** What was said last: only what changes is said again. */
  #said: readonly string[] = [];

  constructor(private readonly adapterHost: HttpAdapterHost) {}

  onApplicationBootstrap(): void {
    this.#server = this.adapterHost.httpAdapter.getHttpServer() as Server;
    this.#server.on('upgrade', this.#upgrade);
  }

  onModuleDestroy(): void {
    this.#server?.off('upgrade', this.#upgrade);
    this.#stop();
    for (const socket of this.#sockets.clients) socket.terminate();
    this.#sockets.close();
  }

  readonly #upgrade = (request: IncomingMessage, stream: Duplex, head: Buffer): void => {
    const refuse = (status: string) => stream.end(`HTTP/1.1 ${status}\r\nConnection: close\r\n\r\n`);
    stream.on('error', () => stream.destroy());
    if ((request.url ?? '').split('?')[0] !== PATH) return void refuse('404 Not Found');
    if (!isOwnUpgrade(request, configuredNames(process.env.PORTIONA_HOSTS))) return void refuse('403 Forbidden');
    if (this.#sockets.clients.size >= MOST_LISTENERS) return void refuse('429 Too Many Requests');
    this.#sockets.handleUpgrade(request, stream, head, (socket) => this.#listen(socket));
  };

  #listen(socket: WebSocket): void {
    // One that is gone is told so: a line that is refused would be a fault of the page's.
    if (!this.#scale.isThere(now())) return socket.close(UNPLUGGED, 'unplugged');
    const lines = new LineSplitter();
    socket.on('error', () => socket.terminate());
    socket.on('message', (piece: Buffer) => {
      for (const line of lines.take(`${piece.toString('utf8')}\n`)) this.#take(line, socket);
    });
    socket.on('close', () => this.#sockets.clients.size === 0 && this.#stop());
    this.#say([socket], this.#scale.lines(now(), true));
    this.#ticking ??= setInterval(() => this.#tick(), EVERY).unref();
  }

  #take(line: string, socket: WebSocket): void {
    const order = readScaleOrder(line);
    if (!order) return;
    this.#scale.take(order, now());
    if (order.do === 'hello') this.#say([socket], this.#scale.lines(now(), true));
    if (!this.#scale.isThere(now())) for (const one of this.#sockets.clients) one.close(UNPLUGGED, 'unplugged');
  }

  #tick(): void {
    const lines = this.#scale.lines(now());
    const texts = lines.map(scaleLineText);
    const changed = lines.filter((_, i) => texts[i] !== this.#said[i]);
    this.#said = texts;
    if (changed.length > 0) this.#say([...this.#sockets.clients], changed);
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
