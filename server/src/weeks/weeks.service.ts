import { Injectable } from '@nestjs/common';
import {
  boxesAtHand,
  dayAfter,
  eveningsFrom,
  type Evening,
  DAYS_OF_WEEK,
  lastDay,
  shoppingList,
  USUAL_START,
  WeekEntry,
  weekFaults,
  withoutGoneBoxes,
  type BoxesAtHand,
  type BoxPool,
  type Fault,
  type Kitchen,
  type Session,
  type Week,
} from '@portiona/core';
import { In } from 'typeorm';
import { BatchesService } from '../batches/batches.service.js';
import { Database } from '../database/database.js';
import { isTaken } from '../database/isTaken.js';
import { Once, type OnceKey } from '../database/once.js';
import { NotFoundError, StaleSaveError, TakenError, ValidationError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { RecipesService } from '../recipes/recipes.service.js';
import { may, type Scope } from '../scope/scope.js';
import { SessionsService } from '../sessions/sessions.service.js';
import { StockService } from '../shopping/stock.service.js';
import { PeopleService } from './people.service.js';
import type { BoxPoolDto, OpenWeekDto, SavedWeekDto, WeekTillDto } from './week.dto.js';
import { WeekEntity } from './week.entity.js';

/** Days before its Monday from which a week is cooked for: the weekend. */
const DAYS_BEFORE = 2;

/** Weeks: boxes given to days and people. */
@Injectable()
export class WeeksService {
  constructor(
    private readonly database: Database,
    private readonly once: Once,
    private readonly people: PeopleService,
    private readonly batches: BatchesService,
    private readonly sessions: SessionsService,
    private readonly recipes: RecipesService,
    private readonly stock: StockService,
    private readonly kitchens: KitchensService,
  ) {}

  /** Every week, without what speaks of what is not there any more, by day. */
  loadForCalculation(scope: Scope): Promise<Week[]> {
    return this.database.read(async () => {
      const rows = await this.#rows(scope);
      if (rows.length === 0) return [];
      const references = await this.#references(scope, new Set((await this.people.loadForCalculation(scope)).map(({ id }) => id)));
      return rows.map(({ document }) => withoutGoneBoxes(document, references));
    });
  }

  /**
   * Everything a week is worked out from: who eats, what boxes there are from its first day on, what other weeks take of them.
   *
   * @param from ISO day of its first day
   * @throws ValidationError where no week begins that day
   */
  open(scope: Scope, from: string): Promise<OpenWeekDto> {
    if (!/^\d{4}-\d{2}-\d{2}$/.test(from) || Number.isNaN(Date.parse(from)))
      throw new ValidationError([{ path: 'from', message: 'must be a day such as 2031-02-03' }]);
    return this.database.read(async () => {
      const { atHand, sessions, kitchen } = await this.boxes(scope, from);
      const rows = await this.#rows(scope);
      const own = rows.find((row) => row.from === from);
      const others = rows.filter((row) => row !== own).map(({ document }) => document);
      const spoken = new Set(atHand.pools.flatMap(({ box }) => ('session' in box ? [box.session] : [])));
      // A session counts for one week: what is cooked at a weekend is eaten in the next.
      const [first, last] = [dayAfter(from, -DAYS_BEFORE), dayAfter(from, DAYS_OF_WEEK - 1 - DAYS_BEFORE)];
      const cooked = sessions.filter(({ id, date }) => spoken.has(id) && date >= first && date <= last);
      return {
        week: own ? toSavedWeek(own) : null,
        people: await this.people.list(scope),
        others: others.flatMap(({ meals }) => meals),
        gone: others.flatMap(({ gone = [] }) => gone),
        pools: atHand.pools.map(toBoxPool),
        leftOut: atHand.leftOut.map((one) => ({ ...one })),
        sessions: sessions.map(({ id, name = 'Session', date, start = USUAL_START }) => ({ id, name, date, start })),
        dishes: (await this.recipes.heads(scope))
          .map(({ id, title }) => ({ id, title }))
          .sort((a, b) => a.title.localeCompare(b.title, 'en')),
        today: kitchen.settings.date,
        currency: kitchen.settings.currency,
        till: cooked.length === 0 || !may(scope, 'costs') ? null : await this.#till(scope, cooked, kitchen),
      };
    });
  }

  /**
   * Boxes there are from a day on, of batches and of sessions to come. In the transaction under way.
   *
   * @param last the last day of sessions whose boxes count; ISO
   */
  async boxes(
    scope: Scope,
    from: string,
    last = dayAfter(from, DAYS_OF_WEEK - 1),
  ): Promise<{
    readonly atHand: BoxesAtHand;
    readonly sessions: readonly Session[];
    readonly kitchen: Kitchen;
  }> {
    const sessions = (await this.sessions.loadForCalculation(scope)).filter(({ date }) => date <= last);
    const cooked = sessions.flatMap(({ dishes }) => dishes.map(({ recipe }) => recipe));
    const { batches, kitchen } = await this.batches.withKitchen(scope, undefined, cooked);
    const { pools, leftOut } = boxesAtHand(batches, sessions, kitchen, from);
    const sooner = (a: BoxPool, b: BoxPool) => (lastDay(a) < lastDay(b) ? -1 : lastDay(a) > lastDay(b) ? 1 : 0);
    return { atHand: { pools: [...pools].sort(sooner), leftOut }, sessions, kitchen };
  }

  /** Evenings from today on of which something goes into the fridge to thaw, or is frozen. In the transaction under way. */
  async evenings(scope: Scope): Promise<Evening[]> {
    const weeks = (await this.#rows(scope)).map(({ document }) => document);
    const { date: today } = await this.kitchens.settings(scope);
    const last = weeks.reduce((day, { from }) => (dayAfter(from, DAYS_OF_WEEK - 1) > day ? dayAfter(from, DAYS_OF_WEEK - 1) : day), today);
    if (weeks.length === 0) return [];
    const { atHand } = await this.boxes(scope, today, last);
    return eveningsFrom(weeks, atHand.pools, today, last);
  }

  /** @throws ValidationError, StaleSaveError, TakenError */
  create(scope: Scope, found: object, once?: OnceKey): Promise<SavedWeekDto> {
    const document = readBody(WeekEntry, found, 'document');
    return this.once.write(scope.kitchenId, once, async () => {
      const there = await this.database.manager.findOneBy(WeekEntity, { kitchenId: scope.kitchenId, from: document.from });
      // Somebody gave its first boxes meanwhile: whoever comes second is shown them.
      if (there) throw new StaleSaveError('week', there.id, toSavedWeek(there));
      await this.#check(scope, document);
      await this.insert(scope, document);
      return toSavedWeek(await this.#row(scope, document.id));
    });
  }

  /** Writes a new week, in the transaction under way. @throws TakenError */
  async insert({ kitchenId }: Scope, document: WeekEntry): Promise<void> {
    const { id, from } = document;
    try {
      await this.database.manager.insert(WeekEntity, { kitchenId, id, from, revision: 1, document });
    } catch (error) {
      if (isTaken(error)) throw new TakenError('week', id);
      throw error;
    }
  }

  /**
   * Saves a week made on a revision; a save made on an older one writes nothing.
   *
   * @throws ValidationError, NotFoundError, StaleSaveError
   */
  save(scope: Scope, id: string, revision: number, found: object): Promise<SavedWeekDto> {
    const document = readBody(WeekEntry, found, 'document');
    const { kitchenId } = scope;
    return this.database.writeAlone(kitchenId, async () => {
      const row = await this.#row(scope, id);
      if (row.revision !== revision) throw new StaleSaveError('week', id, toSavedWeek(row));
      const faults = [
        ...(document.id === id ? [] : [{ path: 'document.id', message: `must stay "${id}"` }]),
        ...(document.from === row.from ? [] : [{ path: 'document.from', message: `must stay ${row.from}` }]),
      ];
      if (faults.length > 0) throw new ValidationError(faults);
      await this.#check(scope, document, row.document);
      await this.database.manager.update(WeekEntity, { kitchenId, id }, { revision: revision + 1, document, savedAt: () => 'now()' });
      return toSavedWeek(await this.#row(scope, id));
    });
  }

  /** Those of some weeks of which neither the id nor the days are there. */
  async newOf<One extends Week>({ kitchenId }: Scope, weeks: readonly One[]): Promise<One[]> {
    if (weeks.length === 0) return [];
    const { manager } = this.database;
    const there = await manager.find(WeekEntity, {
      select: { id: true, from: true },
      where: [
        { kitchenId, id: In(weeks.map(({ id }) => id)) },
        { kitchenId, from: In(weeks.map(({ from }) => from)) },
      ],
    });
    return weeks.filter(({ id, from }) => !there.some((one) => one.id === id || one.from === from));
  }

  /** What is wrong between a week and what is kept. Asked in the transaction that writes it. */
  async faultsOf(scope: Scope, week: Week, path: string): Promise<Fault[]> {
    const references = await this.#references(scope, await this.people.everybody(scope));
    return [...weekFaults(week, { ...references, unread: new Set() }, path)];
  }

  /** What was in it before may stay, though what it speaks of is gone: only what is new has to be there. */
  async #check(scope: Scope, week: Week, before?: Week): Promise<void> {
    const found = await this.faultsOf(scope, week, 'document');
    if (found.length === 0) return;
    const known = new Set((before?.meals ?? []).map((meal) => JSON.stringify(meal)));
    const faults = found.filter(({ path }) => {
      const index = /^document\.meals\[(\d+)\]\.box/.exec(path)?.[1];
      return index === undefined || !known.has(JSON.stringify(week.meals[Number(index)]));
    });
    if (faults.length > 0) throw new ValidationError(faults);
  }

  async #references(scope: Scope, people: ReadonlySet<string>) {
    const [batches, sessions] = [await this.batches.loadForCalculation(scope), await this.sessions.loadForCalculation(scope)];
    return {
      people,
      batches: new Map(batches.map((batch) => [batch.id, batch])),
      sessions: new Map(sessions.map((session) => [session.id, session])),
    };
  }

  async #till(scope: Scope, sessions: readonly Session[], kitchen: Kitchen): Promise<WeekTillDto> {
    const { cost, atLeast, leftWorth } = shoppingList(sessions, await this.stock.loadForCalculation(scope), kitchen);
    return { sessions: sessions.map(({ id }) => id), cost: cost.toFixed(), atLeast, leftWorth };
  }

  #rows({ kitchenId }: Scope): Promise<WeekEntity[]> {
    return this.database.manager.find(WeekEntity, { where: { kitchenId }, order: { from: 'ASC' } });
  }

  async #row({ kitchenId }: Scope, id: string): Promise<WeekEntity> {
    const row = await this.database.manager.findOneBy(WeekEntity, { kitchenId, id });
    if (!row) throw new NotFoundError('week', id);
    return row;
  }
}

function toBoxPool({ contents, ...pool }: BoxPool): BoxPoolDto {
  return { ...pool, contents: contents.map((content) => ({ ...content, figures: { ...content.figures } })) };
}

function toSavedWeek({ id, revision, savedAt, document }: WeekEntity): SavedWeekDto {
  return { id, revision, savedAt: savedAt.toISOString(), document };
}
