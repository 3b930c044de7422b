import { lineWords, saidTimes, stepSpans, type SaidTime } from '../../text/index.js';
import { piecesOf, placesByReference, stepOf, type Kitchen, type Line, type Recipe, type StepWithPart } from '../../recipe/index.js';

/** A stretch of a text. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** A temperature that a text says, °C. */
export interface SaidHeat extends Stretch {
  readonly celsius: number;
}

/** A step as its words are read: ingredients by what they are called in it. */
export interface StepReading {
  /** From 1. */
  readonly number: number;
  /** "step/3". */
  readonly at: string;
  readonly step: StepWithPart;
  /** Another way to do the step, told beside it. */
  readonly isWay: boolean;
  readonly text: string;
  /** Lines that it mentions, as "part/number", and where their words stand. */
  readonly mentions: readonly (Stretch & { readonly line: string; readonly bare: boolean })[];
  readonly times: readonly SaidTime[];
  readonly heats: readonly SaidHeat[];
}

/** The steps of a recipe in order, each followed by its other ways. */
export function stepReadings(recipe: Recipe, kitchen: Kitchen): StepReading[] {
  const places = placesByReference(recipe);
  const lines = new Map<string, Line>(recipe.parts.flatMap((part) => part.lines.map((line, i) => [`${part.id}/${i + 1}`, line] as const)));
  return (recipe.steps ?? [])
    .map(stepOf)
    .flatMap((step, i) => [
      reading(step.text, { number: i + 1, step, isWay: false }),
      ...(step.or ?? []).map((way) => reading(way.text, { number: i + 1, step, isWay: true })),
    ]);

  function reading(written: string, of: Pick<StepReading, 'number' | 'step' | 'isWay'>): StepReading {
    let text = '';
    const mentions: StepReading['mentions'][number][] = [];
    for (const piece of piecesOf(written)) {
      if (typeof piece === 'string') {
        text += piece;
        continue;
      }
      const line = places.get(piece.at) ?? piece.at;
      const called = piece.words === '' ? nameOf(lines.get(line), kitchen) : piece.words;
      mentions.push({ line, bare: piece.bare, from: text.length, to: text.length + called.length });
      text += called;
    }
    return { ...of, at: `step/${of.number}`, text, mentions, times: saidTimes(text), heats: heatsIn(text) };
  }
}

function nameOf(line: Line | undefined, kitchen: Kitchen): string {
  if (!line) return 'ingredient';
  const food = line.food === undefined ? undefined : kitchen.food(line.food);
  return lineWords(line, food).food;
}

/** Temperatures that a text says, °C. */
export function heatsIn(text: string): SaidHeat[] {
  return stepSpans(text).flatMap((span) =>
    span.kind === 'temperature' ? [{ from: span.from, to: span.to, celsius: span.temperature.celsius }] : [],
  );
}

/** The sentence that a place of a text stands in; a semicolon parts as a full stop does. */
export function sentenceAt(text: string, at: number): Stretch {
  return stretchAt(text, at, /[.!?;](?=\s|$)/g);
}

/** The clause: sentences are parted by commas, colons and "then" too. */
export function clauseAt(text: string, at: number): Stretch {
  return stretchAt(text, at, /[.!?;,:](?=\s|$)|(?<=\s)then(?=\s)/g);
}

function stretchAt(text: string, at: number, ends: RegExp): Stretch {
  let from = 0;
  for (const end of text.matchAll(ends)) {
    if (end.index >= at) return { from, to: end.index };
    from = end.index + end[0].length;
  }
  return { from, to: text.length };
}

/** The words of a stretch. */
export function wordsOf(text: string, { from, to }: Stretch): string {
  return text.slice(from, to);
}
