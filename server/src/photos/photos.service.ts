import { createHash } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import type { Fault, WrittenPhoto } from '@portiona/core';
import { In } from 'typeorm';
import { Database } from '../database/database.js';
import { NotFoundError, Problem } from '../http/problems.js';
import type { Scope } from '../scope/scope.js';
import { keptPicture, type KeptPicture } from './keptPicture.js';
import type { PhotoDto } from './photo.dto.js';
import { PhotoEntity } from './photo.entity.js';

/** Pictures, each kept once and known by its content. What a document shows of them it names. */
@Injectable()
export class PhotosService {
  constructor(private readonly database: Database) {}

  /**
   * Keeps a picture; those that nothing has shown for a day are let go.
   *
   * @param bytes a JPEG or PNG
   * @throws UnreadablePhotoError
   */
  async take(scope: Scope, bytes: Uint8Array): Promise<PhotoDto> {
    const made = await keptPicture(bytes);
    return this.database.writeAlone(scope.kitchenId, async () => {
      const photo = await this.#keep(scope, made);
      await this.#letGo(scope, photo.id);
      return photo;
    });
  }

  /** The picture. @throws NotFoundError */
  async get({ kitchenId }: Scope, id: string): Promise<Buffer> {
    const row = await this.database.manager.findOneBy(PhotoEntity, { kitchenId, id });
    if (!row) throw new NotFoundError('photo', id);
    return row.jpeg;
  }

  /** The picture and its size in pixels; undefined where there is none of that id. */
  async picture({ kitchenId }: Scope, id: string): Promise<KeptPicture | undefined> {
    const row = await this.database.manager.findOneBy(PhotoEntity, { kitchenId, id });
    return row ? { jpeg: row.jpeg, width: row.width, height: row.height } : undefined;
  }

  /** Photos as a kitchen file holds them: of some ids, by id. */
  async written({ kitchenId }: Scope, ids: readonly string[]): Promise<WrittenPhoto[]> {
    const rows = await this.database.manager.find(PhotoEntity, { where: { kitchenId, id: In(ids) }, order: { id: 'ASC' } });
    return rows.map(({ id, jpeg }) => ({ id, jpeg: jpeg.toString('base64') }));
  }

  /**
   * Makes the pictures of a kitchen file as they are kept, before the transaction that writes them: of each its own id.
   *
   * @param path of the list, before each fault's
   */
  async made(
    photos: readonly WrittenPhoto[],
    path: string,
  ): Promise<{ readonly made: ReadonlyMap<string, KeptPicture>; readonly faults: Fault[] }> {
    const made = new Map<string, KeptPicture>();
    const faults: Fault[] = [];
    for (const [i, { id, jpeg }] of photos.entries()) {
      try {
        made.set(id, await keptPicture(Buffer.from(jpeg, 'base64')));
      } catch (error) {
        if (!(error instanceof Problem)) throw error;
        faults.push({ path: `${path}[${i}].jpeg`, message: error.message });
      }
    }
    return { made, faults };
  }

  /** Keeps pictures in the transaction under way. @returns the id that each is kept under */
  async keep(scope: Scope, made: ReadonlyMap<string, KeptPicture>): Promise<ReadonlyMap<string, string>> {
    const ids = new Map<string, string>();
    for (const [id, picture] of made) ids.set(id, (await this.#keep(scope, picture)).id);
    return ids;
  }

  /** What is wrong with showing a photo: that it is not there. */
  async faultsOf({ kitchenId }: Scope, id: string, path: string): Promise<Fault[]> {
    const there = await this.database.manager.existsBy(PhotoEntity, { kitchenId, id });
    return there ? [] : [{ path, message: `there is no photo "${id}"; bring it first` }];
  }

  async #keep({ kitchenId }: Scope, { jpeg, width, height }: KeptPicture): Promise<PhotoDto> {
    const id = createHash('sha256').update(jpeg).digest('hex');
    // One that was there is as new: whoever brought it again is about to show it.
    await this.database.manager.query(
      `INSERT INTO photos (kitchen_id, id, jpeg, width, height) VALUES ($1, $2, $3, $4, $5)
       ON CONFLICT (kitchen_id, id) DO UPDATE SET brought_at = now()`,
      [kitchenId, id, jpeg, width, height],
    );
    return { id, width, height };
  }

  async #letGo({ kitchenId }: Scope, but: string): Promise<void> {
    await this.database.manager.query(
      `DELETE FROM photos WHERE kitchen_id = $1 AND id <> $2 AND brought_at < now() - interval '1 day' AND NOT EXISTS (
         SELECT FROM batch_revisions WHERE batch_revisions.kitchen_id = $1 AND document ? 'photo' AND document -> 'photo' ->> 'id' = photos.id)
       AND NOT EXISTS (
         SELECT FROM recipe_revisions WHERE recipe_revisions.kitchen_id = $1 AND document ? 'photo' AND document -> 'photo' ->> 'id' = photos.id)
       AND NOT EXISTS (
         SELECT FROM published_cards WHERE published_cards.kitchen_id = $1 AND content ? 'photo' AND content -> 'photo' ->> 'id' = photos.id)`,
      [kitchenId, but],
    );
  }
}
