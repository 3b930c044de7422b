import { Writable } from 'node:stream';
import { SteadyStream } from './steadyStream.js';

test('lines go where they go; a stream that fails takes nothing down with it, and is opened anew later', async () => {
  const written: string[] = [];
  let opened = 0;
  let full = false;
  const log = new SteadyStream(() => {
    opened++;
    return new Writable({
      decodeStrings: false,
      write: (line: string, _, done) => {
        if (full) return done(Object.assign(new Error('no space left'), { code: 'ENOSPC' }));
        written.push(line);
        done();
      },
    });
  });
  log.write('one\n');
  full = true;
  log.write('two\n');
  await new Promise((resolve) => setTimeout(resolve, 10));
  full = false;
  log.write('let go\n');
  expect(opened).toBe(1);
  const now = performance.now();
  const later = jest.spyOn(performance, 'now').mockReturnValue(now + 20_000);
  log.write('three\n');
  later.mockRestore();
  expect(opened).toBe(2);
  expect(written).toEqual(['one\n', 'three\n']);
});

test('a place that cannot be opened is no reason to end', () => {
  const log = new SteadyStream(() => {
    throw new Error('read-only');
  });
  expect(() => log.write('line\n')).not.toThrow();
});
