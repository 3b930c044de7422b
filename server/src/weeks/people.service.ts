import { Injectable } from '@nestjs/common';
import { dayAfter, DAYS_OF_WEEK, PersonEntry, personFaults, type Person } from '@portiona/core';
import { In, IsNull, MoreThan } from 'typeorm';
import { Database } from '../database/database.js';
import { isTaken } from '../database/isTaken.js';
import { Once, type OnceKey } from '../database/once.js';
import { NotFoundError, StaleSaveError, TakenError, ValidationError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import type { Scope } from '../scope/scope.js';
import { PersonEntity } from './person.entity.js';
import type { SavedPersonDto } from './week.dto.js';
import { WeekEntity } from './week.entity.js';

/** People who eat from the boxes. */
@Injectable()
export class PeopleService {
  constructor(
    private readonly database: Database,
    private readonly once: Once,
    private readonly kitchens: KitchensService,
  ) {}

  /** People who are not put away, in the order in which they came. */
  async list(scope: Scope): Promise<SavedPersonDto[]> {
    return (await this.#rows(scope)).map(toSavedPerson);
  }

  /** The same as core knows them. */
  async loadForCalculation(scope: Scope): Promise<Person[]> {
    return (await this.#rows(scope)).map(({ document }) => document);
  }

  /** Ids of everybody there ever was. */
  async everybody({ kitchenId }: Scope): Promise<Set<string>> {
    return new Set((await this.database.manager.find(PersonEntity, { select: { id: true }, where: { kitchenId } })).map(({ id }) => id));
  }

  /** @throws ValidationError, TakenError */
  create(scope: Scope, found: object, once?: OnceKey): Promise<SavedPersonDto> {
    const document = readBody(PersonEntry, found, 'document');
    return this.once.write(scope.kitchenId, once, async () => {
      await this.#check(scope, document);
      await this.insert(scope, document);
      return toSavedPerson(await this.#row(scope, document.id));
    });
  }

  /** Writes somebody new, in the transaction under way. @throws TakenError */
  async insert({ kitchenId }: Scope, document: PersonEntry): Promise<void> {
    try {
      await this.database.manager.insert(PersonEntity, { kitchenId, id: document.id, revision: 1, document });
    } catch (error) {
      if (isTaken(error)) throw new TakenError('person', document.id);
      throw error;
    }
  }

  /** @throws ValidationError, NotFoundError, StaleSaveError */
  save(scope: Scope, id: string, revision: number, found: object): Promise<SavedPersonDto> {
    const document = readBody(PersonEntry, found, 'document');
    const { kitchenId } = scope;
    return this.database.writeAlone(kitchenId, async () => {
      const row = await this.#row(scope, id);
      if (row.archivedAt) throw new NotFoundError('person', id);
      if (row.revision !== revision) throw new StaleSaveError('person', id, toSavedPerson(row));
      if (document.id !== id) throw new ValidationError([{ path: 'document.id', message: `must stay "${id}"` }]);
      await this.#check(scope, document);
      await this.database.manager.update(PersonEntity, { kitchenId, id }, { revision: revision + 1, document, savedAt: () => 'now()' });
      return toSavedPerson(await this.#row(scope, id));
    });
  }

  /**
   * Somebody eats from the boxes no more: what they were given from today on goes back onto the shelves. What they ate stays eaten.
   *
   * @returns how many boxes went back
   * @throws NotFoundError
   */
  async remove(scope: Scope, id: string): Promise<{ readonly boxes: number }> {
    const { kitchenId } = scope;
    const { date: today } = await this.kitchens.settings(scope);
    return this.database.writeAlone(kitchenId, async () => {
      await this.#row(scope, id);
      let boxes = 0;
      const weeks = await this.database.manager.find(WeekEntity, { where: { kitchenId, from: MoreThan(dayAfter(today, -DAYS_OF_WEEK)) } });
      for (const { id: week, revision, document } of weeks) {
        const meals = document.meals.filter(({ person, date }) => person !== id || date < today);
        if (meals.length === document.meals.length) continue;
        boxes += document.meals.length - meals.length;
        await this.database.manager.update(
          WeekEntity,
          { kitchenId, id: week },
          { revision: revision + 1, document: { ...document, meals }, savedAt: () => 'now()' },
        );
      }
      await this.database.manager.update(PersonEntity, { kitchenId, id }, { archivedAt: () => 'now()' });
      return { boxes };
    });
  }

  /** Those of some people whose ids are free. */
  async newOf<One extends Person>({ kitchenId }: Scope, people: readonly One[]): Promise<One[]> {
    const where = { kitchenId, id: In(people.map(({ id }) => id)) };
    const there = new Set((await this.database.manager.find(PersonEntity, { select: { id: true }, where })).map(({ id }) => id));
    return people.filter(({ id }) => !there.has(id));
  }

  async #check(scope: Scope, person: Person): Promise<void> {
    const faults = [...personFaults(person, await this.loadForCalculation(scope), 'document')];
    if (faults.length > 0) throw new ValidationError(faults);
  }

  #rows({ kitchenId }: Scope): Promise<PersonEntity[]> {
    return this.database.manager.find(PersonEntity, { where: { kitchenId, archivedAt: IsNull() }, order: { place: 'ASC' } });
  }

  async #row({ kitchenId }: Scope, id: string): Promise<PersonEntity> {
    const row = await this.database.manager.findOneBy(PersonEntity, { kitchenId, id });
    if (!row) throw new NotFoundError('person', id);
    return row;
  }
}

function toSavedPerson({ id, revision, savedAt, document }: PersonEntity): SavedPersonDto {
  return { id, revision, savedAt: savedAt.toISOString(), document };
}
