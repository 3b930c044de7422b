import { parseArgs } from 'node:util';
import { shoppingList, shoppingText, shopReport, taughtKitchen } from '@portiona/core';
import { CommandFault, readKitchenFile } from './kitchenFiles.js';

const USAGE = 'usage: portiona shop FILE [--session ID]... [--trip MONEY] [--json]';

interface ShopArguments {
  readonly file: string;
  /** Empty: all of them. */
  readonly sessions: readonly string[];
  readonly trip: string | undefined;
  readonly json: boolean;
}

function main(): void {
  try {
    const { file, sessions: ids, trip, json } = argumentsOf(process.argv.slice(2));
    const entry = readKitchenFile(file);
    for (const id of ids)
      if (!entry.sessions.some((session) => session.id === id)) throw new CommandFault([`--session: ${file} has no session "${id}"`]);
    const sessions = entry.sessions.filter(({ id }) => ids.length === 0 || ids.includes(id));
    const list = shoppingList(sessions, entry.stock, taughtKitchen(entry, entry.batches), trip === undefined ? {} : { trip });
    process.stdout.write(
      json
        ? `${JSON.stringify(shopReport(list), null, 1)}\n`
        : shoppingText(list, new Map(entry.foods.map((food) => [food.id, food])), entry.settings.currency),
    );
  } catch (error) {
    if (!(error instanceof CommandFault)) throw error;
    process.stderr.write(`${error.lines.join('\n')}\n`);
    process.exitCode = 2;
  }
}

function argumentsOf(words: string[]): ShopArguments {
  try {
    const { values, positionals } = parseArgs({
      args: words,
      allowPositionals: true,
      options: {
        session: { type: 'string', multiple: true, default: [] },
        trip: { type: 'string' },
        json: { type: 'boolean', default: false },
      },
    });
    const [file] = positionals;
    if (file === undefined || positionals.length > 1) throw new CommandFault([USAGE]);
    const { session: sessions, trip, json } = values;
    if (trip !== undefined && (!/^\d{1,10}(\.\d{1,20})?$/.test(trip) || Number(trip) > 1e9))
      throw new CommandFault([`--trip: must be an amount of money such as 1.50, not "${trip}"`]);
    return { file, sessions, trip, json };
  } catch (error) {
    if (error instanceof CommandFault) throw error;
    throw new CommandFault([error instanceof Error ? error.message : String(error), USAGE]);
  }
}

main();
