import { later, type Later } from '../ui/later';

/** A place at the desk: on the strip, by its key, in the help and to be found. */
export interface StationEntry extends Later<object> {
  readonly path: string;
  readonly name: string;
  readonly glyph: string;
  /** With Alt. */
  readonly key: string;
  /** Other words it is looked for by. */
  readonly also: readonly string[];
}

/** The stations, in their order on the strip. One that is new is one entry here. */
export const STATIONS: readonly StationEntry[] = [
  {
    path: 'brief',
    name: 'Brief',
    glyph: '◇',
    key: '1',
    also: ['targets', 'wishes', 'at most', 'at least', 'what it is to be'],
    ...later(async () => ({ default: (await import('./beside')).BriefStation })),
  },
  {
    path: 'build',
    name: 'Build',
    glyph: '✎',
    key: '2',
    also: ['ingredients', 'lines', 'sheet', 'write', 'edit'],
    ...later(async () => ({ default: (await import('../stations/build/BuildStation')).BuildStation })),
  },
  {
    path: 'cook',
    name: 'Cook',
    glyph: '▸',
    key: '3',
    also: ['cook this', 'begin a batch', 'stove', 'timers', 'weigh'],
    ...later(async () => ({ default: (await import('../stations/cook/CookStation')).CookStation })),
  },
  {
    path: 'portion',
    name: 'Portion',
    glyph: '◱',
    key: '4',
    also: ['boxes', 'into boxes', 'labels', 'two sizes', 'fridge', 'freezer', 'use by'],
    ...later(async () => ({ default: (await import('../stations/portion/PortionStation')).PortionStation })),
  },
  {
    path: 'check',
    name: 'Check',
    glyph: '✓',
    key: '5',
    also: ['findings', 'wrong', 'look at', 'mistakes', 'safety', 'claims', 'mend', 'left because'],
    ...later(async () => ({ default: (await import('./beside')).CheckStation })),
  },
  {
    path: 'card',
    name: 'Card',
    glyph: '▤',
    key: '6',
    also: ['publish', 'print', 'pdf', 'reader', 'export', 'html', 'markdown', 'share'],
    ...later(async () => ({ default: (await import('./beside')).CardStation })),
  },
];
