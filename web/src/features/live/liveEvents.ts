import type { PresentDto } from '../../api/api.gen';
import { kitchenAddress, keptName } from '../../api/kitchenAtHand';
import { TAB } from '../../api/tab';

/** Something that somebody else has done in the kitchen just now. */
export interface LiveDeed {
  readonly does: string;
  /** What it was done to: "recipes/leek-soup". */
  readonly to: string;
  readonly by: { readonly id: string; readonly name: string };
  readonly tab: string;
}

/** What can be heard. `missed`: something may have been done that was not heard. */
export interface LiveEars {
  readonly deed?: (deed: LiveDeed) => void;
  readonly present?: (present: readonly PresentDto[]) => void;
  readonly missed?: () => void;
}

/** What is said on the line, and handed on to the other pages of the browser. */
interface Said {
  readonly type: 'deed' | 'present' | 'missed';
  readonly data: string;
}

const ears = new Set<LiveEars>();
/** What was said of who is where last: whoever begins to listen is told it at once. */
let lastPresent: readonly PresentDto[] = [];
let hearing: AbortController | undefined;

/** Hears what others do in the kitchen at hand. @returns what ends the listening */
export function listen(heard: LiveEars): () => void {
  ears.add(heard);
  heard.present?.(lastPresent);
  // Old browsers, and those in tests, go without.
  if (!hearing && typeof EventSource !== 'undefined') hearing = hear();
  return () => {
    ears.delete(heard);
    if (ears.size > 0) return;
    hearing?.abort();
    hearing = undefined;
  };
}

/**
 * Listens, together with the other pages of this browser: one of them holds the line and hands on what it hears. A browser has few lines
 * to a server, and a page each would leave none for anything else.
 */
function hear(): AbortController {
  const ending = new AbortController();
  const { signal } = ending;
  const name = keptName('live');
  const channel = new BroadcastChannel(name);
  signal.addEventListener('abort', () => channel.close());
  channel.addEventListener('message', ({ data }: MessageEvent<Said>) => take(data));
  const say = (said: Said) => {
    channel.postMessage(said);
    take(said);
  };
  if (!('locks' in navigator)) hold(say, signal, false);
  else {
    let waited = false;
    const soon = setTimeout(() => (waited = true), SOON);
    navigator.locks
      .request(name, { signal }, () => {
        clearTimeout(soon);
        hold(say, signal, waited);
        return new Promise<void>((ended) => signal.addEventListener('abort', () => ended()));
      })
      .catch(() => undefined);
  }
  return ending;
}

/** Milliseconds after which another page had the line before. */
const SOON = 1000;

/** @param again whether another page had it before: something may have been said in between */
function hold(say: (said: Said) => void, signal: AbortSignal, again: boolean): void {
  const line = new EventSource(kitchenAddress('/events'));
  signal.addEventListener('abort', () => line.close());
  // The browser makes a line that broke anew by itself; meanwhile something may have been done.
  let lost = again;
  line.addEventListener('error', () => (lost = true));
  line.addEventListener('hello', () => {
    if (lost) say({ type: 'missed', data: '' });
    lost = false;
  });
  for (const type of ['deed', 'present', 'missed'] as const)
    line.addEventListener(type, ({ data }: MessageEvent<string>) => say({ type, data }));
}

function take({ type, data }: Said): void {
  if (type === 'missed') for (const { missed } of ears) missed?.();
  if (type === 'deed') {
    const deed = JSON.parse(data) as LiveDeed;
    if (deed.tab !== TAB) for (const one of ears) one.deed?.(deed);
  }
  if (type === 'present') {
    lastPresent = JSON.parse(data) as PresentDto[];
    for (const { present } of ears) present?.(lastPresent);
  }
}
