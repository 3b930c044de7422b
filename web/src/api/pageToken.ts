import type { MeDto } from './api.gen';

/** Header in which the page says that it asks by itself. */
const HEADER = 'X-Portiona-Page';

let asked: Promise<MeDto | undefined> | undefined;

/** Who is signed in; undefined: nobody. Asked once, and again where that failed. @throws Error where the server is not reached, or cannot say just now */
export function whoIsSignedIn(): Promise<MeDto | undefined> {
  asked ??= fetch('/api/me').then(
    async (answer) => {
      if (answer.ok) return (await answer.json()) as MeDto;
      asked = undefined;
      // One that has too much to do, or whose database is away, has not said that nobody is.
      if (answer.status === 401) return undefined;
      throw new Error(`who is signed in was answered ${answer.status}`);
    },
    (error: unknown) => {
      asked = undefined;
      throw error;
    },
  );
  return asked;
}

/** Takes what an answer has told of who is signed in now. */
export function signedInAs(me: MeDto | undefined): void {
  asked = me && Promise.resolve(me);
}

/** What is said with whatever changes something. */
export async function pageHeaders(): Promise<Record<string, string>> {
  const me = await whoIsSignedIn().catch(() => undefined);
  return me ? { [HEADER]: me.pageToken } : {};
}
