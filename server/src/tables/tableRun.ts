import { Injectable } from '@nestjs/common';

/** A table being taken in. */
export interface TableRun {
  rows: number;
  bytes: number;
  cancelled: boolean;
  done: Promise<void>;
}

/** The tables being taken in by this server, by id. */
@Injectable()
export class TableRuns extends Map<string, TableRun> {}
