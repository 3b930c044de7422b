import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { exactPrice, packFaults, PackEntry, readEntry, type Pack } from '@portiona/core';
import { In, Repository, type EntityManager } from 'typeorm';
import { isTaken } from '../database/isTaken.js';
import { FoodsService } from '../foods/foods.service.js';
import { NotFoundError, StaleSaveError, TakenError, UnreadableError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import type { SavedDto } from '../http/saved.dto.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { PackEntity } from './pack.entity.js';
import { toPack, toSavedPack } from './pack.mapper.js';

@Injectable()
export class PacksService {
  constructor(
    @InjectRepository(PackEntity) private readonly packs: Repository<PackEntity>,
    private readonly foods: FoodsService,
    private readonly kitchens: KitchensService,
  ) {}

  async list(): Promise<SavedDto[]> {
    const rows = await this.packs.find({ where: { kitchenId: await this.kitchens.id() }, order: { foodId: 'ASC', id: 'ASC' } });
    return rows.map(toSavedPack);
  }

  /** Packs as core knows them: all, or those of some foods. */
  async known(foods?: readonly string[]): Promise<Pack[]> {
    const kitchenId = await this.kitchens.id();
    return (await this.packs.find({ where: { kitchenId, ...(foods ? { foodId: In(foods) } : {}) }, order: { id: 'ASC' } })).map(toPack);
  }

  /** @throws NotFoundError */
  async get(id: string): Promise<SavedDto> {
    const row = await this.packs.findOneBy({ kitchenId: await this.kitchens.id(), id });
    if (!row) throw new NotFoundError('pack', id);
    return toSavedPack(row);
  }

  /** Adds a pack; its id is made when it has none. @throws UnreadableError, TakenError */
  async create(found: object): Promise<SavedDto> {
    const document = await this.#read(found);
    const id = document.id ?? randomUUID();
    const kitchenId = await this.kitchens.id();
    try {
      await this.packs.insert({ kitchenId, id, foodId: document.food, revision: 1, document: { ...document, id } });
    } catch (error) {
      if (isTaken(error)) throw new TakenError('pack', id);
      throw error;
    }
    return this.get(id);
  }

  /**
   * Adds prices seen, in the caller's transaction: all of them, but one that was seen just so before is not added again.
   *
   * @param path put before each fault's
   * @returns how many were added, and every pack as it was read
   * @throws UnreadableError with every fault
   */
  async addSeen(
    manager: EntityManager,
    found: readonly object[],
    path: string,
  ): Promise<{ readonly added: number; readonly packs: readonly PackEntry[] }> {
    const kitchenId = await this.kitchens.id();
    const packs = await this.#readAll(found, path);
    // Two that add the same price at once: the second waits, and finds it there.
    await manager.query('SELECT 1 FROM kitchens WHERE id = $1 FOR NO KEY UPDATE', [kitchenId]);
    const there = await manager.find(PackEntity, { where: { kitchenId, foodId: In(packs.map(({ food }) => food)) } });
    const seen = new Set(there.map(({ document }) => sameAs(document)));
    const rows = packs.flatMap((document) => {
      if (seen.has(sameAs(document))) return [];
      seen.add(sameAs(document));
      const id = randomUUID();
      return [{ kitchenId, id, foodId: document.food, revision: 1, document: { ...document, id } }];
    });
    if (rows.length > 0) await manager.insert(PackEntity, rows);
    return { added: rows.length, packs };
  }

  /** @throws UnreadableError, NotFoundError, StaleSaveError */
  async save(id: string, revision: number, found: object): Promise<SavedDto> {
    const document = await this.#read(found);
    const kitchenId = await this.kitchens.id();
    const { affected } = await this.packs.update(
      { kitchenId, id, revision },
      { revision: revision + 1, foodId: document.food, document: { ...document, id }, savedAt: () => 'now()' },
    );
    if (affected === 1) return this.get(id);
    throw new StaleSaveError('pack', id, await this.get(id));
  }

  /** @throws NotFoundError */
  async remove(id: string): Promise<void> {
    const { affected } = await this.packs.delete({ kitchenId: await this.kitchens.id(), id });
    if (affected !== 1) throw new NotFoundError('pack', id);
  }

  async #readAll(found: readonly object[], path: string): Promise<PackEntry[]> {
    const read = found.map((document, i) => readEntry(PackEntry, document, `${path}[${i}].document`));
    const faults = read.flatMap((one) => (one.ok ? [] : one.faults));
    if (faults.length > 0) throw new UnreadableError(faults);
    const packs = read.flatMap((one) => (one.ok ? [JSON.parse(JSON.stringify(one.entry)) as PackEntry] : []));
    const foods = new Map((await this.foods.known(packs.map(({ food }) => food))).map((food) => [food.id, food]));
    const unsound = packs.flatMap((pack, i) => packFaults(pack, foods, `${path}[${i}].document`));
    if (unsound.length > 0) throw new UnreadableError(unsound);
    return packs;
  }

  async #read(found: object): Promise<PackEntry> {
    const document = readBody(PackEntry, found, 'document');
    const foods = new Map((await this.foods.known([document.food])).map((food) => [food.id, food]));
    const faults = packFaults(document, foods, 'document');
    if (faults.length > 0) throw new UnreadableError(faults);
    return document;
  }
}

/** What makes two prices the same one: food, shop, size, price and day. */
function sameAs({ food, shop, net, unit, price, currency, seen }: PackEntry): string {
  return JSON.stringify([food, shop, net, unit, exactPrice(price).toFixed(), currency, seen]);
}
