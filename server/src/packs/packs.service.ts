import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { packFaults, PackEntry, type Pack } from '@portiona/core';
import { In, Repository } from 'typeorm';
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

  async #read(found: object): Promise<PackEntry> {
    const document = readBody(PackEntry, found, 'document');
    const foods = new Map((await this.foods.known([document.food])).map((food) => [food.id, food]));
    const faults = packFaults(document, foods, 'document');
    if (faults.length > 0) throw new UnreadableError(faults);
    return document;
  }
}
