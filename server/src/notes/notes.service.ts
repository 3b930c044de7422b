import { Injectable } from '@nestjs/common';
import { tidyText } from '@portiona/core';
import { Database } from '../database/database.js';
import { isUuid } from '../http/isUuid.js';
import { ForbiddenError, NotFoundError, RefusedRequestError, ValidationError } from '../http/problems.js';
import { may, type Scope } from '../scope/scope.js';
import type { CallingNoteDto, ChangingNoteDto, NewNoteDto, NoteDto } from './note.dto.js';

/** Where a note may stand. */
const PLACE = /^(?:recipe|line\/[\w-]{1,120}\/[\w-]{1,120}|step\/[\w-]{1,120}|finding\/[^\p{C}]{1,150})$/u;
/** Notes of one recipe. */
const MOST = 500;

interface NoteRow {
  readonly id: string;
  readonly recipe_id: string;
  readonly place: string;
  readonly about: string;
  readonly text: string;
  readonly mentions: string[];
  readonly made_by: string | null;
  readonly by: string | null;
  readonly made_at: Date;
  readonly edited_at: Date | null;
  readonly done_by: string | null;
  readonly done_at: Date | null;
  readonly calls: boolean;
}

const NOTES = `SELECT note.*, writer.name AS by, closer.name AS done_by,
    $2 = ANY(note.mentions::text[]) AND note.done_at IS NULL AND NOT EXISTS (
      SELECT 1 FROM notes_seen seen WHERE seen.kitchen_id = note.kitchen_id AND seen.note_id = note.id AND seen.account_id::text = $2) AS calls
  FROM notes note LEFT JOIN accounts writer ON writer.id = note.made_by LEFT JOIN accounts closer ON closer.id = note.done_by
  WHERE note.kitchen_id = $1`;

/** Notes that members write to one another on a recipe, and on lines, steps and findings of it. */
@Injectable()
export class NotesService {
  constructor(private readonly database: Database) {}

  /** Of a recipe, oldest first; what calls who asks is seen by that. @throws NotFoundError */
  async list(scope: Scope, recipe: string): Promise<NoteDto[]> {
    await this.#expectRecipe(scope, recipe);
    return (await this.#rows(scope, 'AND note.recipe_id = $3 ORDER BY note.made_at, note.id', [recipe])).map((row) => toDto(row, scope));
  }

  /** Notes that call who asks and were not seen by them, newest first. */
  async calling(scope: Scope): Promise<CallingNoteDto[]> {
    const rows = await this.database.manager.query<(NoteRow & { readonly title: string })[]>(
      `SELECT called.*, head.title FROM (${NOTES}) called JOIN recipes head ON head.kitchen_id = $1 AND head.id = called.recipe_id
       WHERE called.calls ORDER BY called.made_at DESC LIMIT 100`,
      [scope.kitchenId, scope.person],
    );
    return rows.map((row) => ({ ...toDto(row, scope), title: row.title }));
  }

  /** @throws NotFoundError, ValidationError, RefusedRequestError */
  async write(scope: Scope, recipe: string, { place, about, text, mentions }: NewNoteDto): Promise<NoteDto[]> {
    if (!PLACE.test(place))
      throw new ValidationError([{ path: 'place', message: 'must be "recipe", "line/PART/ID", "step/ID" or "finding/…"' }]);
    const { kitchenId, person } = scope;
    await this.database.write(async () => {
      await this.#expectRecipe(scope, recipe);
      const [{ there }] = await this.database.manager.query<[{ there: number }]>(
        'SELECT count(*)::int AS there FROM notes WHERE kitchen_id = $1 AND recipe_id = $2',
        [kitchenId, recipe],
      );
      if (there >= MOST) throw new RefusedRequestError(409, `this recipe has ${MOST} notes, the most that one may; take some away`);
      await this.database.manager.query(
        'INSERT INTO notes (kitchen_id, recipe_id, place, about, text, mentions, made_by) VALUES ($1, $2, $3, $4, $5, $6, $7)',
        [kitchenId, recipe, place, about, tidyText(text).trim(), await this.#members(scope, mentions), person],
      );
    });
    return this.list(scope, recipe);
  }

  /** One's own words; whether it is done, anybody who may write notes. @throws NotFoundError, ForbiddenError */
  async change(scope: Scope, id: string, { text, mentions, done }: ChangingNoteDto): Promise<NoteDto[]> {
    const note = await this.#note(scope, id);
    if (text !== undefined && note.made_by !== scope.person)
      throw new ForbiddenError('somebody else wrote this note; its words are theirs');
    const { kitchenId, person } = scope;
    await this.database.write(async () => {
      const { manager } = this.database;
      if (text !== undefined)
        await manager.query('UPDATE notes SET text = $3, mentions = $4, edited_at = now() WHERE kitchen_id = $1 AND id = $2', [
          kitchenId,
          id,
          tidyText(text).trim(),
          await this.#members(scope, mentions ?? note.mentions),
        ]);
      if (done !== undefined)
        await manager.query(
          'UPDATE notes SET done_at = CASE WHEN $3 THEN now() END, done_by = CASE WHEN $3 THEN $4::uuid END WHERE kitchen_id = $1 AND id = $2',
          [kitchenId, id, done, person],
        );
    });
    return this.list(scope, note.recipe_id);
  }

  /** One's own, or anybody's for an owner. @throws NotFoundError, ForbiddenError */
  async remove(scope: Scope, id: string): Promise<void> {
    const note = await this.#note(scope, id);
    if (note.made_by !== scope.person && !may(scope, 'manage'))
      throw new ForbiddenError('somebody else wrote this note; they or an owner can take it away');
    await this.database.write(() =>
      this.database.manager.query('DELETE FROM notes WHERE kitchen_id = $1 AND id = $2', [scope.kitchenId, id]),
    );
  }

  /** Notes that who asks has seen call them no more. */
  async see({ kitchenId, person }: Scope, recipe: string): Promise<void> {
    await this.database.manager.query(
      `INSERT INTO notes_seen (kitchen_id, note_id, account_id)
       SELECT kitchen_id, id, $3 FROM notes WHERE kitchen_id = $1 AND recipe_id = $2 AND $3 = ANY(mentions) ON CONFLICT DO NOTHING`,
      [kitchenId, recipe, person],
    );
  }

  /** Of some accounts, those that are members: nobody else is called. */
  async #members({ kitchenId }: Scope, asked: readonly string[]): Promise<string[]> {
    const rows = await this.database.manager.query<{ id: string }[]>(
      'SELECT account_id AS id FROM members WHERE kitchen_id = $1 AND account_id::text = ANY($2)',
      [kitchenId, asked],
    );
    return rows.map(({ id }) => id);
  }

  #rows({ kitchenId, person }: Scope, rest: string, more: readonly unknown[]): Promise<NoteRow[]> {
    return this.database.manager.query<NoteRow[]>(`${NOTES} ${rest}`, [kitchenId, person, ...more]);
  }

  async #note(scope: Scope, id: string): Promise<NoteRow> {
    const [row] = isUuid(id) ? await this.#rows(scope, 'AND note.id = $3', [id]) : [];
    if (!row) throw new NotFoundError('note', id);
    return row;
  }

  async #expectRecipe({ kitchenId }: Scope, recipe: string): Promise<void> {
    const there = await this.database.manager.query<unknown[]>('SELECT 1 FROM recipes WHERE kitchen_id = $1 AND id = $2', [
      kitchenId,
      recipe,
    ]);
    if (there.length === 0) throw new NotFoundError('recipe', recipe);
  }
}

function toDto({ id, place, about, text, mentions, by, ...row }: NoteRow, { person }: Scope): NoteDto {
  return {
    ...{ id, recipe: row.recipe_id, place, about, text, mentions, by: by ?? 'somebody who has gone', own: row.made_by === person },
    madeAt: row.made_at.toISOString(),
    ...(row.edited_at ? { editedAt: row.edited_at.toISOString() } : {}),
    ...(row.done_at ? { doneAt: row.done_at.toISOString(), doneBy: row.done_by ?? 'somebody who has gone' } : {}),
    callsYou: row.calls,
  };
}
