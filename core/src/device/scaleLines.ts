/** What a scale says, a line each (docs/devices.md, "Scale and thermometer"). */
export type ScaleLine =
  /** Who it is: its name, the most it takes and the smallest step it shows, grams. */
  | { readonly says: 'scale'; readonly name: string; readonly most: number; readonly step: number }
  /** What lies on it less its tare, grams; only a steady weight may be taken. */
  | { readonly says: 'weight'; readonly grams: number; readonly steady: boolean }
  /** More lies on it than it can weigh. */
  | { readonly says: 'overload' }
  | { readonly says: 'battery'; readonly low: boolean }
  /** Of a probe that belongs to it, degrees Celsius; null: the probe is out. */
  | { readonly says: 'temperature'; readonly celsius: number | null; readonly steady: boolean };

/** What a scale is told, a line each. What follows the first is for the simulated one alone. */
export type ScaleOrder =
  | { readonly do: 'tare' }
  | { readonly do: 'hello' }
  /** Grams more on it, or fewer. */
  | { readonly do: 'put'; readonly grams: number }
  /** Everything off it. */
  | { readonly do: 'clear' }
  /** Grams a minute that what it shows creeps away. */
  | { readonly do: 'drift'; readonly grams: number }
  /** Grams that it trembles. */
  | { readonly do: 'noise'; readonly grams: number }
  /** Seconds until it stands still. */
  | { readonly do: 'settle'; readonly seconds: number }
  | { readonly do: 'battery'; readonly low: boolean }
  /** The probe is in something of so many degrees; null: it is out. */
  | { readonly do: 'probe'; readonly celsius: number | null }
  /** It is gone for so many seconds. */
  | { readonly do: 'unplug'; readonly seconds: number };

const NUMBER = '(-?\\d{1,7}(?:\\.\\d{1,3})?)';
const LINES: readonly (readonly [RegExp, (found: RegExpExecArray) => ScaleLine])[] = [
  [
    new RegExp(`^scale "([^"]{1,60})" most ${NUMBER} g step ${NUMBER} g$`),
    ([, name = '', most, step]) => ({ says: 'scale', name, most: Number(most), step: Number(step) }),
  ],
  [
    new RegExp(`^weight ${NUMBER} g (steady|moving)$`),
    ([, grams, how]) => ({ says: 'weight', grams: Number(grams), steady: how === 'steady' }),
  ],
  [/^overload$/, () => ({ says: 'overload' })],
  [/^battery (low|ok)$/, ([, how]) => ({ says: 'battery', low: how === 'low' })],
  [
    new RegExp(`^temperature ${NUMBER} C (steady|moving)$`),
    ([, celsius, how]) => ({ says: 'temperature', celsius: Number(celsius), steady: how === 'steady' }),
  ],
  [/^temperature none$/, () => ({ says: 'temperature', celsius: null, steady: false })],
];
const ORDERS: readonly (readonly [RegExp, (found: RegExpExecArray) => ScaleOrder])[] = [
  [/^tare$/, () => ({ do: 'tare' })],
  [/^hello$/, () => ({ do: 'hello' })],
  [new RegExp(`^put ${NUMBER} g$`), ([, grams]) => ({ do: 'put', grams: Number(grams) })],
  [/^clear$/, () => ({ do: 'clear' })],
  [new RegExp(`^drift ${NUMBER} g$`), ([, grams]) => ({ do: 'drift', grams: Number(grams) })],
  [new RegExp(`^noise ${NUMBER} g$`), ([, grams]) => ({ do: 'noise', grams: Math.abs(Number(grams)) })],
  [new RegExp(`^settle ${NUMBER} s$`), ([, seconds]) => ({ do: 'settle', seconds: Math.abs(Number(seconds)) })],
  [/^battery (low|ok)$/, ([, how]) => ({ do: 'battery', low: how === 'low' })],
  [new RegExp(`^probe ${NUMBER} C$`), ([, celsius]) => ({ do: 'probe', celsius: Number(celsius) })],
  [/^probe none$/, () => ({ do: 'probe', celsius: null })],
  [new RegExp(`^unplug ${NUMBER} s$`), ([, seconds]) => ({ do: 'unplug', seconds: Math.abs(Number(seconds)) })],
];

/** Reads a line of a scale; undefined for one that says nothing known, which is passed over. */
export function readScaleLine(line: string): ScaleLine | undefined {
  return read(line, LINES);
}

/** Reads what a scale is told; undefined for anything else. */
export function readScaleOrder(line: string): ScaleOrder | undefined {
  return read(line, ORDERS);
}

function read<Said>(line: string, rows: readonly (readonly [RegExp, (found: RegExpExecArray) => Said])[]): Said | undefined {
  const text = line.trim();
  for (const [pattern, made] of rows) {
    const found = pattern.exec(text);
    if (found) return made(found);
  }
  return undefined;
}

/** A line of a scale as it goes over the wire, without its end. */
export function scaleLineText(line: ScaleLine): string {
  switch (line.says) {
    case 'scale':
      return `scale "${line.name.replaceAll('"', "'").slice(0, 60)}" most ${short(line.most)} g step ${short(line.step)} g`;
    case 'weight':
      return `weight ${short(line.grams)} g ${line.steady ? 'steady' : 'moving'}`;
    case 'overload':
      return 'overload';
    case 'battery':
      return `battery ${line.low ? 'low' : 'ok'}`;
    case 'temperature':
      return line.celsius === null ? 'temperature none' : `temperature ${short(line.celsius)} C ${line.steady ? 'steady' : 'moving'}`;
  }
}

/** What a scale is told as it goes over the wire, without its end. */
export function scaleOrderText(order: ScaleOrder): string {
  switch (order.do) {
    case 'tare':
    case 'hello':
    case 'clear':
      return order.do;
    case 'put':
    case 'drift':
    case 'noise':
      return `${order.do} ${short(order.grams)} g`;
    case 'settle':
    case 'unplug':
      return `${order.do} ${short(order.seconds)} s`;
    case 'battery':
      return `battery ${order.low ? 'low' : 'ok'}`;
    case 'probe':
      return order.celsius === null ? 'probe none' : `probe ${short(order.celsius)} C`;
  }
}

/** At most three digits after the point, never "-0". */
function short(amount: number): string {
  return String(Math.round(amount * 1000) / 1000 + 0);
}

/** Takes lines out of pieces of text as they come; what has no end yet waits for it. */
export class LineSplitter {
  #rest = '';

  take(piece: string): string[] {
    const lines = (this.#rest + piece).split(/\r\n|\n|\r/);
    // A device that never ends its line is not listened to for ever.
    this.#rest = (lines.pop() ?? '').slice(-200);
    return lines.filter((line) => line !== '');
  }
}
