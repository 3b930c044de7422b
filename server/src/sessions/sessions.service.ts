import { Injectable } from '@nestjs/common';
import { SessionEntry, sessionFaults, withoutGoneSteps, type Fault, type Recipe, type Session } from '@portiona/core';
import { In, IsNull } from 'typeorm';
import { Database } from '../database/database.js';
import { isTaken } from '../database/isTaken.js';
import { Once, type OnceKey } from '../database/once.js';
import { NotFoundError, StaleSaveError, TakenError, ValidationError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import { RecipesService } from '../recipes/recipes.service.js';
import type { Scope } from '../scope/scope.js';
import type { ListedSessionDto, OpenSessionDto, SavedSessionDto } from './session.dto.js';
import { SessionEntity } from './session.entity.js';

/** Sessions: dishes cooked together on a day. */
@Injectable()
export class SessionsService {
  constructor(
    private readonly database: Database,
    private readonly once: Once,
    private readonly recipes: RecipesService,
  ) {}

  /** Sessions that are not put away, by day. What they note of steps that are gone since is left out: it says nothing any more. */
  loadForCalculation(scope: Scope, ids?: readonly string[]): Promise<Session[]> {
    return this.database.read(async () => {
      const rows = await this.#rows(scope, ids);
      const recipes = await this.#recipesOf(scope, rows);
      return rows.map(({ document }) => withoutGoneSteps(document, recipes));
    });
  }

  /** Sessions that are not put away, by day, with the titles of what they cook. */
  list(scope: Scope): Promise<ListedSessionDto[]> {
    return this.database.read(async () => {
      const rows = await this.#rows(scope);
      const recipes = await this.#recipesOf(scope, rows);
      return rows.map((row) => ({
        ...toSavedSession(row),
        titles: row.document.dishes.map(({ recipe }) => recipes.get(recipe)?.title ?? recipe),
      }));
    });
  }

  /** @throws NotFoundError */
  open(scope: Scope, id: string): Promise<OpenSessionDto> {
    return this.database.read(async () => {
      const row = await this.#row(scope, id);
      return { ...toSavedSession(row), recipes: [...(await this.#recipesOf(scope, [row])).values()] };
    });
  }

  /** @throws ValidationError, TakenError */
  create(scope: Scope, found: object, once?: OnceKey): Promise<SavedSessionDto> {
    const document = readBody(SessionEntry, found, 'document');
    return this.once.write(scope.kitchenId, once, async () => {
      await this.#check(scope, document);
      await this.insert(scope, document);
      return toSavedSession(await this.#row(scope, document.id));
    });
  }

  /** Writes a new session, in the transaction under way. @throws TakenError */
  async insert({ kitchenId }: Scope, document: SessionEntry): Promise<void> {
    try {
      await this.database.manager.insert(SessionEntity, { kitchenId, id: document.id, date: document.date, revision: 1, document });
    } catch (error) {
      if (isTaken(error)) throw new TakenError('session', document.id);
      throw error;
    }
  }

  /**
   * Saves a session made on a revision; a save made on an older one writes nothing.
   *
   * @throws ValidationError, NotFoundError, StaleSaveError
   */
  save(scope: Scope, id: string, revision: number, found: object): Promise<SavedSessionDto> {
    const document = readBody(SessionEntry, found, 'document');
    const { kitchenId } = scope;
    return this.database.writeAlone(kitchenId, async () => {
      const row = await this.#row(scope, id);
      if (row.revision !== revision) throw new StaleSaveError('session', id, toSavedSession(row));
      if (document.id !== id) throw new ValidationError([{ path: 'document.id', message: `must stay "${id}"` }]);
      await this.#check(scope, document);
      await this.database.manager.update(
        SessionEntity,
        { kitchenId, id },
        { revision: revision + 1, document, date: document.date, savedAt: () => 'now()' },
      );
      return toSavedSession(await this.#row(scope, id));
    });
  }

  /** Puts a session away, or takes it out again. @throws NotFoundError */
  async archive(scope: Scope, id: string, away: boolean): Promise<void> {
    const { kitchenId } = scope;
    const { affected } = await this.database.writeAlone(kitchenId, () =>
      this.database.manager.update(SessionEntity, { kitchenId, id }, { archivedAt: away ? () => 'now()' : null }),
    );
    if (affected !== 1) throw new NotFoundError('session', id);
  }

  /** Those of some sessions whose ids are free. */
  async newOf<One extends Session>({ kitchenId }: Scope, sessions: readonly One[]): Promise<One[]> {
    const where = { kitchenId, id: In(sessions.map(({ id }) => id)) };
    const there = new Set((await this.database.manager.find(SessionEntity, { select: { id: true }, where })).map(({ id }) => id));
    return sessions.filter(({ id }) => !there.has(id));
  }

  /** What is wrong between a session and what is kept. Asked in the transaction that writes it. */
  async faultsOf(scope: Scope, session: Session, path: string): Promise<Fault[]> {
    const recipes = await this.recipes.loadForCalculation(scope, [...new Set(session.dishes.map(({ recipe }) => recipe))]);
    const ground = { recipes: new Map(recipes.map((recipe) => [recipe.id, recipe])), unread: new Set<string>() };
    return [...sessionFaults(session, ground, path)];
  }

  async #check(scope: Scope, session: Session): Promise<void> {
    const faults = await this.faultsOf(scope, session, 'document');
    if (faults.length > 0) throw new ValidationError(faults);
  }

  async #recipesOf(scope: Scope, rows: readonly SessionEntity[]): Promise<Map<string, Recipe>> {
    const ids = [...new Set(rows.flatMap(({ document }) => document.dishes.map(({ recipe }) => recipe)))];
    if (ids.length === 0) return new Map();
    return new Map((await this.recipes.loadForCalculation(scope, ids)).map((recipe) => [recipe.id, recipe]));
  }

  #rows({ kitchenId }: Scope, ids?: readonly string[]): Promise<SessionEntity[]> {
    return this.database.manager.find(SessionEntity, {
      where: { kitchenId, archivedAt: IsNull(), ...(ids ? { id: In(ids) } : {}) },
      order: { date: 'ASC', id: 'ASC' },
    });
  }

  async #row({ kitchenId }: Scope, id: string): Promise<SessionEntity> {
    const row = await this.database.manager.findOneBy(SessionEntity, { kitchenId, id });
    if (!row) throw new NotFoundError('session', id);
    return row;
  }
}

function toSavedSession({ id, revision, savedAt, document }: SessionEntity): SavedSessionDto {
  return { id, revision, savedAt: savedAt.toISOString(), document };
}
