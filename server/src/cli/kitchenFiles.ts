import { readdirSync, readFileSync, statSync } from 'node:fs';
import { faultText, readKitchen } from '@portiona/core';

/** Larger than any kitchen, small enough to refuse at once. */
const MOST_BYTES = 64 * 1024 * 1024;

/** Something the person at the command line has to mend: exit 2, one line per fault on standard error. */
export class CommandFault extends Error {
  constructor(readonly lines: readonly string[]) {
    super(lines.join('\n'));
    this.name = 'CommandFault';
  }
}

/** What a kitchen file holds once it was found sound. */
export type KitchenEntry = Extract<ReturnType<typeof readKitchen>, { ok: true }>['entry'];

/**
 * Reads a kitchen file.
 *
 * @throws CommandFault with every fault of it
 */
export function readKitchenFile(file: string): KitchenEntry {
  const read = readKitchen(parsed(file), today());
  if (!read.ok) throw new CommandFault(read.faults.map(faultText));
  return read.entry;
}

/**
 * Names of the kitchen files of a folder, sorted.
 *
 * @throws CommandFault where it holds none
 */
export function kitchenFilesIn(folder: string): string[] {
  const files = readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .sort();
  if (files.length === 0) throw new CommandFault([`${folder}: holds no .json file`]);
  return files;
}

export function isFolder(path: string): boolean {
  return statSync(path, { throwIfNoEntry: false })?.isDirectory() ?? false;
}

/** The run's date, ISO, where the person is. */
function today(): string {
  const now = new Date();
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(now.getDate()).padStart(2, '0')}`;
}

function parsed(file: string): unknown {
  try {
    // Asked before anything is read: a file of gigabytes is refused at once. A pipe has no size, and is counted as it comes.
    if (statSync(file).size > MOST_BYTES) throw tooLarge(file);
    const bytes = readFileSync(file);
    if (bytes.length > MOST_BYTES) throw tooLarge(file);
    // Some editors put a byte order mark in front; it is no part of the text.
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)) as unknown;
  } catch (error) {
    if (error instanceof CommandFault) throw error;
    if (error instanceof TypeError) throw new CommandFault([`${file}: is not UTF-8; save it as UTF-8, then run this again`]);
    if (error instanceof SyntaxError) throw new CommandFault([`${file}: is not JSON: ${error.message}`]);
    throw new CommandFault([`${file}: cannot be read: ${error instanceof Error ? error.message : String(error)}`]);
  }
}

function tooLarge(file: string): CommandFault {
  return new CommandFault([`${file}: is larger than ${MOST_BYTES / 1024 / 1024} MB; split it`]);
}
