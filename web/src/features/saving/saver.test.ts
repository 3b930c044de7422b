import { LocalDrafts } from './localDrafts';
import { pauseAfter } from './pace';
import { Saver } from './saver';

interface Jar {
  readonly id: string;
  readonly name: string;
}
interface Answer {
  readonly revision: number;
  readonly document: Jar;
}

/** A server that keeps one jar, as the real one does: a save on an older revision is stale. */
function cellar() {
  const there = { revision: 1, document: { id: 'jar', name: 'plum' } };
  let lost = 0;
  const made: string[] = [];
  return {
    there,
    made,
    loseAnswers: (count: number) => (lost = count),
    send: (revision: number, document: Jar): Promise<Answer> => {
      made.push(document.name);
      if (revision !== there.revision)
        return Promise.reject(refusal({ status: 409, title: '', detail: 'stale', faults: [], current: { ...there } }));
      there.revision++;
      there.document = document;
      return lost-- > 0 ? Promise.reject(refusal(undefined)) : Promise.resolve({ ...there });
    },
  };
}

/** As a failed request comes back: with what the server said, or with nothing. */
function refusal(data: unknown): Error {
  return Object.assign(new Error('refused'), { data });
}

const store = new Map<string, string>();
beforeAll(() => {
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => store.get(key) ?? null,
      setItem: (key: string, value: string) => void store.set(key, value),
      removeItem: (key: string) => void store.delete(key),
    },
  });
});
beforeEach(() => store.clear());

function saving() {
  const drafts = new LocalDrafts<Jar>('test');
  const saver = new Saver<Jar, Answer>(drafts);
  const server = cellar();
  saver.standsAt('jar', 1);
  const save = (name: string) => {
    const document = { id: 'jar', name };
    drafts.keep('jar', { revision: saver.revisionOf('jar'), document });
    return saver.save('jar', document, { begun: () => undefined, send: server.send });
  };
  return { drafts, saver, server, save };
}

test('saves go one after the other, each on the revision before; what has landed is not kept any longer', async () => {
  const { drafts, server, save } = saving();
  const outcomes = await Promise.all([save('quince'), save('medlar')]);
  expect(outcomes.map(({ kind }) => kind)).toEqual(['saved', 'saved']);
  // The second was not sent on a revision that was over by then.
  expect(server.made).toEqual(['quince', 'medlar']);
  expect(server.there).toEqual({ revision: 3, document: { id: 'jar', name: 'medlar' } });
  expect(drafts.of('jar')).toBeUndefined();
});

test('what was typed while a save was under way stays kept when that lands', async () => {
  const { drafts, saver, server } = saving();
  const sent = { id: 'jar', name: 'plum ja' };
  const landing = saver.save('jar', sent, { begun: () => undefined, send: server.send });
  drafts.keep('jar', { revision: 1, document: { id: 'jar', name: 'plum jam' } });
  expect((await landing).kind).toBe('saved');
  expect(drafts.of('jar')?.document.name).toBe('plum jam');
});

test('another’s save is told, and nothing is written over it; what was typed stays kept', async () => {
  const { drafts, server, save } = saving();
  await server.send(1, { id: 'jar', name: 'theirs' });
  const outcome = await save('mine');
  expect(outcome).toMatchObject({ kind: 'refused', problem: { current: { revision: 2, document: { name: 'theirs' } } } });
  expect(server.there.document.name).toBe('theirs');
  expect(drafts.of('jar')?.document.name).toBe('mine');
});

test('a save that landed while its answer was lost is one’s own, and the next goes on top of it', async () => {
  const { drafts, server, save } = saving();
  server.loseAnswers(1);
  expect((await save('landed')).kind).toBe('undecided');
  expect(drafts.of('jar')?.document.name).toBe('landed');
  expect((await save('landed, and more')).kind).toBe('saved');
  expect(server.there).toMatchObject({ revision: 3, document: { name: 'landed, and more' } });
});

test('what was kept and is taken up again is one’s own, whatever of it had landed', async () => {
  const { saver, server, save } = saving();
  await server.send(1, { id: 'jar', name: 'before the page went' });
  saver.standsAt('jar', 1);
  saver.takenUp('jar', { id: 'jar', name: 'before the page went' });
  expect((await save('and after')).kind).toBe('saved');
  expect(server.there.document.name).toBe('and after');
});

test('what no text can hold is refused unsent, by its place', async () => {
  const { server, save } = saving();
  expect(await save('a\0b')).toMatchObject({ kind: 'refused', problem: { faults: [{ path: 'document.name' }] } });
  expect(server.made).toEqual([]);
});

test('it is tried again sooner at first, and never later than in forty seconds', () => {
  expect([0, 1, 2].map(pauseAfter)).toEqual([2500, 5000, 10_000]);
  expect(pauseAfter(60)).toBe(40_000);
});
