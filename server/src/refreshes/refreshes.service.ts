import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { exactPrice, priceHistory, shareDearer, type Pack } from '@portiona/core';
import { Not } from 'typeorm';
import { Database } from '../database/database.js';
import { FoodsService } from '../foods/foods.service.js';
import { isUuid } from '../http/isUuid.js';
import { BusyError, NotFoundError } from '../http/problems.js';
import { JobsService } from '../jobs/jobs.service.js';
import { BEGUN_AGAIN, type Run } from '../jobs/run.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { PacksService } from '../packs/packs.service.js';
import { PRICE_SOURCE, ShopTroubleError, type PriceSource, type ShopOffer } from '../shops/priceSource.js';
import { askShop, type Patience } from './askShop.js';
import type { RefreshDto, RefreshItemDto } from './refresh.dto.js';
import { RefreshEntity } from './refresh.entity.js';
import { RefreshItemEntity } from './refreshItem.entity.js';
import type { Scope } from '../scope/scope.js';

/** Asked for each time: whoever tries it may be less patient. */
const patience = (): Patience => ({ limit: 3_000, tries: 4, pause: Number(process.env.PORTIONA_SHOP_PAUSE ?? 150) });
/** Packs of a shop that may fail one after another before the shop is left alone. */
const GIVE_UP_AFTER = 4;

/** Asks the shops what the packs of the pantry cost today, as a job beside other work. */
@Injectable()
export class RefreshesService {
  constructor(
    private readonly database: Database,
    @Inject(PRICE_SOURCE) private readonly source: PriceSource,
    private readonly jobs: JobsService,
    private readonly kitchens: KitchensService,
    private readonly foods: FoodsService,
    private readonly packs: PacksService,
  ) {
    jobs.define('refresh-prices', {
      entity: RefreshEntity,
      atOnce: 1,
      work: (run) => this.#run(run),
      givenUp: { state: 'cancelled' },
    });
  }

  /** Begins to ask; where that is under way already, what is under way. */
  async start(scope: Scope): Promise<RefreshDto> {
    const { kitchenId } = scope;
    const refresh = await this.database.writeAlone(kitchenId, async () => {
      const running = await this.database.manager.findOneBy(RefreshEntity, { kitchenId, state: 'running' });
      if (running) return this.get(scope, running.id);
      const id = randomUUID();
      const { date: day } = await this.kitchens.settings(scope);
      const items = await this.#items(scope, id);
      await this.database.manager.insert(RefreshEntity, { id, kitchenId, day, state: items.length === 0 ? 'done' : 'running', scope });
      if (items.length > 0) await this.database.manager.insert(RefreshItemEntity, items);
      return this.get(scope, id);
    });
    if (refresh.state === 'running') await this.jobs.send('refresh-prices', scope, refresh.id);
    return refresh;
  }

  /** The last asking; undefined when there was none. */
  latest(scope: Scope): Promise<RefreshDto | undefined> {
    return this.database.read(async () => {
      const where = { kitchenId: scope.kitchenId };
      const row = await this.database.manager.findOne(RefreshEntity, { where, order: { madeAt: 'DESC' } });
      return row ? this.get(scope, row.id) : undefined;
    });
  }

  /** @throws NotFoundError */
  get(scope: Scope, id: string): Promise<RefreshDto> {
    return this.database.read(async () => this.#toDto(await this.#row(scope, id)));
  }

  async #toDto({ id, ...row }: RefreshEntity): Promise<RefreshDto> {
    const items = await this.database.manager.find(RefreshItemEntity, { where: { refreshId: id }, order: { position: 'ASC' } });
    return {
      id,
      day: row.day,
      state: row.state,
      madeAt: row.madeAt.toISOString(),
      asked: items.length,
      answered: items.filter(({ state }) => state !== 'waiting').length,
      items: items.map(toItemDto),
    };
  }

  /** Asks again for what failed. @throws NotFoundError, BusyError while another is under way */
  async retry(scope: Scope, id: string): Promise<RefreshDto> {
    const { kitchenId } = scope;
    const refresh = await this.database.writeAlone(kitchenId, async () => {
      await this.#row(scope, id);
      const { manager } = this.database;
      if (await manager.existsBy(RefreshEntity, { kitchenId, state: 'running', id: Not(id) }))
        throw new BusyError('the shops are being asked');
      await manager.update(RefreshItemEntity, { refreshId: id, state: 'failed' }, { state: 'waiting', message: null });
      // One that is under way goes on with them.
      await manager.update(RefreshEntity, { id, state: Not('running') }, { state: 'running', ...BEGUN_AGAIN });
      return this.get(scope, id);
    });
    await this.jobs.send('refresh-prices', scope, id);
    return refresh;
  }

  /** Asks no more; prices that came stay. @throws NotFoundError */
  async cancel(scope: Scope, id: string): Promise<void> {
    await this.database.writeAlone(scope.kitchenId, async () => {
      await this.#row(scope, id);
      await this.database.manager.update(RefreshEntity, { id, state: 'running' }, { state: 'cancelled' });
    });
  }

  /** The latest price of every pack of a shop that can be asked. */
  async #items(scope: Scope, refreshId: string): Promise<Omit<RefreshItemEntity, 'price' | 'promotion' | 'message'>[]> {
    const [shops, packs] = [new Set(await this.source.shops()), await this.packs.everSeen(scope)];
    const foods = await this.foods.loadForCalculation(scope, [...new Set(packs.map(({ food }) => food))]);
    const ofFood = grouped(packs);
    return foods
      .sort((a, b) => (a.name < b.name ? -1 : 1))
      .flatMap((food) => priceHistory(food, ofFood.get(food.id) ?? []).map((series) => ({ food, series })))
      .filter(({ series }) => shops.has(series.shop))
      .map(({ food, series: { shop, net, unit, currency, latest } }, position) => ({
        refreshId,
        position,
        foodId: food.id,
        name: food.name,
        shop,
        net,
        unit,
        currency,
        beforePrice: exactPrice(latest.pack.price).toFixed(),
        state: 'waiting' as const,
      }));
  }

  /** Asks for one pack after another until none waits: what was asked when a server went away is asked on. Given twice, no pack is asked for twice. */
  async #run(run: Run<RefreshEntity>): Promise<void> {
    const { scope, id } = run;
    const failures = new Map<string, number>();
    while (!run.signal.aborted && (await this.#next(scope, id, failures)));
    if (run.signal.aborted) return;
    await this.database.manager.query(
      `UPDATE price_refreshes SET state = 'done' WHERE id = $1 AND state = 'running'
         AND NOT EXISTS (SELECT 1 FROM price_refresh_items WHERE refresh_id = $1 AND state = 'waiting')`,
      [id],
    );
  }

  /**
   * One pack. The shop is asked with nothing held; the answer and the price it brings are then written together, and only while
   * the pack still waits. False when none is left.
   */
  async #next(scope: Scope, refreshId: string, failures: Map<string, number>): Promise<boolean> {
    const asked = await this.database.read(async () => {
      const refresh = await this.database.manager.findOneBy(RefreshEntity, { id: refreshId, kitchenId: scope.kitchenId, state: 'running' });
      const where = { refreshId, state: 'waiting' as const };
      const item = await this.database.manager.findOne(RefreshItemEntity, { where, order: { position: 'ASC' } });
      return refresh && item ? { ...refresh, item } : undefined;
    });
    if (!asked) return false;
    const { item, day } = asked;
    const { offer, ...answer } = await this.#ask(item, day, failures);
    await this.database.writeAlone(scope.kitchenId, async () => {
      const { affected } = await this.database.manager.update(
        RefreshItemEntity,
        { refreshId, position: item.position, state: 'waiting' },
        answer,
      );
      if (affected === 1 && offer) await this.#add(scope, item, day, offer);
    });
    return true;
  }

  async #ask(
    item: RefreshItemEntity,
    day: string,
    failures: Map<string, number>,
  ): Promise<Pick<RefreshItemEntity, 'state'> & { price?: string; promotion?: boolean; message?: string; offer?: ShopOffer }> {
    const failed = failures.get(item.shop) ?? 0;
    if (failed >= GIVE_UP_AFTER) return { state: 'failed', message: `${item.shop} does not answer; ask again later` };
    try {
      const offer = await askShop(this.source, item, day, patience());
      failures.set(item.shop, 0);
      if (!offer || offer.currency !== item.currency) return { state: 'unlisted', message: `${item.shop} does not sell it any more` };
      const same = exactPrice(offer.price).eq(exactPrice(item.beforePrice));
      return { state: same ? 'same' : 'changed', price: offer.price, promotion: offer.promotion, offer };
    } catch (error) {
      if (!(error instanceof ShopTroubleError)) throw error;
      failures.set(item.shop, failed + 1);
      return { state: 'failed', message: error.message };
    }
  }

  /** A price asked today is seen today, whether it moved or not; the ones before stay. */
  async #add(
    scope: Scope,
    { foodId, shop, net, unit, currency }: RefreshItemEntity,
    seen: string,
    { price, promotion, usual, until }: ShopOffer,
  ) {
    const offer = promotion ? { promotion, ...(usual === undefined ? {} : { usual }), ...(until === undefined ? {} : { until }) } : {};
    const document: Pack = { food: foodId, net, unit, price, currency, shop, seen, ...offer };
    await this.packs.addSeen(scope, [document], 'prices');
  }

  async #row(scope: Scope, id: string): Promise<RefreshEntity> {
    const { kitchenId } = scope;
    const row = isUuid(id) ? await this.database.manager.findOneBy(RefreshEntity, { id, kitchenId }) : null;
    if (!row) throw new NotFoundError('asking of prices', id);
    return row;
  }
}

function grouped(packs: readonly Pack[]): Map<string, Pack[]> {
  const groups = new Map<string, Pack[]>();
  for (const pack of packs) groups.set(pack.food, [...(groups.get(pack.food) ?? []), pack]);
  return groups;
}

function toItemDto({
  foodId,
  name,
  shop,
  net,
  unit,
  currency,
  beforePrice,
  state,
  price,
  promotion,
  message,
}: RefreshItemEntity): RefreshItemDto {
  const change = price === null ? null : (shareDearer(beforePrice, price) ?? null);
  return { food: foodId, name, shop, net, unit, currency, before: beforePrice, state, price, change, promotion, message };
}
