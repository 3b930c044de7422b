import type { PlannedStep } from '@portiona/core';

/** A stretch of a step in a row of the timeline. Minutes. */
export interface TimelineBar {
  readonly step: PlannedStep;
  readonly from: number;
  readonly to: number;
  /** Until when, of it, the cook is bound. */
  readonly hands: number;
  /** From 0, beneath each other: two bars of one lane never meet. */
  readonly lane: number;
  /** °C, for what is hot. */
  readonly heat: number | null;
}

/** What the timeline shows beneath each other. */
export interface TimelineRow {
  readonly key: string;
  readonly kind: 'hands' | 'unit' | 'stands';
  /** Of hands: which cook, from 1; of a unit, its number among those of its name. */
  readonly number: number;
  /** Of a unit. */
  readonly name: string;
  readonly lanes: number;
  readonly bars: readonly TimelineBar[];
}

/** Rows of a plan: the hands of each cook, each unit that is used, and what stands by itself on nothing. */
export function timelineRows(steps: readonly PlannedStep[], cooks: number): TimelineRow[] {
  const rows: TimelineRow[] = [];
  for (let cook = 1; cook <= cooks; cook++) {
    const own = steps.filter((step) => step.cook === cook);
    rows.push(
      row(
        { key: `hands-${cook}`, kind: 'hands', number: cook, name: '' },
        own.map((step) => ({ step, from: step.start, to: step.start + step.hands, heat: null })),
      ),
    );
  }
  const units = new Map<string, { name: string; number: number; bars: Stretch[] }>();
  for (const step of steps)
    for (const { name, unit, at } of step.end > step.start ? step.on : []) {
      const key = `${name}-${unit}`;
      const found = units.get(key) ?? { name, number: unit, bars: [] };
      units.set(key, found);
      found.bars.push({ step, from: step.start, to: step.end, heat: at });
    }
  const names = [...new Set(steps.flatMap(({ on }) => on.map(({ name }) => name)))].sort(
    (a, b) => rankOf(a) - rankOf(b) || (a < b ? -1 : 1),
  );
  for (const name of names)
    for (const unit of [...units.values()].filter((one) => one.name === name).sort((a, b) => a.number - b.number))
      rows.push(row({ key: `${name}-${unit.number}`, kind: 'unit', number: unit.number, name }, unit.bars));
  const standing = steps.filter(({ on, hands, start, end }) => on.length === 0 && end > start + hands);
  if (standing.length > 0)
    rows.push(
      row(
        { key: 'stands', kind: 'stands', number: 1, name: '' },
        standing.map((step) => ({ step, from: step.start, to: step.end, heat: null })),
      ),
    );
  return rows;
}

interface Stretch {
  readonly step: PlannedStep;
  readonly from: number;
  readonly to: number;
  readonly heat: number | null;
}

/** Rings and oven first, as every kitchen has them. */
function rankOf(name: string): number {
  const rank = ['hob', 'oven'].indexOf(name);
  return rank < 0 ? 2 : rank;
}

function row(head: Pick<TimelineRow, 'key' | 'kind' | 'number' | 'name'>, stretches: readonly Stretch[]): TimelineRow {
  const ends: number[] = [];
  const bars = [...stretches]
    .sort((a, b) => a.from - b.from || a.to - b.to)
    .map((stretch): TimelineBar => {
      const free = ends.findIndex((end) => end <= stretch.from);
      const lane = free < 0 ? ends.length : free;
      ends[lane] = stretch.to;
      return { ...stretch, hands: Math.min(stretch.to, stretch.step.start + stretch.step.hands), lane };
    });
  return { ...head, lanes: Math.max(1, ends.length), bars };
}

/** Stretches in which a cook has nothing in hand, between the first and the last thing. */
export function freeStretches(bars: readonly TimelineBar[], least: number): { readonly from: number; readonly to: number }[] {
  const free: { from: number; to: number }[] = [];
  let until: number | undefined;
  for (const { from, to } of [...bars].sort((a, b) => a.from - b.from)) {
    if (until !== undefined && from - until >= least) free.push({ from: until, to: from });
    until = Math.max(until ?? to, to);
  }
  return free;
}
