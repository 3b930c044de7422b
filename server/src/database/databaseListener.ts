import { EventEmitter } from 'node:events';
import { Injectable, Logger, type OnApplicationBootstrap, type OnModuleDestroy } from '@nestjs/common';
import { Client } from 'pg';
import { applicationRole } from './applicationRole.js';

/** What the database tells of: something done in a kitchen, or who is at what there. */
export const CHANNELS = ['portiona_deeds', 'portiona_presence'] as const;
export type Channel = (typeof CHANNELS)[number];

/** Milliseconds before a connection that was lost is made anew: longer each time, up to a bound. */
const FIRST_PAUSE = 500;
const LONGEST_PAUSE = 15_000;

/**
 * Hears what the database tells every server (LISTEN), on a connection of its own. While it is lost nothing is heard: `missed` says so
 * when it is there again.
 */
@Injectable()
export class DatabaseListener implements OnApplicationBootstrap, OnModuleDestroy {
  readonly #log = new Logger('events');
  readonly #told = new EventEmitter();
  #client: Client | undefined;
  #ending = false;
  #again: NodeJS.Timeout | undefined;

  constructor() {
    this.#told.setMaxListeners(0);
  }

  onApplicationBootstrap(): void {
    void this.#connect(FIRST_PAUSE, false);
  }

  async onModuleDestroy(): Promise<void> {
    this.#ending = true;
    clearTimeout(this.#again);
    await this.#client?.end().catch(() => undefined);
  }

  /** @returns what ends the listening */
  on(channel: Channel, hear: (told: Readonly<Record<string, unknown>>) => void): () => void {
    this.#told.on(channel, hear);
    return () => this.#told.off(channel, hear);
  }

  /** Called when something may have been told that was not heard. */
  onMissed(hear: () => void): () => void {
    this.#told.on('missed', hear);
    return () => this.#told.off('missed', hear);
  }

  async #connect(pause: number, again: boolean): Promise<void> {
    const client = new Client({ connectionString: applicationRole(process.env.DATABASE_URL ?? '').url, keepAlive: true });
    let lost = false;
    const lose = () => {
      if (lost || this.#ending) return;
      lost = true;
      client.end().catch(() => undefined);
      this.#again = setTimeout(() => void this.#connect(Math.min(LONGEST_PAUSE, pause * 2), true), pause).unref();
    };
    client.on('error', lose);
    client.on('end', lose);
    client.on('notification', ({ channel, payload }) => {
      try {
        this.#told.emit(channel, JSON.parse(payload ?? '{}'));
      } catch (error) {
        this.#log.warn(error);
      }
    });
    try {
      await client.connect();
      for (const channel of CHANNELS) await client.query(`LISTEN ${channel}`);
      this.#client = client;
      if (again) this.#told.emit('missed');
    } catch {
      lose();
    }
  }
}
