import { createHash } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import type { Request } from 'express';
import { Database } from '../database/database.js';
import type { Scope } from '../scope/scope.js';
import type { AuditEntryDto, AuditPageDto } from './audit.dto.js';

/** Entries given at once. */
const PAGE = 100;
/** What stands before the first entry of a chain. */
const BEGINNING = '0'.repeat(64);

interface EntryRow {
  readonly seq: string;
  readonly at: Date;
  readonly entry: string;
  readonly hash: string;
}

/**
 * What was done, by whom, when and from where. Each entry's hash is SHA-256 of the hash before it, a line feed and the entry's text:
 * one that was changed or taken out breaks every hash behind it.
 */
@Injectable()
export class AuditLogService {
  constructor(private readonly database: Database) {}

  /** Notes something that an account did, or that was done to it, in no kitchen. @param does as operations are called */
  async note(accountId: string | undefined, does: string, request: Request, more: object = {}): Promise<void> {
    await this.database.manager.query('SELECT note_deed(NULL, $1, $2, $3)', [
      accountId ?? null,
      JSON.stringify({ does, by: { id: accountId ?? null }, from: request.ip ?? '', ...more }),
      '{}',
    ]);
  }

  /** Notes something done in a kitchen by somebody who did not ask in it, in the transaction under way there. */
  async noteIn(
    kitchenId: string,
    by: { readonly id: string; readonly name: string },
    does: string,
    request: Request,
    more: object = {},
  ): Promise<void> {
    await this.database.manager.query('SELECT note_deed($1, $2, $3, $4)', [
      kitchenId,
      by.id,
      JSON.stringify({ does, by, from: request.ip ?? '', ...more }),
      JSON.stringify({ does, to: '', by, tab: '' }),
    ]);
  }

  /** Entries of a kitchen, newest first, from one on. */
  async page({ kitchenId }: Scope, before?: number): Promise<AuditPageDto> {
    const rows = await this.#rows(kitchenId, 'AND ($2::bigint IS NULL OR seq < $2) ORDER BY seq DESC LIMIT $3', [before ?? null, PAGE]);
    return { entries: rows.map(toEntry), more: rows.length === PAGE };
  }

  /** Entries about an account itself, newest first. */
  async ofAccount(accountId: string): Promise<AuditEntryDto[]> {
    const rows = await this.database.manager.query<EntryRow[]>('SELECT * FROM deeds_of_account($1, $2)', [accountId, PAGE]);
    return rows.map(toEntry);
  }

  /** Every entry of a kitchen from the first on, as lines of JSON with the hash each: whoever has it can go over the chain. */
  async *export({ kitchenId }: Scope): AsyncGenerator<string> {
    for (let after = 0; ;) {
      const rows = await this.#rows(kitchenId, 'AND seq > $2 ORDER BY seq LIMIT 1000', [after]);
      for (const { entry, hash } of rows) yield `${JSON.stringify({ entry, hash })}\n`;
      const last = rows.at(-1);
      if (!last) return;
      after = Number(last.seq);
    }
  }

  /** Goes over a kitchen's chain. @returns how many entries hold; where one does not, its number */
  async check(scope: Scope): Promise<{ readonly entries: number; readonly brokenAt: number | null }> {
    let before = BEGINNING;
    let entries = 0;
    for await (const line of this.export(scope)) {
      const { entry, hash } = JSON.parse(line) as { entry: string; hash: string };
      const { seq } = JSON.parse(entry) as { seq: number };
      if (seq !== entries + 1 || chained(before, entry) !== hash) return { entries, brokenAt: entries + 1 };
      before = hash;
      entries++;
    }
    return { entries, brokenAt: null };
  }

  #rows(kitchenId: string, rest: string, more: readonly unknown[]): Promise<EntryRow[]> {
    return this.database.manager.query<EntryRow[]>(`SELECT seq, at, entry, hash FROM audit_entries WHERE chain = $1::uuid::text ${rest}`, [
      kitchenId,
      ...more,
    ]);
  }
}

/** The hash of an entry behind another. */
export function chained(before: string, entry: string): string {
  return createHash('sha256').update(`${before}\n${entry}`).digest('hex');
}

function toEntry({ seq, at, entry, hash }: EntryRow): AuditEntryDto {
  const { does, to, named, revision, by, through, from } = JSON.parse(entry) as Omit<AuditEntryDto, 'seq' | 'at' | 'hash'>;
  return {
    ...{ seq: Number(seq), at: at.toISOString(), hash, does, to: to ?? '', by, through: through ?? 'page', from },
    ...(named === undefined ? {} : { named }),
    ...(revision === undefined ? {} : { revision }),
  };
}
