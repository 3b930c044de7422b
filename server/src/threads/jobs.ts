import type { FigureKey } from '@portiona/core';
import type { OnceKey } from '../database/once.js';
import type { Paper } from '../cards/cardStyle.js';
import { readSent } from '../http/readBody.js';
import { NewDto, SaveDto } from '../http/saved.dto.js';
import type { MergeDto } from '../merges/merge.dto.js';
import { SeenPricesDto } from '../receipts/receipt.dto.js';
import type { House } from './house.js';

/** Work that computes much: always in a thread, so that nobody else waits for it. */
export const THREAD_JOBS = {
  settleRecipes: async (house: House) => {
    await house.summaries.settle();
    return '';
  },
  judgeRecipes: async (house: House, brief: object) => {
    await house.summaries.settle();
    return house.lists.judged(brief);
  },
  priceMoves: (house: House) => house.packs.moves(),
  swapFood: (house: House, from: string, to: string) => house.figures.swaps(from, to),
  dishesOf: (house: House, id: string) => house.bases.dishes(id),
  recipeBasis: (house: House, id: string) => house.basis.get(id),
  errorModel: (house: House, id: string, figure: FigureKey, choices: boolean) => house.figures.errorModel(id, figure, choices),
  previewMerge: (house: House, wanted: MergeDto) => house.merges.preview(wanted),
  mergeFoods: (house: House, wanted: MergeDto) => house.merges.merge(wanted),
  publishCard: (house: House, id: string, once?: OnceKey) => house.cards.publish(id, once),
  cardPage: (house: House, id: string, paper: Paper, issue?: number) => house.cards.page(id, paper, issue),
  cardInputs: (house: House, id: string, issue: number) => house.cards.inputs(id, issue),
  cardPdf: (house: House, id: string, paper: Paper, issue?: number) => house.cards.pdf(id, paper, issue),
  cardMarkdown: (house: House, id: string) => house.cards.markdown(id),
  cardSchemaOrg: (house: House, id: string) => house.cards.schemaOrg(id),
  exportKitchen: (house: House) => house.exports.kitchenFile(),
  exportRecipe: (house: House, id: string) => house.exports.recipeFile(id),
  exportFoods: (house: House) => house.exports.foodsSheet(),
  exportPrices: (house: House) => house.exports.pricesSheet(),
  exportRecipes: (house: House) => house.exports.recipesSheet(),
  exportLines: (house: House, id: string) => house.exports.linesSheet(id),
  importStarterPantry: (house: House, once?: OnceKey) => house.imports.starterPantry(once),
} as const;

/** Work on what a request brought: where it stands when that is small, in a thread when it is large. */
export const BODY_JOBS = {
  createRecipe: (house: House, body: unknown, once?: OnceKey) => house.recipes.create(readSent(NewDto, body).document, once),
  saveRecipe: (house: House, body: unknown, id: string) => {
    const { revision, document } = readSent(SaveDto, body);
    return house.recipes.save(id, revision, document);
  },
  createFood: (house: House, body: unknown, once?: OnceKey) => house.foods.create(readSent(NewDto, body).document, once),
  saveFood: (house: House, body: unknown, id: string) => {
    const { revision, document } = readSent(SaveDto, body);
    return house.foods.save(id, revision, document);
  },
  createPack: (house: House, body: unknown, once?: OnceKey) => house.packs.create(readSent(NewDto, body).document, once),
  savePack: (house: House, body: unknown, id: string) => {
    const { revision, document } = readSent(SaveDto, body);
    return house.packs.save(id, revision, document);
  },
  addPrices: (house: House, body: unknown, once?: OnceKey) => house.receipts.add(readSent(SeenPricesDto, body).prices, once),
  importKitchenFile: (house: House, body: unknown, name: string | undefined, keep: boolean, once?: OnceKey) =>
    house.imports.kitchenFile(body, name, keep, once),
} as const;

/** Work that reads its body itself, as it was sent. */
export const AS_SENT: ReadonlySet<string> = new Set<keyof typeof BODY_JOBS>(['importKitchenFile']);

type Jobs = typeof THREAD_JOBS & typeof BODY_JOBS;
/** What a job is given besides the services. */
type Given<Job> = Job extends (house: House, ...given: infer Rest) => unknown ? Rest : never;

export type ThreadJob = keyof typeof THREAD_JOBS;
export type BodyJob = keyof typeof BODY_JOBS;
export type GivenTo<Name extends keyof Jobs> = Given<Jobs[Name]>;
export type MadeBy<Name extends keyof Jobs> = Awaited<ReturnType<Jobs[Name]>>;

/** What a body job is given besides the body. */
export type GivenBeside<Name extends BodyJob> = GivenTo<Name> extends [unknown, ...infer Rest] ? Rest : never;

/** Jobs that write, which wait for their turn before a thread is taken for them. */
export const WRITING: ReadonlySet<keyof Jobs> = new Set<keyof Jobs>([
  ...(Object.keys(BODY_JOBS) as BodyJob[]),
  'mergeFoods',
  'publishCard',
  'importStarterPantry',
]);
/** Jobs that draw pages and papers: slower than the rest, and given a thread of their own. */
export const DRAWING: ReadonlySet<keyof Jobs> = new Set<keyof Jobs>(['cardPage', 'cardPdf']);
