import type { Batch } from '../batch/index.js';
import type { Session } from '../plan/index.js';
import type { KitchenContent, Settings } from '../recipe/index.js';
import type { StockItem } from '../shop/index.js';
import type { Person, Week } from '../week/index.js';
import { batchFaults } from './batchFaults.js';
import { BatchEntry } from './batchFile.js';
import { didYouMean, MOST_FAULTS, type Fault } from './fault.js';
import { FoodEntry, PackEntry, RecipeEntry, type KitchenSettings } from './kitchenFile.js';
import { PhotoEntry, type WrittenPhoto } from './photoFile.js';
import { SessionEntry, StockEntry } from './sessionFile.js';
import { sessionFaults, stockFaults } from './sessionFaults.js';
import { personFaults, weekFaults, weeksTwice } from './weekFaults.js';
import { PersonEntry, WeekEntry } from './weekFile.js';
import { KitchenFile } from './wholeFile.js';
import { readEntry, type Read } from './readEntry.js';
import { referenceFaults, twice } from './referenceFaults.js';

/** A kitchen file's content, with the settings as it states them. */
export interface KitchenRead extends KitchenContent {
  readonly batches: readonly Batch[];
  readonly sessions: readonly Session[];
  readonly stock: readonly StockItem[];
  readonly people: readonly Person[];
  readonly weeks: readonly Week[];
  readonly photos: readonly WrittenPhoto[];
  readonly stated?: KitchenSettings;
}

/**
 * Reads a kitchen file: its shape by the classes, then what refers to what.
 *
 * @param found parsed JSON
 * @param today ISO date, where the file states none
 */
export function readKitchen(found: unknown, today: string): Read<KitchenRead> {
  if (typeof found !== 'object' || found === null || Array.isArray(found)) return { ok: false, faults: [NO_FILE] };
  const taking = new KitchenTaking();
  for (const [key, held] of Object.entries(found)) {
    if (!isListKey(key) || !Array.isArray(held)) taking.takeHead(key, held);
    else for (const [index, one] of held.entries()) if (!taking.takeMember(key, index, one)) break;
  }
  return taking.kitchen(today);
}

const NO_FILE: Fault = { path: '', message: 'must be an object' };

/** Settings with what is left out filled in (kitchen file, top level). */
export function fullSettings(settings: KitchenSettings | undefined, today: string): Settings {
  return { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: today, ...settings };
}

/** Classes of the lists' members. */
const MEMBERS = {
  foods: FoodEntry,
  packs: PackEntry,
  recipes: RecipeEntry,
  batches: BatchEntry,
  sessions: SessionEntry,
  stock: StockEntry,
  people: PersonEntry,
  weeks: WeekEntry,
  photos: PhotoEntry,
} as const;
type ListKey = keyof typeof MEMBERS;

/** Whether a key of the file holds a list of entries. */
export function isListKey(key: string): key is ListKey {
  return Object.hasOwn(MEMBERS, key);
}

/** A kitchen file being read, entry by entry: shape first, and of what has one, what refers to what; all faults are told at once. */
export class KitchenTaking {
  readonly #places = {
    foods: [] as (FoodEntry | undefined)[],
    packs: [] as (PackEntry | undefined)[],
    recipes: [] as (RecipeEntry | undefined)[],
    batches: [] as (BatchEntry | undefined)[],
    sessions: [] as (SessionEntry | undefined)[],
    stock: [] as (StockEntry | undefined)[],
    people: [] as (PersonEntry | undefined)[],
    weeks: [] as (WeekEntry | undefined)[],
    photos: [] as (PhotoEntry | undefined)[],
  };
  readonly #unread = {
    foods: new Set<string>(),
    packs: new Set<string>(),
    recipes: new Set<string>(),
    batches: new Set<string>(),
    sessions: new Set<string>(),
    stock: new Set<string>(),
    people: new Set<string>(),
    weeks: new Set<string>(),
    photos: new Set<string>(),
  };
  readonly #head: [string, unknown][] = [];
  readonly #faults: Fault[] = [];
  /** Some entries are not known at all: nothing can be said of what refers to what. */
  #broken = false;

  /** What was found wrong so far. */
  get faults(): readonly Fault[] {
    return this.#faults;
  }

  /** Takes what stands at a key that holds no list of entries. */
  takeHead(key: string, found: unknown): void {
    this.#head.push([key, found]);
    this.#broken ||= isListKey(key);
  }

  /** Notes something that is wrong with the file itself. @returns whether more is to be read */
  fault(fault: Fault): boolean {
    this.#broken = true;
    this.#faults.push(fault);
    return this.#faults.length < MOST_FAULTS;
  }

  /** Takes one entry of a list. @returns whether more is to be read */
  takeMember(key: ListKey, index: number, found: unknown): boolean {
    const read = readEntry<object>(MEMBERS[key], found, `${key}[${index}]`);
    const list: (object | undefined)[] = this.#places[key];
    list[index] = read.ok ? read.entry : undefined;
    if (read.ok) return true;
    this.#faults.push(...read.faults);
    const id = typeof found === 'object' && found !== null && 'id' in found ? found.id : undefined;
    if (typeof id === 'string') this.#unread[key].add(id);
    return this.#faults.length < MOST_FAULTS;
  }

  /** The kitchen, once all of it is taken; or every fault, at most `MOST_FAULTS`. */
  kitchen(today: string): Read<KitchenRead> {
    const read = readEntry(KitchenFile, Object.fromEntries(this.#head));
    const faults = [...(read.ok ? [] : read.faults), ...this.#faults];
    // Where the settings cannot be read, no unit is held against a system that was perhaps not meant.
    const measures = read.ok ? fullSettings(read.entry.settings, today).measures : 'us';
    if (faults.length < MOST_FAULTS && !this.#broken)
      for (const fault of this.#betweenEntries(measures)) if (faults.push(fault) >= MOST_FAULTS) break;
    if (!read.ok || faults.length > 0) return { ok: false, faults: faults.slice(0, MOST_FAULTS) };
    const { settings } = read.entry;
    const lists = this.#places as {
      foods: FoodEntry[];
      packs: PackEntry[];
      recipes: RecipeEntry[];
      batches: BatchEntry[];
      sessions: SessionEntry[];
      stock: StockEntry[];
      people: PersonEntry[];
      weeks: WeekEntry[];
      photos: PhotoEntry[];
    };
    return { ok: true, entry: { settings: fullSettings(settings, today), ...lists, ...(settings ? { stated: settings } : {}) } };
  }

  /** Faults between entries: what refers to what is not there. */
  *#betweenEntries(measures: Settings['measures']): Generator<Fault> {
    yield* referenceFaults(this.#places, this.#unread, { measures });
    const { foods, recipes, batches } = this.#places;
    const byId = <Entry extends { readonly id: string }>(entries: readonly (Entry | undefined)[]) =>
      new Map(entries.flatMap((entry) => (entry ? [[entry.id, entry] as const] : [])));
    const ground = {
      foods: byId(foods),
      recipes: byId(recipes),
      settings: { measures },
      unread: new Set([...this.#unread.foods, ...this.#unread.recipes]),
    };
    yield* twice(batches, 'batches');
    for (const [i, batch] of batches.entries()) if (batch) yield* batchFaults(batch, ground, `batches[${i}]`);
    const { sessions, stock } = this.#places;
    yield* twice(sessions, 'sessions');
    for (const [i, session] of sessions.entries()) if (session) yield* sessionFaults(session, ground, `sessions[${i}]`);
    for (const [i, held] of stock.entries()) if (held) yield* stockFaults(held, ground, `stock[${i}]`);
    const { people, weeks } = this.#places;
    yield* twice(people, 'people');
    const there = people.filter((one) => one !== undefined);
    for (const [i, person] of people.entries()) if (person) yield* personFaults(person, there, `people[${i}]`);
    yield* twice(weeks, 'weeks');
    yield* weeksTwice(weeks, 'weeks');
    const spoken = {
      people: new Set(there.map(({ id }) => id)),
      ...{ batches: byId(batches), sessions: byId(sessions) },
      unread: new Set([...this.#unread.people, ...this.#unread.batches, ...this.#unread.sessions]),
    };
    for (const [i, week] of weeks.entries()) if (week) yield* weekFaults(week, spoken, `weeks[${i}]`);
    yield* this.#photoFaults();
  }

  /** Photos named twice, and recipes and batches that name one which is not in the file. */
  *#photoFaults(): Generator<Fault> {
    const { recipes, batches, photos } = this.#places;
    yield* twice(photos, 'photos');
    const ids = photos.flatMap((photo) => photo?.id ?? []);
    const there = new Set([...ids, ...this.#unread.photos]);
    for (const [list, entries] of Object.entries({ recipes, batches }))
      for (const [i, entry] of entries.entries()) {
        const id = entry?.photo?.id;
        if (id !== undefined && !there.has(id))
          yield { path: `${list}[${i}].photo.id`, message: `unknown photo "${id}"${didYouMean(id, ids)}` };
      }
  }
}
