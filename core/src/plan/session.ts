import type { StepUse } from '../recipe/index.js';

/** A dish of a session. */
export interface SessionDish {
  /** The recipe's id. */
  readonly recipe: string;
  /** Servings made; left out: the recipe's. They change no time. */
  readonly boxes?: number;
  /** Another way for a step: the way's name, by the step's number. */
  readonly choose?: { readonly [step: string]: string };
}

/** What there is of one kind of equipment. */
export interface Equipment {
  /** As steps call it. */
  readonly name: string;
  /** Units; left out: one. */
  readonly count?: number;
  /** Places of one unit; left out: one. */
  readonly shelves?: number;
}

/** A step that was begun. Minutes from the session's start. */
export interface DoneStep {
  /** From 1. */
  readonly dish: number;
  /** From 1. */
  readonly step: number;
  readonly start: number;
  /** Left out: it is under way. */
  readonly end?: number;
}

/** A step that somebody wants to start at just this minute of the session. */
export interface PinnedStep {
  /** From 1. */
  readonly dish: number;
  /** From 1. */
  readonly step: number;
  readonly start: number;
}

/** What a step takes in this session, where that is another than its recipe says. */
export interface AdjustedStep {
  /** From 1. */
  readonly dish: number;
  /** From 1. */
  readonly step: number;
  readonly minutes?: number;
  readonly hands?: number;
  readonly uses?: readonly StepUse[];
  /** Minutes that it may wait once what it waits for is done. */
  readonly within?: number;
}

/** Dishes cooked together, by whom and with what (kitchen file, Session). */
export interface Session {
  readonly id: string;
  /** ISO day. */
  readonly date: string;
  readonly dishes: readonly SessionDish[];
  /** "09:30"; left out: "09:00". */
  readonly start?: string;
  /** People; left out: one. */
  readonly cooks?: number;
  readonly equipment?: readonly Equipment[];
  /** Degrees C that lie between the lowest and the highest heat in one unit at most; left out: none. */
  readonly ovenTolerance?: number;
  readonly done?: readonly DoneStep[];
  /** Steps that take another time or place in this session. */
  readonly adjusted?: readonly AdjustedStep[];
  /** Steps put where they are by hand; where no plan can keep that, they start as soon after as they can. */
  readonly pinned?: readonly PinnedStep[];
  /** What it is called: "Sunday prep". */
  readonly name?: string;
  /** Names of the cooks, in order. */
  readonly cookNames?: readonly string[];
  /** "18:00": its start follows from when it is to be over. */
  readonly finishBy?: string;
}

/** When a session begins where it does not say. */
export const USUAL_START = '09:00';
