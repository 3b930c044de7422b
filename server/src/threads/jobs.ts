import { FORMAT_TABLE, type BookletFormat, type BookletTitle, type BoundCard, type FigureKey, type Format } from '@portiona/core';
import type { OnceKey } from '../database/once.js';
import { readSent } from '../http/readBody.js';
import { NewDto, SaveDto } from '../http/saved.dto.js';
import type { MergeDto } from '../merges/merge.dto.js';
import { SeenPricesDto } from '../receipts/receipt.dto.js';
import { within } from '../database/wall.js';
import { houseScope, type Scope } from '../scope/scope.js';
import type { BeginningDto } from '../imports/beginning.dto.js';
import { BatchEditsDto } from '../batches/batch.dto.js';
import type { LabelOrder } from '../labels/labels.service.js';
import type { ReadersPlace } from '../cards/readersPlace.js';
import type { ReadingOrder } from '../reading/outCards.js';
import type { House } from './house.js';

/** Work that computes much: always in a thread, so that nobody else waits for it. */
export const THREAD_JOBS = {
  settleRecipes: async (house: House, scope: Scope) => {
    await house.summaries.settle(scope);
    return '';
  },
  judgeRecipes: (house: House, scope: Scope, brief: object) => house.lists.judged(scope, brief),
  priceMoves: (house: House, scope: Scope) => house.packs.moves(scope),
  swapFood: (house: House, scope: Scope, from: string, to: string) => house.figures.swaps(scope, from, to),
  foundAgain: (house: House, scope: Scope) => house.figures.foundAgain(scope),
  dishesOf: (house: House, scope: Scope, id: string) => house.subRecipes.dishes(scope, id),
  upstreamChanges: (house: House, scope: Scope, id: string) => house.upstream.get(scope, id),
  errorModel: (house: House, scope: Scope, id: string, figure: FigureKey, choices: boolean) =>
    house.figures.errorModel(scope, id, figure, choices),
  previewMerge: (house: House, scope: Scope, wanted: MergeDto) => house.merges.preview(scope, wanted),
  mergeFoods: (house: House, scope: Scope, wanted: MergeDto) => house.merges.merge(scope, wanted),
  publishCard: (house: House, scope: Scope, id: string, correction?: string, once?: OnceKey) =>
    house.cards.publish(scope, id, correction, once),
  cardIssues: (house: House, scope: Scope, id: string) => house.cards.issues(scope, id),
  takeCardBack: (house: House, scope: Scope, id: string, issue: number, because: string | null) =>
    house.cards.takeBack(scope, id, issue, because),
  cardPage: (house: House, scope: Scope, id: string, issue?: number, place?: ReadersPlace) => house.cards.page(scope, id, issue, place),
  cardEmbed: (house: House, scope: Scope, id: string, asPage: boolean, issue?: number) => house.cards.embed(scope, id, asPage, issue),
  cardSheet: (house: House, scope: Scope, id: string, format: Format, issue?: number) => house.cards.sheetPage(scope, id, format, issue),
  cardPng: (house: House, scope: Scope, id: string, format: Format, page: number, issue?: number) =>
    house.cards.png(scope, id, format, page, issue),
  cardSvg: (house: House, scope: Scope, id: string, format: Format, page: number, issue?: number) =>
    house.cards.svg(scope, id, format, page, issue),
  cardInputs: (house: House, scope: Scope, id: string, issue: number) => house.cards.inputs(scope, id, issue),
  cardPdf: (house: House, scope: Scope, id: string, format: Format, issue?: number) => house.cards.pdf(scope, id, format, issue),
  cardMarkdown: (house: House, scope: Scope, id: string) => house.cards.markdown(scope, id),
  cardSchemaOrg: (house: House, scope: Scope, id: string, issue?: number, place?: ReadersPlace) =>
    house.cards.schemaOrg(scope, id, issue, place),
  cardDish: (house: House, scope: Scope, id: string, issue?: number) => house.cards.dish(scope, id, issue),
  boundCard: async (house: House, scope: Scope, id: string, issue: number | null, format: BookletFormat) =>
    JSON.stringify(await house.cards.bound(scope, id, format, issue ?? undefined)),
  boundBooklet: (house: House, scope: Scope, title: BookletTitle, cards: readonly string[], format: BookletFormat) =>
    house.cards.booklet(
      scope,
      title,
      cards.map((card) => JSON.parse(card) as BoundCard),
      format,
    ),
  bundledPages: (house: House, scope: Scope, id: string, issue: number | null, format: Format) =>
    house.cards.pageCount(scope, id, format, issue ?? undefined),
  bundledCard: (house: House, scope: Scope, id: string, issue: number | null, format: Format, page: number) =>
    FORMAT_TABLE[format].unit === 'pt'
      ? house.cards.pdf(scope, id, format, issue ?? undefined)
      : house.cards.png(scope, id, format, page, issue ?? undefined),
  bundledText: (house: House, scope: Scope, id: string, issue: number | null, kind: 'html' | 'md' | 'jsonld' | 'piece') => {
    const as = issue ?? undefined;
    return {
      html: () => house.cards.page(scope, id, as),
      md: () => house.cards.markdown(scope, id, as),
      jsonld: () => house.cards.schemaOrg(scope, id, as),
      piece: () => house.cards.embed(scope, id, false, as),
    }[kind]();
  },
  readingIndex: (house: House, scope: Scope, place: ReadersPlace, order: ReadingOrder, series?: string) =>
    house.reading.index(scope, place, order, series),
  readingFeed: (house: House, scope: Scope, place: ReadersPlace, kind: 'atom' | 'json') => house.reading.feed(scope, place, kind),
  readingMap: (house: House, scope: Scope, place: ReadersPlace) => house.reading.sitemap(scope, place),
  exportKitchen: (house: House, scope: Scope, photos: boolean) => house.exports.kitchenFile(scope, photos),
  /** Puts what one kitchen holds into another, which is empty. */
  copyKitchen: async (house: House, scope: Scope, to: string, name: string) => {
    const text = await house.exports.kitchenFile(scope, true);
    await within(to, () => house.imports.kitchenFile(houseScope(to), new TextEncoder().encode(text), name));
    return '';
  },
  exportRecipe: (house: House, scope: Scope, id: string) => house.exports.recipeFile(scope, id),
  exportFoods: (house: House, scope: Scope) => house.exports.foodsSheet(scope),
  exportPrices: (house: House, scope: Scope) => house.exports.pricesSheet(scope),
  exportBatches: (house: House, scope: Scope, recipe?: string) => house.exports.batchesSheet(scope, recipe),
  exportShopping: (house: House, scope: Scope, sessions: readonly string[]) => house.exports.shoppingSheet(scope, sessions),
  exportShoppingPdf: (house: House, scope: Scope, sessions: readonly string[]) => house.exports.shoppingPdf(scope, sessions),
  exportSessions: (house: House, scope: Scope) => house.exports.sessionsCalendar(scope),
  usesUpLeft: (house: House, scope: Scope, sessions: readonly string[]) => house.shopping.usesUp(scope, sessions),
  exportShoppingText: (house: House, scope: Scope, sessions: readonly string[]) => house.exports.shoppingText(scope, sessions),
  exportRecipes: (house: House, scope: Scope) => house.exports.recipesSheet(scope),
  exportLines: (house: House, scope: Scope, id: string) => house.exports.linesSheet(scope, id),
  labelsPdf: (house: House, scope: Scope, id: string, order: LabelOrder, address: string) => house.labels.pdf(scope, id, order, address),
  logBatches: (house: House, scope: Scope, recipe?: string) => house.batches.log(scope, recipe),
  shoppingFor: (house: House, scope: Scope, sessions: readonly string[]) => house.shopping.get(scope, sessions),
  openWeek: (house: House, scope: Scope, from: string) => house.weeks.open(scope, from),
  importStarterPantry: (house: House, scope: Scope, once?: OnceKey) => house.imports.starterPantry(scope, once),
  beginKitchen: (house: House, scope: Scope, beginning: BeginningDto, once?: OnceKey) => house.imports.begin(scope, beginning, once),
} as const;

/** Work on what a request brought: where it stands when that is small, in a thread when it is large. */
export const BODY_JOBS = {
  createRecipe: (house: House, body: unknown, scope: Scope, once?: OnceKey) =>
    house.recipes.create(scope, readSent(NewDto, body).document, once),
  saveRecipe: (house: House, body: unknown, scope: Scope, id: string) => {
    const { revision, document } = readSent(SaveDto, body);
    return house.recipes.save(scope, id, revision, document);
  },
  createFood: (house: House, body: unknown, scope: Scope, once?: OnceKey) =>
    house.foods.create(scope, readSent(NewDto, body).document, once),
  saveFood: (house: House, body: unknown, scope: Scope, id: string) => {
    const { revision, document } = readSent(SaveDto, body);
    return house.foods.save(scope, id, revision, document);
  },
  createPack: (house: House, body: unknown, scope: Scope, once?: OnceKey) =>
    house.packs.create(scope, readSent(NewDto, body).document, once),
  savePack: (house: House, body: unknown, scope: Scope, id: string) => {
    const { revision, document } = readSent(SaveDto, body);
    return house.packs.save(scope, id, revision, document);
  },
  createBatch: (house: House, body: unknown, scope: Scope, once?: OnceKey) =>
    house.batches.create(scope, readSent(NewDto, body).document, once),
  saveBatch: (house: House, body: unknown, scope: Scope, id: string) => {
    const { revision, document } = readSent(SaveDto, body);
    return house.batches.save(scope, id, revision, document);
  },
  editBatch: (house: House, body: unknown, scope: Scope, id: string) => house.batches.edit(scope, id, readSent(BatchEditsDto, body).edits),
  createSession: (house: House, body: unknown, scope: Scope, once?: OnceKey) =>
    house.sessions.create(scope, readSent(NewDto, body).document, once),
  saveSession: (house: House, body: unknown, scope: Scope, id: string) => {
    const { revision, document } = readSent(SaveDto, body);
    return house.sessions.save(scope, id, revision, document);
  },
  createWeek: (house: House, body: unknown, scope: Scope, once?: OnceKey) =>
    house.weeks.create(scope, readSent(NewDto, body).document, once),
  saveWeek: (house: House, body: unknown, scope: Scope, id: string) => {
    const { revision, document } = readSent(SaveDto, body);
    return house.weeks.save(scope, id, revision, document);
  },
  addPrices: (house: House, body: unknown, scope: Scope, once?: OnceKey) =>
    house.receipts.add(scope, readSent(SeenPricesDto, body).prices, once),
  importKitchenFile: (house: House, body: unknown, scope: Scope, name: string | undefined, keep: boolean, once?: OnceKey) =>
    house.imports.kitchenFile(scope, body, name, keep, once),
  takePhoto: (house: House, body: unknown, scope: Scope) => house.photos.take(scope, body as Uint8Array),
} as const;

/** Work that reads its body itself, as it was sent. */
export const AS_SENT: ReadonlySet<string> = new Set<keyof typeof BODY_JOBS>(['importKitchenFile', 'takePhoto']);

type Jobs = typeof THREAD_JOBS & typeof BODY_JOBS;
/** What a job is given besides the services; of a body job, the body is the first of it. */
type Given<Job> = Job extends (house: House, ...given: infer Rest) => unknown ? Rest : never;

export type ThreadJob = keyof typeof THREAD_JOBS;
export type BodyJob = keyof typeof BODY_JOBS;
export type GivenTo<Name extends ThreadJob> = Given<(typeof THREAD_JOBS)[Name]> extends [Scope, ...infer Rest] ? Rest : never;
export type MadeBy<Name extends keyof Jobs> = Awaited<ReturnType<Jobs[Name]>>;

/** What a body job is given besides the body and the scope. */
export type GivenBeside<Name extends BodyJob> = Given<(typeof BODY_JOBS)[Name]> extends [unknown, Scope, ...infer Rest] ? Rest : never;

/** Jobs that write, which wait for their turn before a thread is taken for them. A photo is made long before it is written. */
export const WRITING: ReadonlySet<keyof Jobs> = new Set<keyof Jobs>([
  ...(Object.keys(BODY_JOBS) as BodyJob[]).filter((job) => job !== 'takePhoto'),
  'mergeFoods',
  'publishCard',
  'takeCardBack',
  'importStarterPantry',
  'beginKitchen',
]);
/** Jobs that draw pages and papers: slower than the rest, and given a thread of their own. */
export const DRAWING: ReadonlySet<keyof Jobs> = new Set<keyof Jobs>([
  'cardPage',
  'cardSheet',
  'cardPng',
  'cardSvg',
  'cardPdf',
  'cardDish',
  'cardSchemaOrg',
  'labelsPdf',
  'takePhoto',
]);
/** Jobs that bind many cards: they have a thread of their own, and nobody who looks at a card waits for them. */
export const BINDING: ReadonlySet<keyof Jobs> = new Set<keyof Jobs>([
  'boundCard',
  'boundBooklet',
  'bundledPages',
  'bundledCard',
  'bundledText',
]);
