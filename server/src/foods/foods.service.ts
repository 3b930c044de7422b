import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { foodFaults, FoodEntry, type Food } from '@portiona/core';
import { In, Repository } from 'typeorm';
import { isTaken } from '../database/isTaken.js';
import { NotFoundError, StaleSaveError, TakenError, UnreadableError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import type { SavedDto } from '../http/saved.dto.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { FoodEntity } from './food.entity.js';
import { toFood, toSavedFood } from './food.mapper.js';

@Injectable()
export class FoodsService {
  constructor(
    @InjectRepository(FoodEntity) private readonly foods: Repository<FoodEntity>,
    private readonly kitchens: KitchensService,
  ) {}

  async list(): Promise<SavedDto[]> {
    const rows = await this.foods.find({ where: { kitchenId: await this.kitchens.id() }, order: { name: 'ASC' } });
    return rows.map(toSavedFood);
  }

  /** Foods as core knows them: all, or those of some ids. */
  async known(ids?: readonly string[]): Promise<Food[]> {
    const kitchenId = await this.kitchens.id();
    return (await this.foods.find({ where: { kitchenId, ...(ids ? { id: In(ids) } : {}) } })).map(toFood);
  }

  /** @throws NotFoundError */
  async get(id: string): Promise<SavedDto> {
    const row = await this.foods.findOneBy({ kitchenId: await this.kitchens.id(), id });
    if (!row) throw new NotFoundError('food', id);
    return toSavedFood(row);
  }

  /** @throws UnreadableError, TakenError */
  async create(found: object): Promise<SavedDto> {
    const document = this.#read(found);
    const kitchenId = await this.kitchens.id();
    try {
      await this.foods.insert({ kitchenId, id: document.id, revision: 1, name: document.name, document });
    } catch (error) {
      if (isTaken(error)) throw new TakenError('food', document.id);
      throw error;
    }
    return this.get(document.id);
  }

  /** @throws UnreadableError, NotFoundError, StaleSaveError */
  async save(id: string, revision: number, found: object): Promise<SavedDto> {
    const document = this.#read(found);
    if (document.id !== id) throw new UnreadableError([{ path: 'document.id', message: `must stay "${id}"` }]);
    const kitchenId = await this.kitchens.id();
    const { affected } = await this.foods.update(
      { kitchenId, id, revision },
      { revision: revision + 1, name: document.name, document, savedAt: () => 'now()' },
    );
    if (affected === 1) return this.get(id);
    throw new StaleSaveError('food', id, await this.get(id));
  }

  #read(found: object): FoodEntry {
    const document = readBody(FoodEntry, found, 'document');
    const faults = foodFaults(document, 'document');
    if (faults.length > 0) throw new UnreadableError(faults);
    return document;
  }
}
