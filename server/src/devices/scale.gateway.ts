import type { IncomingMessage, Server } from 'node:http';
import type { Duplex } from 'node:stream';
import { Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from '@nestjs/common';
import { HttpAdapterHost } from '@nestjs/core';
import type { Request } from 'express';
import { WebSocketServer } from 'ws';
import { AdmissionService } from '../accounts/admission.service.js';
import { wall } from '../database/wall.js';
import { configuredNames, isOwnUpgrade } from '../http/guard.js';
import { KitchenScale } from './kitchenScale.js';

const PATH = /^\/api\/kitchens\/([^/?]+)\/scale$/;
/** Who may listen at once, and the longest line that is read. */
const MOST_LISTENERS = 20;
const LONGEST = 256;

/** The simulated scale of a kitchen on a line that stays open (docs/devices.md): says what it shows, does what it is told. */
@Injectable()
export class ScaleGateway implements OnApplicationBootstrap, OnModuleDestroy {
  readonly #scales = new Map<string, KitchenScale>();
  readonly #sockets = new WebSocketServer({ noServer: true, maxPayload: LONGEST });
  #server: Server | undefined;

  constructor(
    private readonly adapterHost: HttpAdapterHost,
    private readonly admission: AdmissionService,
  ) {}

  onApplicationBootstrap(): void {
    // A process that only does jobs answers nobody.
    const adapter = this.adapterHost.httpAdapter as typeof this.adapterHost.httpAdapter | undefined;
    this.#server = adapter?.getHttpServer() as Server | undefined;
    this.#server?.on('upgrade', this.#upgrade);
  }

  onModuleDestroy(): void {
    this.#server?.off('upgrade', this.#upgrade);
    for (const scale of this.#scales.values()) scale.close();
    this.#sockets.close();
  }

  readonly #upgrade = (request: IncomingMessage, stream: Duplex, head: Buffer): void => {
    const refuse = (status: string) => void stream.end(`HTTP/1.1 ${status}\r\nConnection: close\r\n\r\n`);
    stream.on('error', () => stream.destroy());
    const [, key] = PATH.exec((request.url ?? '').split('?')[0] ?? '') ?? [];
    if (key === undefined) return refuse('404 Not Found');
    // A browser lets a page say nothing of its own here: that it is ours is told by its origin.
    if (!isOwnUpgrade(request, configuredNames(process.env.PORTIONA_HOSTS))) return refuse('403 Forbidden');
    wall
      .run({ kitchenId: undefined }, () => this.admission.admit(this.#asRequest(request), key))
      .then((admitted) => {
        if (!admitted) return refuse('401 Unauthorized');
        if (!admitted.kitchen?.rights.includes('cook')) return refuse('404 Not Found');
        const scale = this.#scaleOf(admitted.kitchen.id);
        if (scale.listeners >= MOST_LISTENERS) return refuse('429 Too Many Requests');
        this.#sockets.handleUpgrade(request, stream, head, (socket) => scale.listen(socket));
      })
      .catch(() => refuse('503 Service Unavailable'));
  };

  /** The request as the framework would have it: the cookie's name is told by whether it came over HTTPS. */
  #asRequest(request: IncomingMessage): Request {
    const framework = this.adapterHost.httpAdapter.getInstance<{ readonly request: object }>();
    return Object.setPrototypeOf(Object.assign(request, { app: framework }), framework.request) as Request;
  }

  #scaleOf(kitchenId: string): KitchenScale {
    const scale = this.#scales.get(kitchenId) ?? new KitchenScale();
    this.#scales.set(kitchenId, scale);
    return scale;
  }
}
