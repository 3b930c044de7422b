import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { batchReport, recipeReport, taughtKitchen, type RecipeReport } from '@portiona/core';
import { CommandFault, isFolder, kitchenFilesIn, readKitchenFile } from './kitchenFiles.js';
import { reportTable } from './reportTable.js';

const USAGE = 'usage: portiona calc FILE|FOLDER [--recipe ID] [--servings N] [--json]\n       portiona calc FILE --batch ID [--json]';
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
    if (!(error instanceof CommandFault)) throw error;
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
  const files = kitchenFilesIn(wanted.file);
  const faults: string[] = [];
  const computed = files.flatMap((name) => {
    try {
      return reportsOf({ ...wanted, file: join(wanted.file, name) }, true).map((report) => ({ file: name, report }));
    } catch (error) {
      if (!(error instanceof CommandFault)) throw error;
      faults.push(...error.lines.map((line) => `${name}: ${line}`));
      return [];
    }
  });
  if (faults.length > 0) throw new CommandFault(faults);
  if (wanted.recipe !== undefined && computed.length === 0)
    throw new CommandFault([`--recipe: no file of ${wanted.file} has a recipe "${wanted.recipe}"`]);
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
    if (file === undefined || positionals.length > 1) throw new CommandFault([USAGE]);
    const { recipe, servings, batch, json } = values;
    if (batch !== undefined && (recipe !== undefined || servings !== undefined))
      throw new CommandFault(['--batch: goes without --recipe and --servings; a batch says both', USAGE]);
    return { file, recipe, servings: servingsOf(servings), batch, json };
  } catch (error) {
    if (error instanceof CommandFault) throw error;
    throw new CommandFault([error instanceof Error ? error.message : String(error), USAGE]);
  }
}

function servingsOf(word: string | undefined): number | undefined {
  if (word === undefined) return undefined;
  const servings = Number(word);
  if (word.trim() === '' || !Number.isFinite(servings) || servings < 1 || servings > 1e9)
    throw new CommandFault([`--servings: must be a number from 1 to 1e9, not "${word}"`]);
  return servings;
}

/** @param many one of several files: a recipe that is asked for may be in another */
function reportsOf({ file, recipe, servings, batch }: CalcArguments, many = false): RecipeReport[] {
  const entry = readKitchenFile(file);
  const { batches } = entry;
  const kitchen = taughtKitchen(entry, batches);
  if (batch !== undefined) {
    const cooked = batches.find(({ id }) => id === batch);
    if (!cooked && !many) throw new CommandFault([`--batch: ${file} has no batch "${batch}"`]);
    return cooked ? [batchReport(cooked, batches, kitchen)] : [];
  }
  const chosen = entry.recipes.filter(({ id }) => recipe === undefined || id === recipe);
  if (recipe !== undefined && chosen.length === 0 && !many) throw new CommandFault([`--recipe: ${file} has no recipe "${recipe}"`]);
  return chosen.map((one) => recipeReport(one, kitchen, servings));
}

main();
