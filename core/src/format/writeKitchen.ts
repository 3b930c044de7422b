import type { Batch } from '../batch/index.js';
import type { Food } from '../food/index.js';
import type { Session } from '../plan/index.js';
import type { Pack } from '../price/index.js';
import type { StockItem } from '../shop/index.js';
import type { Person, Week } from '../week/index.js';
import type { WrittenPhoto } from './photoFile.js';
import { sameDocument, withNumbers, type Recipe, type Settings } from '../recipe/index.js';

/** What a kitchen file is written from. */
export interface WrittenKitchen {
  readonly settings: Partial<Settings>;
  readonly foods: readonly Food[];
  readonly packs: readonly Pack[];
  readonly recipes: readonly Recipe[];
  readonly batches?: readonly Batch[];
  readonly sessions?: readonly Session[];
  readonly stock?: readonly StockItem[];
  readonly people?: readonly Person[];
  readonly weeks?: readonly Week[];
  readonly photos?: readonly WrittenPhoto[];
}

/**
 * A kitchen as a kitchen file, without loss: what is read back is what was written, key for key, but for ids that lines were given
 * here. An entry a line, so that two files can be compared.
 */
export function kitchenFileText({
  settings,
  foods,
  packs,
  recipes,
  batches = [],
  sessions = [],
  stock = [],
  people = [],
  weeks = [],
  photos = [],
}: WrittenKitchen): string {
  const list = (entries: readonly object[]) =>
    entries.length === 0 ? '[]' : `[\n${entries.map((entry) => `    ${JSON.stringify(entry)}`).join(',\n')}\n  ]`;
  const lists = [
    `"foods": ${list(foods)}`,
    `"packs": ${list(packs)}`,
    `"recipes": ${list(recipes.map(withNumbers))}`,
    ...(batches.length === 0
      ? []
      : [`"batches": ${list(batches.map((batch) => (batch.then ? { ...batch, then: withNumbers(batch.then) } : batch)))}`]),
    ...(sessions.length === 0 ? [] : [`"sessions": ${list(sessions)}`]),
    ...(stock.length === 0 ? [] : [`"stock": ${list(stock)}`]),
    ...(people.length === 0 ? [] : [`"people": ${list(people)}`]),
    ...(weeks.length === 0 ? [] : [`"weeks": ${list(weeks)}`]),
    ...(photos.length === 0 ? [] : [`"photos": ${list(photos)}`]),
  ];
  return `{\n  "format": "portiona/1",\n  "settings": ${JSON.stringify(settings)},\n${lists.map((one) => `  ${one}`).join(',\n')}\n}\n`;
}

/** A batch with the recipe as it was cooked only where that is another by now: else it is cooked from the recipe as it stands. */
export function withThenIfOther(batch: Batch, recipes: readonly Recipe[]): Batch {
  const { then, ...rest } = batch;
  const now = then && recipes.find(({ id }) => id === batch.recipe);
  return then && now && sameDocument(withNumbers(then), withNumbers(now)) ? rest : batch;
}
