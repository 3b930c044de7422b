import { randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { Injectable } from '@nestjs/common';
import { cutText, delimiterOf, isTill, itemKey, quoteOf, tidyText } from '@portiona/core';
import { Database } from '../database/database.js';
import { Once, type OnceKey } from '../database/once.js';
import { RefusedFileError } from '../http/problems.js';
import { PacksService } from '../packs/packs.service.js';
import { dataFolder } from '../files/dataFolder.js';
import { giveUp, receiveTable, roomFor } from '../tables/tableFile.js';
import { firstLetters, tableRows } from '../tables/tableRows.js';
import type { AddedPricesDto, ReceiptNameDto, ReceiptRowsDto, SeenPriceDto } from './receipt.dto.js';
import { ReceiptNameEntity } from './receiptName.entity.js';
import type { Scope } from '../scope/scope.js';

/** Nobody buys more at once, and no one looks through more. */
const MOST_ROWS = 5000;
/** A receipt is read and gone: what lies here to be taken in takes no room from it. */
const NOTHING_HELD = { files: 0, bytes: 0, allBytes: 0 };
/** Letters that no text holds: lines are taken whole. */
const [NO_LETTER, NO_LETTER_EITHER] = ['\u0001', '\u0002'];

@Injectable()
export class ReceiptsService {
  constructor(
    private readonly database: Database,
    private readonly once: Once,
    private readonly packs: PacksService,
  ) {}

  /** The rows of a receipt, whatever its letters and delimiter; nothing is kept. @throws RefusedFileError, TooLargeError */
  async read({ kitchenId }: Scope, fileName: string, from: Readable, stated?: number): Promise<ReceiptRowsDto> {
    const path = join(dataFolder('coming'), randomUUID());
    const room = await roomFor(kitchenId, { stated, kept: false, held: () => Promise.resolve(NOTHING_HELD) });
    try {
      const { encoding } = await receiveTable(path, from);
      const first = await firstLetters(path, encoding);
      // What a till printed is no table: its lines go on whole, and are taken apart where they are looked over.
      const till = isTill(first);
      const quote = till ? NO_LETTER : quoteOf(first);
      const delimiter = till ? NO_LETTER_EITHER : delimiterOf(first, quote);
      const rows: (readonly string[])[] = [];
      for await (const { cells } of tableRows(path, { encoding, delimiter, quote })) {
        if (rows.length >= MOST_ROWS) throw new RefusedFileError(`more than ${MOST_ROWS} rows; bring it in parts`);
        rows.push(cells.map(tidyText));
      }
      return { fileName: cutText(tidyText(fileName), 200), rows };
    } finally {
      giveUp(room);
      await rm(path, { force: true });
    }
  }

  /** Every name that was chosen a food for. */
  async remembered(scope: Scope): Promise<ReceiptNameDto[]> {
    const rows = await this.database.manager.find(ReceiptNameEntity, {
      where: { kitchenId: scope.kitchenId },
      order: { words: 'ASC' },
    });
    return rows.map(({ words, foodId }) => ({ words, food: foodId }));
  }

  /**
   * Adds prices seen, all of them or none; one that was seen just so before is not added again. What the shop calls each food is
   * remembered.
   *
   * @throws ValidationError with every fault
   */
  async add(scope: Scope, prices: readonly SeenPriceDto[], once?: OnceKey): Promise<AddedPricesDto> {
    const { kitchenId } = scope;
    const documents = prices.map(({ document }) => document);
    return this.once.write(kitchenId, once, async () => {
      const { added, packs } = await this.packs.addSeen(scope, documents, 'prices');
      const names = new Map(prices.map(({ item }, i) => [itemKey(item ?? ''), packs[i]?.food ?? '']));
      names.delete('');
      const rows = [...names].map(([words, foodId]) => ({ kitchenId, words, foodId }));
      if (rows.length > 0) await this.database.manager.upsert(ReceiptNameEntity, rows, ['kitchenId', 'words']);
      return { added, there: prices.length - added };
    });
  }
}
