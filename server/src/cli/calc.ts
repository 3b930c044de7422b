import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { faultText, Kitchen, readKitchen, recipeReport, type RecipeReport } from '@portiona/core';
import { reportTable } from './reportTable.js';

const USAGE = 'usage: portiona calc FILE [--recipe ID] [--servings N] [--json]';
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
  readonly json: boolean;
}

function main(): void {
  try {
    const wanted = argumentsOf(process.argv.slice(2));
    const reports = reportsOf(wanted);
    process.stdout.write(wanted.json ? `${JSON.stringify(reports, null, 1)}\n` : reports.map(reportTable).join('\n'));
  } catch (error) {
    if (!(error instanceof CalcFault)) throw error;
    process.stderr.write(`${error.lines.join('\n')}\n`);
    process.exitCode = 2;
  }
}

function argumentsOf(words: string[]): CalcArguments {
  try {
    const { values, positionals } = parseArgs({
      args: words,
      allowPositionals: true,
      options: { recipe: { type: 'string' }, servings: { type: 'string' }, json: { type: 'boolean', default: false } },
    });
    const [file] = positionals;
    if (file === undefined || positionals.length > 1) throw new CalcFault([USAGE]);
    return { file, recipe: values.recipe, servings: servingsOf(values.servings), json: values.json };
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

function reportsOf({ file, recipe, servings }: CalcArguments): RecipeReport[] {
  const read = readKitchen(parsed(file), today());
  if (!read.ok) throw new CalcFault(read.faults.map(faultText));
  const kitchen = new Kitchen(read.entry);
  const chosen = read.entry.recipes.filter(({ id }) => recipe === undefined || id === recipe);
  if (recipe !== undefined && chosen.length === 0) throw new CalcFault([`--recipe: ${file} has no recipe "${recipe}"`]);
  return chosen.map((one) => recipeReport(one, kitchen, servings));
}

/** The run's date, ISO, where the person is. */
function today(): string {
  const now = new Date();
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(now.getDate()).padStart(2, '0')}`;
}

function parsed(file: string): unknown {
  try {
    const bytes = readFileSync(file);
    if (bytes.length > MOST_BYTES) throw new CalcFault([`${file}: is larger than ${MOST_BYTES / 1024 / 1024} MB; split it`]);
    // Some editors put a byte order mark in front; it is no part of the text.
    return JSON.parse(bytes.toString('utf8').replace(/^\uFEFF/, '')) as unknown;
  } catch (error) {
    if (error instanceof CalcFault) throw error;
    if (error instanceof SyntaxError) throw new CalcFault([`${file}: is not JSON: ${error.message}`]);
    throw new CalcFault([`${file}: cannot be read: ${error instanceof Error ? error.message : String(error)}`]);
  }
}

main();
