import { FullError } from '../http/problems.js';
import { giveUp, roomFor, type Room } from './tableFile.js';

const NOBODY_HAS_ANY = { files: 0, bytes: 0, allBytes: 0 };

test('a file that came to be told of while it was looked what is there is counted', async () => {
  const rooms: Room[] = [];
  const next = () => roomFor('one', { stated: 10, kept: true, held: () => Promise.resolve(NOBODY_HAS_ANY) });
  for (let i = 0; i < 99; i++) rooms.push(await next());
  try {
    const last = await next();
    // Of the look at what is there, it saw nothing yet of the one that is written down right after it.
    const held = () => {
      giveUp(last);
      return Promise.resolve(NOBODY_HAS_ANY);
    };
    await expect(roomFor('one', { stated: 10, kept: true, held })).rejects.toThrow(FullError);
    // What it was refused with is not kept for it.
    giveUp(await next());
  } finally {
    rooms.forEach(giveUp);
  }
});
