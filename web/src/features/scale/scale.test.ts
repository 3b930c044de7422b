import type { ScaleLine } from '@portiona/core';
import { heard, NO_SCALE, takeable, type ScaleState } from './scaleState';
import { serialScale } from './scaleLink';

const after = (...lines: readonly ScaleLine[]): ScaleState => lines.reduce(heard, { ...NO_SCALE, link: 'there' });

test('only a steady weight above nothing is taken; anything else says why', () => {
  const because = (state: ScaleState) => {
    const can = takeable(state);
    return 'because' in can ? can.because : can.grams;
  };
  expect(because(NO_SCALE)).toBe('the scale is not there');
  expect(because(after())).toBe('it shows nothing yet');
  expect(because(after({ says: 'weight', grams: 300, steady: false }))).toBe('it is not steady yet');
  expect(because(after({ says: 'weight', grams: 0, steady: true }))).toBe('nothing lies on it');
  expect(because(after({ says: 'weight', grams: -5, steady: true }))).toBe('it shows less than nothing: tare it');
  expect(because(after({ says: 'weight', grams: 872, steady: true }))).toBe(872);
  expect(
    because(after({ says: 'scale', name: 'S', most: 5000, step: 1 }, { says: 'weight', grams: 872, steady: true }, { says: 'overload' })),
  ).toBe('it is overloaded: 5000 g at most');
  // What it weighed before it was overloaded is not taken after it.
  expect(because(after({ says: 'overload' }, { says: 'weight', grams: 10, steady: true }))).toBe(10);
});

test('a low battery is told and takes nothing away; a probe that is out shows nothing', () => {
  const low = after({ says: 'weight', grams: 20, steady: true }, { says: 'battery', low: true });
  expect([low.batteryLow, takeable(low)]).toEqual([true, { grams: 20 }]);
  const probed = after({ says: 'temperature', celsius: 74, steady: true });
  expect(probed.probe).toEqual({ celsius: 74, steady: true });
  expect(heard(probed, { says: 'temperature', celsius: null, steady: false }).probe).toBeUndefined();
});

test('a scale on a cable is heard in whatever pieces its lines come, is told, and its end is told', async () => {
  const written: string[] = [];
  let send: (text: string) => void = () => undefined;
  let end: () => void = () => undefined;
  const port = {
    open: jest.fn(() => Promise.resolve()),
    close: jest.fn(() => Promise.resolve()),
    readable: new ReadableStream<Uint8Array>({
      start: (controller) => {
        send = (text) => controller.enqueue(new TextEncoder().encode(text));
        end = () => controller.close();
      },
    }),
    writable: new WritableStream<Uint8Array>({ write: (piece) => void written.push(new TextDecoder().decode(piece)) }),
  };
  Object.defineProperty(globalThis, 'navigator', {
    configurable: true,
    value: { serial: { requestPort: () => Promise.resolve(port), getPorts: () => Promise.resolve([]) } },
  });
  const lines: ScaleLine[] = [];
  const gone = new Promise<void>((resolve) => {
    void serialScale({ onOpen: () => undefined, onLine: (line) => lines.push(line), onGone: resolve }, true).then(({ tell }) => {
      tell({ do: 'tare' });
      send('weight 8');
      send('72 g steady\r\nnoise\r\nbattery l');
      send('ow\r\n');
      setTimeout(end, 20);
    });
  });
  await gone;
  expect(port.open).toHaveBeenCalledWith({ baudRate: 9600 });
  expect(lines).toEqual([
    { says: 'weight', grams: 872, steady: true },
    { says: 'battery', low: true },
  ]);
  expect(written).toEqual(['hello\r\n', 'tare\r\n']);
  await expect(serialScale({ onOpen: () => undefined, onLine: () => undefined, onGone: () => undefined }, false)).rejects.toThrow(
    'No scale was chosen.',
  );
});
