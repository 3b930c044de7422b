import { LineSplitter, readScaleLine, scaleOrderText, type ScaleLine, type ScaleOrder } from '@portiona/core';
import WebSocket from 'ws';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: false });
});
afterAll(() => server.close());

const address = () => `${server.address.replace('http', 'ws')}${server.kitchen}/scale`;

/** A line to the scale: what it has said, and what it is told. */
async function listener(headers: Readonly<Record<string, string>> = {}) {
  const socket = new WebSocket(address(), { headers: { ...server.headers, ...headers } });
  const splitter = new LineSplitter();
  const said: ScaleLine[] = [];
  socket.on('message', (piece: Buffer) => {
    for (const line of splitter.take(piece.toString())) {
      const read = readScaleLine(line);
      if (read) said.push(read);
      else throw new Error(`not a line of a scale: ${line}`);
    }
  });
  await new Promise<void>((open, refused) => socket.once('open', open).once('error', refused));
  const until = async (holds: (line: ScaleLine) => boolean) => {
    for (let i = 0; i < 3000 && !said.some(holds); i++) await new Promise((resolve) => setTimeout(resolve, 20));
    return said.find(holds);
  };
  return { socket, said, until, tell: (order: ScaleOrder) => socket.send(`${scaleOrderText(order)}\n`) };
}

test('two who listen to the scale hear the same; a weight is steady once it stands still', async () => {
  const [one, two] = [await listener(), await listener()];
  expect(await one.until(({ says }) => says === 'scale')).toEqual({ says: 'scale', name: 'Simulated scale', most: 5000, step: 1 });
  one.tell({ do: 'put', grams: 872 });
  const steady = (line: ScaleLine) => line.says === 'weight' && line.steady && line.grams === 872;
  expect(await one.until(steady)).toBeDefined();
  expect(await two.until(steady)).toBeDefined();
  expect(one.said.some((line) => line.says === 'weight' && !line.steady)).toBe(true);
  two.tell({ do: 'tare' });
  expect(await one.until((line) => line.says === 'weight' && line.steady && line.grams === 0)).toBeDefined();
  one.tell({ do: 'put', grams: 9000 });
  expect(await two.until(({ says }) => says === 'overload')).toBeDefined();
  one.tell({ do: 'clear' });
  one.tell({ do: 'probe', celsius: 74 });
  expect(await two.until((line) => line.says === 'temperature' && line.steady && line.celsius === 74)).toBeDefined();
  one.socket.send('put a lot\nx\n');
  one.tell({ do: 'battery', low: true });
  expect(await two.until((line) => line.says === 'battery' && line.low)).toBeDefined();
  one.socket.close();
  two.socket.close();
});

test('unplugged, it is gone for everybody, and there again after', async () => {
  const one = await listener();
  const gone = new Promise<number>((resolve) => one.socket.once('close', resolve));
  one.tell({ do: 'unplug', seconds: 1 });
  expect(await gone).toBe(4000);
  const meanwhile = await listener();
  expect(await new Promise<number>((resolve) => meanwhile.socket.once('close', resolve))).toBe(4000);
  await new Promise((resolve) => setTimeout(resolve, 1200));
  const again = await listener();
  again.socket.close();
});

test('another page does not get a line to the scale, nor does whoever comes by another name', async () => {
  await expect(listener({ origin: 'http://elsewhere.example' })).rejects.toThrow(/403/);
  await expect(listener({ host: 'elsewhere.example' })).rejects.toThrow(/403/);
  const own = await listener({ origin: server.address });
  own.socket.send('x'.repeat(300));
  expect(await new Promise<number>((resolve) => own.socket.once('close', resolve))).toBe(1009);
  await expect(
    new Promise((open, refused) => new WebSocket(address().replace('/scale', '/other')).once('open', open).once('error', refused)),
  ).rejects.toThrow(/404/);
});
