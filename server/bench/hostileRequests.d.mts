export interface HostileRequest {
  readonly method: string;
  readonly url: string;
  readonly body?: string | Uint8Array<ArrayBuffer>;
  readonly type?: string;
  readonly name?: string;
}
export function hostileRequests(paths: object, kitchen: string): HostileRequest[];
export function isBroken(status: number, type: string | null): boolean;
