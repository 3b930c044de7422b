import type { HostileRequest } from './hostileRequests.mjs';

export function nearlyRight(
  api: { readonly paths: object; readonly components: object },
  kitchen: string,
  ids: Readonly<Record<string, string>>,
): HostileRequest[];

export function thingsThere(ask: (path: string, sent?: object) => Promise<unknown>): Promise<Record<string, string>>;
