import { sameDocument } from '../recipe/index.js';
import type { Batch, BatchBox, BatchLine, BatchPart, Cooking, LeftTo, MeasuredTemperature, PaidPack, PhotoTaken, Timer } from './batch.js';

/** What is said of a batch as a whole. */
export type BatchHead = Pick<Batch, 'date' | 'servings' | 'variant' | 'minutes' | 'rating' | 'note' | 'by' | 'leaveOut'>;

/**
 * One thing that was measured or done at a batch. Each says all of what it is about and nothing of the rest, so that those of two
 * devices can be put one behind the other in any order that they reach the kitchen in, and none undoes another's work.
 */
export type BatchEdit =
  /** What was weighed or done of a line: in place of what was said of it before. */
  | { readonly do: 'line'; readonly line: Extract<BatchLine, { readonly at: string }> }
  /** A line is as it was planned again. */
  | { readonly do: 'as planned'; readonly at: string }
  /** One more thing went in. */
  | { readonly do: 'more'; readonly line: Extract<BatchLine, { readonly part: string }> }
  | { readonly do: 'no more'; readonly line: Extract<BatchLine, { readonly part: string }> }
  /** What came out of a part: in place of what was said of it before. */
  | { readonly do: 'part'; readonly part: BatchPart }
  | { readonly do: 'unmeasured'; readonly part: string }
  /** What was thrown away of a part; no grams: as the recipe has it. */
  | { readonly do: 'discard'; readonly part: string; readonly food: string; readonly grams?: number }
  | { readonly do: 'paid'; readonly pack: PaidPack }
  | { readonly do: 'unpaid'; readonly pack: PaidPack }
  /** All boxes, as they were filled; none: by the recipe's portions. */
  | { readonly do: 'boxes'; readonly boxes: readonly BatchBox[] }
  /** What no box holds of a part goes there; null: nothing is said of it. */
  | { readonly do: 'left'; readonly part: string; readonly to: LeftTo | null }
  /** A temperature was measured; of one step at one moment there is one. */
  | { readonly do: 'temperature'; readonly reading: MeasuredTemperature }
  /** How it looked: in place of the photo before. */
  | { readonly do: 'photo'; readonly photo: PhotoTaken }
  | { readonly do: 'no photo' }
  /** Things said of the whole; null: nothing is said of it any more. */
  | { readonly do: 'say'; readonly head: { readonly [Key in keyof BatchHead]?: BatchHead[Key] | null } }
  /** A step is in hand. */
  | { readonly do: 'step'; readonly step: number }
  | { readonly do: 'step done'; readonly step: number; readonly done: boolean }
  /** A line is out and ready, or is not. */
  | { readonly do: 'ready'; readonly at: string; readonly ready: boolean }
  | { readonly do: 'way'; readonly step: number; readonly way: string | null }
  | { readonly do: 'timer'; readonly timer: Timer }
  | { readonly do: 'timer stopped'; readonly id: string }
  /** It is cooked: how far it was is forgotten, with what it took. */
  | { readonly do: 'finish'; readonly minutes?: Batch['minutes'] }
  /** It is taken up again. */
  | { readonly do: 'resume'; readonly begun: string };

export const BATCH_EDITS = [
  'line',
  'as planned',
  'more',
  'no more',
  'part',
  'unmeasured',
  'discard',
  'paid',
  'unpaid',
  'boxes',
  'left',
  'temperature',
  'photo',
  'no photo',
  'say',
  'step',
  'step done',
  'ready',
  'way',
  'timer',
  'timer stopped',
  'finish',
  'resume',
] as const satisfies readonly BatchEdit['do'][];

/** The batch with one thing more measured or done at it. What is said of a cook that is over changes nothing. */
export function editedBatch(batch: Batch, edit: BatchEdit): Batch {
  switch (edit.do) {
    case 'line':
      return withList(batch, 'lines', [...linesBut(batch, edit.line.at), edit.line]);
    case 'as planned':
      return withList(batch, 'lines', linesBut(batch, edit.at));
    case 'more':
      return withList(batch, 'lines', [...(batch.lines ?? []), edit.line]);
    case 'no more':
      return withList(batch, 'lines', withoutOne(batch.lines ?? [], edit.line));
    case 'part':
      return withList(batch, 'parts', [...(batch.parts ?? []).filter(({ part }) => part !== edit.part.part), edit.part]);
    case 'unmeasured':
      return withList(
        batch,
        'parts',
        (batch.parts ?? []).filter(({ part }) => part !== edit.part),
      );
    case 'discard': {
      const others = (batch.discards ?? []).filter(({ part, food }) => part !== edit.part || food !== edit.food);
      const { part, food, grams } = edit;
      return withList(batch, 'discards', grams === undefined ? others : [...others, { part, food, grams }]);
    }
    case 'paid':
      return withList(batch, 'paid', [...(batch.paid ?? []), edit.pack]);
    case 'unpaid':
      return withList(batch, 'paid', withoutOne(batch.paid ?? [], edit.pack));
    case 'boxes':
      return withList(batch, 'boxes', edit.boxes);
    case 'left': {
      const { leftTo = {}, ...rest } = batch;
      const others = Object.entries(leftTo).filter(([part]) => part !== edit.part);
      const all = [...others, ...(edit.to === null ? [] : [[edit.part, edit.to] as const])];
      return all.length === 0 ? rest : { ...rest, leftTo: Object.fromEntries(all) };
    }
    case 'temperature': {
      const others = (batch.temperatures ?? []).filter(({ step, at }) => step !== edit.reading.step || at !== edit.reading.at);
      return { ...batch, temperatures: [...others, edit.reading] };
    }
    case 'photo':
      return { ...batch, photo: edit.photo };
    case 'no photo': {
      const { photo: _, ...rest } = batch;
      return rest;
    }
    case 'say':
      return said(batch, edit.head);
    case 'finish': {
      const { cooking: _, ...done } = batch;
      return edit.minutes === undefined ? done : { ...done, minutes: { ...done.minutes, ...edit.minutes } };
    }
    case 'resume':
      return batch.cooking ? batch : { ...batch, cooking: { begun: edit.begun, step: 0 } };
    default:
      return batch.cooking ? { ...batch, cooking: cookedOn(batch.cooking, edit) } : batch;
  }
}

type CookingEdit = Extract<BatchEdit, { readonly do: 'step' | 'step done' | 'ready' | 'way' | 'timer' | 'timer stopped' }>;

function cookedOn(cooking: Cooking, edit: CookingEdit): Cooking {
  switch (edit.do) {
    case 'step':
      return { ...cooking, step: edit.step };
    case 'step done':
      return { ...cooking, done: toggled(cooking.done ?? [], edit.step, edit.done).sort((a, b) => a - b) };
    case 'ready':
      return { ...cooking, ready: toggled(cooking.ready ?? [], edit.at, edit.ready) };
    case 'way': {
      const others = Object.entries(cooking.ways ?? {}).filter(([step]) => step !== String(edit.step));
      return { ...cooking, ways: Object.fromEntries([...others, ...(edit.way === null ? [] : [[String(edit.step), edit.way] as const])]) };
    }
    case 'timer':
      return { ...cooking, timers: [...(cooking.timers ?? []).filter(({ id }) => id !== edit.timer.id), edit.timer] };
    case 'timer stopped':
      return { ...cooking, timers: (cooking.timers ?? []).filter(({ id }) => id !== edit.id) };
  }
}

function linesBut(batch: Batch, at: string): readonly BatchLine[] {
  return (batch.lines ?? []).filter((line) => !('at' in line) || line.at !== at);
}

/** A list without the first that is the same. */
function withoutOne<One extends object>(list: readonly One[], gone: One): readonly One[] {
  const at = list.findIndex((one) => sameDocument(one, gone));
  return at < 0 ? list : [...list.slice(0, at), ...list.slice(at + 1)];
}

function toggled<One>(list: readonly One[], one: One, there: boolean): One[] {
  const others = list.filter((other) => other !== one);
  return there ? [...others, one] : others;
}

/** A list that is empty is not written. */
function withList<Key extends 'lines' | 'parts' | 'discards' | 'paid' | 'boxes'>(
  batch: Batch,
  key: Key,
  list: NonNullable<Batch[Key]>,
): Batch {
  const { [key]: _, ...rest } = batch;
  return list.length === 0 ? (rest as Batch) : { ...(rest as Batch), [key]: list };
}

function said(batch: Batch, head: Extract<BatchEdit, { readonly do: 'say' }>['head']): Batch {
  const entries = Object.entries({ ...batch, ...head }).filter(([, value]) => value !== null && value !== undefined);
  return Object.fromEntries(entries) as unknown as Batch;
}
