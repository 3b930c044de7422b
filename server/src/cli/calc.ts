import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { batchReport, faultText, readKitchen, recipeReport, taughtKitchen, type RecipeReport } from '@portiona/core';
import { reportTable } from './reportTable.js';

const USAGE = 'usage: portiona calc FILE|FOLDER [--recipe ID] [--servings N] [--json]\n       portiona calc FILE --batch ID [--json]';
/** Larger than any kitchen, small enough to refuse at once. */
const MOST_BYTES = 64 * 1024 * 1024;

/** Something the person at the command line has to mend: exit 2, one line per fault on standard error. */
class CalcFault extends Error {
  constructor(readonly lines: readonly string[]) {
    super(lines.join('\n'));
    this.name = 'CalcFault';
  }
}

interface CalcArguments {
  readonly file: string;
  readonly recipe: string | undefined;
  readonly servings: number | undefined;
  readonly batch: string | undefined;
  readonly json: boolean;
}

function main(): void {
  try {
    const wanted = argumentsOf(process.argv.slice(2));
    process.stdout.write(isFolder(wanted.file) ? folderText(wanted) : textOf(reportsOf(wanted), wanted.json));
  } catch (error) {
    if (!(error instanceof CalcFault)) throw error;
    process.stderr.write(`${error.lines.join('\n')}\n`);
    process.exitCode = 2;
  }
}

/** Reports as printed: JSON, or a table each. */
function textOf(reports: readonly object[], json: boolean): string {
  return json ? `${JSON.stringify(reports, null, 1)}\n` : (reports as readonly RecipeReport[]).map(reportTable).join('\n');
}

/** Every kitchen file of a folder in one run, each report with its file. One fault in any of them, and nothing is printed. */
function folderText(wanted: CalcArguments): string {
  const files = readdirSync(wanted.file)
    .filter((name) => name.endsWith('.json'))
    .sort();
  if (files.length === 0) throw new CalcFault([`${wanted.file}: holds no .json file`]);
  const faults: string[] = [];
  const computed = files.flatMap((name) => {
    try {
      return reportsOf({ ...wanted, file: join(wanted.file, name) }, true).map((report) => ({ file: name, report }));
    } catch (error) {
      if (!(error instanceof CalcFault)) throw error;
      faults.push(...error.lines.map((line) => `${name}: ${line}`));
      return [];
    }
  });
  if (faults.length > 0) throw new CalcFault(faults);
  if (wanted.recipe !== undefined && computed.length === 0)
    throw new CalcFault([`--recipe: no file of ${wanted.file} has a recipe "${wanted.recipe}"`]);
  if (wanted.json)
    return textOf(
      computed.map(({ file, report }) => ({ file, ...report })),
      true,
    );
  return files
    .map(
      (name) =>
        `${name}\n\n${textOf(
          computed.filter(({ file }) => file === name).map(({ report }) => report),
          false,
        )}`,
    )
    .join('\n');
}

function isFolder(path: string): boolean {
  return statSync(path, { throwIfNoEntry: false })?.isDirectory() ?? false;
}

function argumentsOf(words: string[]): CalcArguments {
  try {
    const { values, positionals } = parseArgs({
      args: words,
      allowPositionals: true,
      options: {
        recipe: { type: 'string' },
        servings: { type: 'string' },
        batch: { type: 'string' },
        json: { type: 'boolean', default: false },
      },
    });
    const [file] = positionals;
    if (file === undefined || positionals.length > 1) throw new CalcFault([USAGE]);
    const { recipe, servings, batch, json } = values;
    if (batch !== undefined && (recipe !== undefined || servings !== undefined))
      throw new CalcFault(['--batch: goes without --recipe and --servings; a batch says both', USAGE]);
    return { file, recipe, servings: servingsOf(servings), batch, json };
  } catch (error) {
    if (error instanceof CalcFault) throw error;
    throw new CalcFault([error instanceof Error ? error.message : String(error), USAGE]);
  }
}

function servingsOf(word: string | undefined): number | undefined {
  if (word === undefined) return undefined;
  const servings = Number(word);
  if (word.trim() === '' || !Number.isFinite(servings) || servings < 1 || servings > 1e9)
    throw new CalcFault([`--servings: must be a number from 1 to 1e9, not "${word}"`]);
  return servings;
}

/** @param many one of several files: a recipe that is asked for may be in another */
function reportsOf({ file, recipe, servings, batch }: CalcArguments, many = false): RecipeReport[] {
  const read = readKitchen(parsed(file), today());
  if (!read.ok) throw new CalcFault(read.faults.map(faultText));
  const { batches } = read.entry;
  const kitchen = taughtKitchen(read.entry, batches);
  if (batch !== undefined) {
    const cooked = batches.find(({ id }) => id === batch);
    if (!cooked && !many) throw new CalcFault([`--batch: ${file} has no batch "${batch}"`]);
    return cooked ? [batchReport(cooked, batches, kitchen)] : [];
  }
  const chosen = read.entry.recipes.filter(({ id }) => recipe === undefined || id === recipe);
  if (recipe !== undefined && chosen.length === 0 && !many) throw new CalcFault([`--recipe: ${file} has no recipe "${recipe}"`]);
  return chosen.map((one) => recipeReport(one, kitchen, servings));
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
    if (error instanceof CalcFault) throw error;
    if (error instanceof TypeError) throw new CalcFault([`${file}: is not UTF-8; save it as UTF-8, then run this again`]);
    if (error instanceof SyntaxError) throw new CalcFault([`${file}: is not JSON: ${error.message}`]);
    throw new CalcFault([`${file}: cannot be read: ${error instanceof Error ? error.message : String(error)}`]);
  }
}

function tooLarge(file: string): CalcFault {
  return new CalcFault([`${file}: is larger than ${MOST_BYTES / 1024 / 1024} MB; split it`]);
}

main();
