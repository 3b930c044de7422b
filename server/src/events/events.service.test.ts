import { EventEmitter } from 'node:events';
import { houseScope } from '../scope/scope.js';
import { EventsService } from './events.service.js';

/** Pages that listen in a kitchen, with a database that is not there. */
function listening(pages: number) {
  const told = new EventEmitter().setMaxListeners(0);
  let asked = 0;
  const on = (channel: string, hear: (told: object) => void) => (told.on(channel, hear), () => told.off(channel, hear));
  const parts = [
    { within: (_: string, work: () => unknown) => work() },
    { on, onMissed: (hear: () => void) => on('missed', hear) },
    { list: () => Promise.resolve([{ id: `asked ${++asked}`, name: 'Ash', recipe: 'leek' }]) },
    { admit: () => Promise.resolve(undefined) },
  ];
  const service = new EventsService(...(parts as unknown as ConstructorParameters<typeof EventsService>));
  const lines = Array.from({ length: pages }, () => {
    const socket = { writableNeedDrain: false, destroyed: false, destroy: () => (socket.destroyed = true) };
    const heard: { type?: string; data: unknown }[] = [];
    const line = service.listen(houseScope('k'), { socket, params: {} } as never).subscribe((event) => heard.push(event as never));
    return { socket, heard, end: () => line.unsubscribe() };
  });
  return { told, lines, asked: () => asked, end: () => lines.forEach(({ end }) => end()) };
}
const soon = () => new Promise((resolve) => setTimeout(resolve, 5));

test('who is where is asked once for all pages that are told, and anew for what changed while it was asked', async () => {
  const { told, lines, asked, end } = listening(40);
  await soon();
  const before = asked();
  told.emit('portiona_presence', { kitchen: 'k' });
  await soon();
  expect(asked()).toBe(before + 1);
  told.emit('portiona_presence', { kitchen: 'k' });
  await Promise.resolve();
  await Promise.resolve();
  told.emit('portiona_presence', { kitchen: 'k' });
  await soon();
  expect(asked()).toBe(before + 3);
  for (const { heard } of lines)
    expect(heard.at(-1)).toEqual({ type: 'present', data: [{ id: `asked ${before + 3}`, name: 'Ash', recipe: 'leek' }] });
  end();
});

test('a page that takes nothing of what it is told is let go; one that is slow for a while is not', async () => {
  const { told, lines, end } = listening(2);
  const [stuck, slow] = lines as [(typeof lines)[0], (typeof lines)[0]];
  stuck.socket.writableNeedDrain = true;
  for (let i = 0; i < 500; i++) {
    slow.socket.writableNeedDrain = i % 150 !== 0;
    told.emit('portiona_deeds', { kitchen: 'k', n: i });
  }
  await soon();
  expect(stuck.socket.destroyed).toBe(true);
  expect(stuck.heard.length).toBeLessThan(210);
  expect(slow.socket.destroyed).toBe(false);
  expect(slow.heard.filter(({ type }) => type === 'deed')).toHaveLength(500);
  end();
});
