import { Injectable } from '@nestjs/common';
import { fullSettings, KitchenSettings, type Settings } from '@portiona/core';
import { Database } from '../database/database.js';
import { NotFoundError, ValidationError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import { houseScope, type Scope } from '../scope/scope.js';
import { DAYS_KEPT } from './ownKitchens.service.js';
import { NamedKitchen, type KitchenDto } from './kitchen.dto.js';
import { patchedCard } from './patchedCard.js';
import { KitchenEntity } from './kitchen.entity.js';

/** Settings that mean something left out: prices of any age, the day as it is, no briefs, no figure, vessels or sheets of the kitchen's own, the guideline of its rules, cards as usual. */
const UNSETTABLE: ReadonlySet<string> = new Set(['maxPriceAge', 'date', 'briefs', 'index', 'guideline', 'vessels', 'labelSheets', 'card']);

/** Settings as they are sent, of which some are read otherwise than the rest. */
interface Named {
  readonly name?: unknown;
  readonly card?: object;
}

/** Kitchens and their settings. */
@Injectable()
export class KitchensService {
  constructor(private readonly database: Database) {}

  /** The scope of the house in every kitchen that is not deleted, for work that nobody asked for. */
  async scopes(): Promise<Scope[]> {
    const kitchens = await this.database.manager.query<{ id: string }[]>('SELECT id FROM every_kitchen() WHERE NOT deleted');
    return kitchens.map(({ id }) => houseScope(id));
  }

  /** Scopes as `scopes`, of kitchens in which something changed that lists have not been told of. */
  async changedScopes(): Promise<Scope[]> {
    const kitchens = await this.database.manager.query<{ id: string }[]>('SELECT id FROM kitchens_changed()');
    return kitchens.map(({ id }) => houseScope(id));
  }

  /** Lets kitchens go for good that were deleted long enough ago; nobody can take them back then. */
  async forgetDeleted(): Promise<void> {
    await this.database.manager.query('SELECT forget_deleted_kitchens($1)', [DAYS_KEPT]);
  }

  /** The kitchen's settings, with today's date where none is fixed. */
  async settings(scope: Scope): Promise<Settings> {
    return fullSettings((await this.#entity(scope)).settings, today());
  }

  /** The settings as stated: what is left out is left out. */
  async stated(scope: Scope): Promise<KitchenSettings> {
    return (await this.#entity(scope)).settings;
  }

  /**
   * Changes the settings given, and leaves the others as they are; null takes one back to what holds where none is stated. `card` is
   * changed within.
   *
   * @throws ValidationError
   */
  async change(scope: Scope, found: object | undefined): Promise<KitchenDto> {
    if (typeof found !== 'object') throw new ValidationError([{ path: '', message: 'must be an object of settings' }]);
    const given = Object.entries(found);
    const unset = given.filter(([, value]) => value === null).map(([name]) => name);
    const strange = unset.filter((name) => !UNSETTABLE.has(name));
    if (strange.length > 0) throw new ValidationError(strange.map((path) => ({ path, message: 'cannot be null; write what it is to be' })));
    const { name, card, ...stated } = Object.fromEntries(given.filter(([, value]) => value !== null)) as Named;
    const named = name === undefined ? undefined : readBody(NamedKitchen, { name }, '');
    const others = readBody(KitchenSettings, stated, '');
    const id = scope.kitchenId;
    return this.database.writeAlone(id, async () => {
      const { settings } = await this.#entity(scope);
      // Changed within: two who change different things of it at once take nothing from each other.
      const changed = typeof card === 'object' && !Array.isArray(card) ? patchedCard(settings.card ?? {}, card) : card;
      const changes = changed === undefined ? others : { ...others, ...readBody(KitchenSettings, { card: changed }, '') };
      const kept = Object.fromEntries(Object.entries({ ...settings, ...changes }).filter(([name]) => !unset.includes(name)));
      await this.database.manager.update(KitchenEntity, { id }, { ...named, settings: kept });
      return this.describe(scope);
    });
  }

  describe(scope: Scope): Promise<KitchenDto> {
    return this.database.read(async () => {
      const { id, name, settings, begun } = await this.#entity(scope);
      const [{ empty }] = await this.database.manager.query<[{ empty: boolean }]>(
        `SELECT NOT EXISTS (SELECT 1 FROM foods WHERE kitchen_id = $1) AND NOT EXISTS (SELECT 1 FROM recipes WHERE kitchen_id = $1) AS empty`,
        [id],
      );
      const { briefs, vessels, labelSheets, ...full } = fullSettings(settings, today());
      const lists = {
        ...(briefs ? { briefs: [...briefs] } : {}),
        ...(vessels ? { vessels: [...vessels] } : {}),
        ...(labelSheets ? { labelSheets: [...labelSheets] } : {}),
      };
      return { name, ...full, ...lists, empty, begun: begun || !empty };
    });
  }

  async #entity({ kitchenId: id }: Scope): Promise<KitchenEntity> {
    const entity = await this.database.manager.findOneBy(KitchenEntity, { id });
    if (!entity) throw new NotFoundError('kitchen', id);
    return entity;
  }
}

/** Today, ISO, where the server stands. */
function today(): string {
  const now = new Date();
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(now.getDate()).padStart(2, '0')}`;
}
