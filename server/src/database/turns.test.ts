import { BusyError } from '../http/problems.js';
import { Turns } from './turns.js';

const later = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

test('so many at once, the others in the order asked; what one does wrong keeps nobody from their turn', async () => {
  const turns = new Turns({ places: 2, waiting: 10, longest: 1_000 });
  let at = 0;
  let most = 0;
  const done: number[] = [];
  const work = (n: number) => async () => {
    most = Math.max(most, ++at);
    await later(5);
    at--;
    done.push(n);
    if (n === 1) throw new Error('wrong');
    return n;
  };
  const answers = await Promise.allSettled([0, 1, 2, 3, 4].map((n) => turns.take('a', work(n))));
  expect(answers.map(({ status }) => status)).toEqual(['fulfilled', 'rejected', 'fulfilled', 'fulfilled', 'fulfilled']);
  expect(most).toBe(2);
  expect(done).toEqual([0, 1, 2, 3, 4]);
});

test('turns at different things do not wait for each other', async () => {
  const turns = new Turns({ places: 1, waiting: 1, longest: 1_000 });
  const first = turns.take('a', () => later(50));
  expect(await turns.take('b', () => Promise.resolve('at once'))).toBe('at once');
  await first;
});

test('more than may wait, and longer than one may, are told; the work was not begun', async () => {
  const turns = new Turns({ places: 1, waiting: 1, longest: 20 });
  let begun = 0;
  const first = turns.take('a', () => later(80));
  const second = turns.take('a', () => Promise.resolve(begun++));
  await expect(turns.take('a', () => Promise.resolve(begun++))).rejects.toThrow(BusyError);
  await expect(second).rejects.toThrow(/takes long/);
  await first;
  expect(begun).toBe(0);
  expect(await turns.take('a', () => Promise.resolve('free again'))).toBe('free again');
});

test('one that is done makes room for one, while others still have their turn', async () => {
  const turns = new Turns({ places: 2, waiting: 10, longest: 1_000 });
  let at = 0;
  let most = 0;
  const work = (ms: number) => async () => {
    most = Math.max(most, ++at);
    await later(ms);
    at--;
  };
  const long = turns.take('a', work(60));
  await turns.take('a', work(5));
  await Promise.all([long, turns.take('a', work(10)), turns.take('a', work(10))]);
  expect(most).toBe(2);
});
