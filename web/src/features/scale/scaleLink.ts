import { LineSplitter, readScaleLine, scaleOrderText, type ScaleLine, type ScaleOrder } from '@portiona/core';
import { kitchenAddress } from '../../api/kitchenAtHand';

/** A line to a scale, however it is reached. */
export interface ScaleLink {
  readonly tell: (order: ScaleOrder) => void;
  readonly close: () => void;
}

/** What comes of it: lines as they are said, and its end. */
export interface ScaleEars {
  readonly onOpen: () => void;
  readonly onLine: (line: ScaleLine) => void;
  readonly onGone: () => void;
}

/** The simulated scale that ships, over a WebSocket of the server. */
export function webSocketScale({ onOpen, onLine, onGone }: ScaleEars): ScaleLink {
  const socket = new WebSocket(window.location.origin.replace(/^http/, 'ws') + kitchenAddress('/scale'));
  const lines = new LineSplitter();
  socket.addEventListener('open', onOpen);
  socket.addEventListener('message', ({ data }) => {
    for (const line of lines.take(String(data))) hear(line, onLine);
  });
  socket.addEventListener('close', onGone);
  return {
    tell: (order) => socket.readyState === WebSocket.OPEN && socket.send(`${scaleOrderText(order)}\n`),
    close: () => socket.close(),
  };
}

interface SerialPortLike {
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly writable: WritableStream<Uint8Array> | null;
}
interface SerialLike {
  requestPort(): Promise<SerialPortLike>;
  getPorts(): Promise<readonly SerialPortLike[]>;
}

/** The browser's way to a scale on a cable; undefined where it has none. */
export const serialOf = (): SerialLike | undefined => (navigator as unknown as { readonly serial?: SerialLike }).serial;

/** Bits a second of a scale on a cable (docs/devices.md). */
const BAUD = 9600;

/**
 * A scale of one's own on a cable, through the browser. The first time somebody has to choose it.
 *
 * @param choose whether it may be asked for: only while something was pressed
 * @throws where none is chosen, or it cannot be opened
 */
export async function serialScale({ onOpen, onLine, onGone }: ScaleEars, choose: boolean): Promise<ScaleLink> {
  const serial = serialOf();
  if (!serial) throw new Error('This browser does not reach a scale on a cable.');
  const port = choose ? await serial.requestPort() : (await serial.getPorts())[0];
  if (!port) throw new Error('No scale was chosen.');
  await port.open({ baudRate: BAUD });
  const reader = port.readable?.getReader();
  const writer = port.writable?.getWriter();
  const decoder = new TextDecoder();
  const lines = new LineSplitter();
  const close = () => {
    void reader?.cancel().catch(() => undefined);
    void writer?.close().catch(() => undefined);
  };
  onOpen();
  void (async () => {
    try {
      for (;;) {
        const piece = await reader?.read();
        if (!piece || piece.done) break;
        for (const line of lines.take(decoder.decode(piece.value, { stream: true }))) hear(line, onLine);
      }
    } catch {
      // It was pulled out: that it is gone is all there is to say.
    } finally {
      onGone();
      void port.close().catch(() => undefined);
    }
  })();
  const tell = (order: ScaleOrder) => void writer?.write(new TextEncoder().encode(`${scaleOrderText(order)}\r\n`)).catch(() => undefined);
  tell({ do: 'hello' });
  return { tell, close };
}

function hear(text: string, onLine: (line: ScaleLine) => void): void {
  const line = readScaleLine(text);
  if (line) onLine(line);
}
