/** What the server says when it cannot do something: RFC 9457 problem details. */
export interface Problem {
  readonly status: number;
  readonly title: string;
  readonly detail: string;
  readonly faults: readonly { readonly path: string; readonly message: string }[];
  readonly current?: { readonly revision: number; readonly savedAt: string; readonly document: object };
}

/** The server was not reached: nothing was said, nothing was saved. */
export const UNREACHED: Problem = {
  status: 0,
  title: 'Not reached',
  detail: 'the server does not answer; what you wrote is kept here and sent again',
  faults: [],
};

/** The problem in a failed request's error, whatever shape it comes in. */
export function problemOf(error: unknown): Problem {
  const data = typeof error === 'object' && error !== null && 'data' in error ? error.data : undefined;
  const found = typeof data === 'string' ? parsed(data) : data;
  if (typeof found !== 'object' || found === null || !('detail' in found)) return UNREACHED;
  const { status = 0, title = '', detail = '', faults = [], current } = found as Partial<Problem>;
  return { status, title, detail, faults, ...(current ? { current } : {}) };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

/** What kind of problem an error tells of: what stands behind "urn:portiona:"; empty: it tells of none. */
export function problemType(error: unknown): string {
  const data = typeof error === 'object' && error !== null && 'data' in error ? error.data : undefined;
  const found = typeof data === 'string' ? parsed(data) : data;
  const type = typeof found === 'object' && found !== null && 'type' in found ? found.type : undefined;
  return typeof type === 'string' ? type.replace(/^urn:portiona:/, '') : '';
}

/** Whether it may be over in a while by itself: the server is away, broken, busy, or its disk is full. Nothing of one's own is at fault. */
export function isPassing({ status }: Problem): boolean {
  return status === 0 || status >= 500;
}

/** A problem in one sentence a person can act on. */
export function problemText({ detail, faults }: Problem): string {
  const [first] = faults;
  if (!first) return `${detail.charAt(0).toUpperCase()}${detail.slice(1)}.`;
  const more = faults.length > 1 ? ` (and ${faults.length - 1} more)` : '';
  return `${first.path.replace(/^document\.?/, '')} ${first.message}${more}.`.trim();
}
