import { Injectable } from '@nestjs/common';
import { placeUrl } from '../cards/readersPlace.js';
import { Database } from '../database/database.js';
import { isTaken } from '../database/isTaken.js';
import { hyphened } from '../http/hyphened.js';
import { ValidationError } from '../http/problems.js';
import { KitchenEntity } from '../kitchens/kitchen.entity.js';
import type { Scope } from '../scope/scope.js';
import type { ReadersAddressChangeDto, ReadersAddressDto } from './readersAddress.dto.js';

const NAME = /^[a-z0-9](?:-?[a-z0-9])*$/;
const LONGEST = 60;

/** The address at which anybody reads a kitchen's published cards: switched on by the kitchen, off at first. */
@Injectable()
export class ReadersAddressService {
  constructor(private readonly database: Database) {}

  /** @param origin by which the server is reached */
  async get({ kitchenId: id }: Scope, origin: string): Promise<ReadersAddressDto> {
    const [{ on, name, cards, back }] = await this.database.manager.query<[{ on: boolean; name: string; cards: number; back: number }]>(
      `WITH newest AS (
         SELECT DISTINCT ON (card.recipe_id) card.taken_back_because AS back FROM published_cards card
         JOIN recipes head ON head.kitchen_id = card.kitchen_id AND head.id = card.recipe_id AND head.archived_at IS NULL
         WHERE card.kitchen_id = $1 ORDER BY card.recipe_id, card.issue DESC)
       SELECT readers_on AS on, coalesce(readers_name, settings -> 'card' ->> 'publication', name) AS name,
         (SELECT count(*)::int FROM newest WHERE back IS NULL) AS cards, (SELECT count(*)::int FROM newest WHERE back IS NOT NULL) AS back
       FROM kitchens WHERE id = $1`,
      [id],
    );
    const said = hyphened(name, { plain: true, otherwise: 'kitchen' });
    return { on, name: said, url: placeUrl({ origin, name: said }), cards, takenBack: back };
  }

  /** @throws ValidationError for a name that cannot stand in an address, or is another kitchen's */
  async change(scope: Scope, { on, name }: ReadersAddressChangeDto, origin: string): Promise<ReadersAddressDto> {
    if (name.length > LONGEST || !NAME.test(name))
      throw new ValidationError([{ path: 'name', message: 'must be small letters a to z, numbers, and single hyphens between them' }]);
    return this.database.writeAlone(scope.kitchenId, async () => {
      try {
        await this.database.manager.update(KitchenEntity, { id: scope.kitchenId }, { readersOn: on, readersName: name });
      } catch (error) {
        if (isTaken(error)) throw new ValidationError([{ path: 'name', message: 'is the name of another kitchen; choose another' }]);
        throw error;
      }
      return this.get(scope, origin);
    });
  }
}
