import { idFromName, sameDocument, type FoodEntry, type TableFood } from '@portiona/core';
import type { Database } from '../database/database.js';
import { FoodEntity } from '../foods/food.entity.js';
import type { FoodsService } from '../foods/foods.service.js';
import type { Scope } from '../scope/scope.js';
import type { TableResult } from './tableResult.js';

/** What a row of a table decides in a food; everything else of it (measures, allergens, yields) is the person's. */
const OF_THE_TABLE = ['name', 'state', 'per', 'nutrients', 'carbohydrateIs', 'energyIs', 'source'] as const;

/** Takes foods of a table in, some at a time, in the transaction under way; where it is not to write it only counts. */
export class TableIntake {
  readonly #counts = { added: 0, changed: 0, unchanged: 0, own: 0 };
  readonly #words = new Set<string>();
  #taken: Set<string> | undefined;

  constructor(
    private readonly database: Database,
    private readonly foods: FoodsService,
    private readonly scope: Scope,
    private readonly table: string,
    private readonly writes: boolean,
  ) {}

  get counts(): Pick<TableResult, 'added' | 'changed' | 'unchanged' | 'own'> {
    return this.#counts;
  }

  /** New rows are added, rows of the same code written anew where the table says something else. */
  async take(rows: readonly TableFood[]): Promise<void> {
    const there = await this.#there(rows.map(({ code }) => code));
    const added: { code: string; document: FoodEntry }[] = [];
    const changed: { revision: number; document: FoodEntry }[] = [];
    for (const { code, food } of rows) {
      const before = there.get(code);
      if (!before) added.push({ code, document: { ...food, id: await this.#newId(code) } as FoodEntry });
      else if (before.document.source !== 'table') this.#counts.own++;
      else {
        const document = renewed(before.document, food as Omit<FoodEntry, 'id'>);
        if (sameDocument(document, before.document)) this.#counts.unchanged++;
        else changed.push({ revision: before.revision, document });
      }
    }
    this.#counts.added += added.length;
    this.#counts.changed += changed.length;
    if (this.writes) await this.#write(added, changed);
  }

  /** The last thing before the end: words to find the foods by. Others that save foods meanwhile wait no longer than this takes. */
  async finish(): Promise<void> {
    if (this.writes) await this.foods.learn(this.scope, this.#words);
  }

  async #write(added: readonly { code: string; document: FoodEntry }[], changed: readonly { revision: number; document: FoodEntry }[]) {
    const codes = new Map(added.map(({ code, document }) => [document.id, code]));
    await this.foods.insertRows(
      this.scope,
      added.map(({ document }) => document),
      ({ id }) => ({ fromTable: this.table, code: codes.get(id) ?? id }),
    );
    if (changed.length > 0) await this.foods.writeRows(this.scope, changed);
    for (const { document } of [...added, ...changed]) for (const word of this.foods.wordsOf(document)) this.#words.add(word);
  }

  async #there(codes: readonly string[]): Promise<Map<string, { readonly revision: number; readonly document: FoodEntry }>> {
    const query = this.database.manager
      .createQueryBuilder(FoodEntity, 'food')
      .where('food.kitchenId = :kitchenId AND food.fromTable = :table AND food.code = ANY(:codes)', {
        kitchenId: this.scope.kitchenId,
        table: this.table,
        codes,
      });
    const rows = await (this.writes ? query.setLock('pessimistic_write') : query).getMany();
    return new Map(rows.map(({ code, revision, document }) => [code ?? '', { revision, document }]));
  }

  async #newId(code: string): Promise<string> {
    this.#taken ??= new Set(
      (await this.database.manager.query<{ id: string }[]>('SELECT id FROM foods WHERE kitchen_id = $1', [this.scope.kitchenId])).map(
        ({ id }) => id,
      ),
    );
    const id = idFromName(`${this.table} ${code}`, this.#taken);
    this.#taken.add(id);
    return id;
  }
}

/** The food as the table has it now, with what is not the table's as it was. */
function renewed(before: FoodEntry, now: Omit<FoodEntry, 'id'>): FoodEntry {
  const kept = Object.fromEntries(Object.entries(before).filter(([key]) => !(OF_THE_TABLE as readonly string[]).includes(key)));
  const names = [...new Set([...(before.names ?? []), ...(now.names ?? [])])];
  return { ...now, ...kept, ...(names.length === 0 ? {} : { names }), id: before.id };
}
